/* Changes to records that leave the record itself as it was. */

export function each<T>(keys: readonly string[], value: T): Record<string, T> {
  return Object.fromEntries(keys.map((key) => [key, value]));
}

export function without<T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> {
  const copy = { ...record };
  delete copy[key];
  return copy;
}

export function appended<T>(
  record: Readonly<Record<string, readonly T[]>>,
  key: string,
  more: readonly T[],
): Record<string, readonly T[]> {
  return { ...record, [key]: [...(record[key] ?? []), ...more] };
}
