/* Changes to records that leave the record itself as it was. */

export function each<K extends string, T>(keys: readonly K[], value: T): Record<K, T> {
  return Object.fromEntries(keys.map((key) => [key, value])) as Record<K, T>;
}

export function without<K extends string, T>(record: Readonly<Record<K, T>>, key: K): Record<K, T> {
  const copy = { ...record };
  delete copy[key];
  return copy;
}

export function appended<K extends string, T>(
  record: Readonly<Record<K, readonly T[]>>,
  key: K,
  more: readonly T[],
): Record<K, readonly T[]> {
  return { ...record, [key]: [...(record[key] ?? []), ...more] };
}

/** Without the fields that say nothing. */
export function defined(change: object): Record<string, unknown> {
  return Object.fromEntries(Object.entries(change).filter(([, value]) => value !== undefined));
}
