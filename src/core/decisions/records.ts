/*
 * Changes to records and lists that leave them as they were. A ledger that is replayed makes many of them in one go,
 * and nobody sees what lies between: there a copy that was made on the way is changed in place, so that 100,000
 * decisions take seconds.
 */

/** Copies made since the replay began; null while each change stands alone. */
let copies: WeakSet<object> | null = null;

/** @param work what it makes on the way must not be kept by anybody */
export function inOneGo<T>(work: () => T): T {
  copies = new WeakSet();
  try {
    return work();
  } finally {
    copies = null;
  }
}

/** The record itself where it is a copy already, else a copy. */
function writable<K extends PropertyKey, T>(given: Readonly<Record<K, T>>): Record<K, T> {
  if (copies?.has(given)) return given;
  const own: Record<K, T> = { ...given };
  copies?.add(own);
  return own;
}

export function entered<K extends PropertyKey, T>(record: Readonly<Record<K, T>>, key: K, value: T): Record<K, T> {
  return each(record, [key], value);
}

/** The same value for several keys. */
export function each<K extends PropertyKey, T>(
  record: Readonly<Record<K, T>>,
  keys: readonly K[],
  value: T,
): Record<K, T> {
  const own = writable(record);
  for (const key of keys) own[key] = value;
  return own;
}

export function without<K extends PropertyKey, T>(record: Readonly<Record<K, T>>, key: K): Record<K, T> {
  const own = writable(record);
  delete own[key];
  return own;
}

export function listed<T>(list: readonly T[], ...more: readonly T[]): T[] {
  // A copy made on the way was made by this function, as a list that can be written to.
  const own = copies?.has(list) ? (list as T[]) : [...list];
  copies?.add(own);
  for (const one of more) own.push(one);
  return own;
}

export function appended<K extends PropertyKey, T>(
  record: Readonly<Record<K, readonly T[]>>,
  key: K,
  more: readonly T[],
): Record<K, readonly T[]> {
  return entered(record, key, listed(record[key] ?? [], ...more));
}

/** Without the fields that say nothing. */
export function defined(change: object): Record<string, unknown> {
  return Object.fromEntries(Object.entries(change).filter(([, value]) => value !== undefined));
}
