/* JSON that comes from outside: only plain data, nested no deeper than ours is. */

/** Keys by which an object would become another than it seems. */
const DANGEROUS = new Set(['__proto__', 'constructor', 'prototype']);
/** Our own files nest eight deep. */
const DEEPEST = 16;

/** @throws Error saying why not, to stand after a colon */
export function parsePlain(text: string): unknown {
  let plain: unknown;
  try {
    plain = JSON.parse(text);
  } catch {
    throw new Error('it is not JSON');
  }
  assertPlain(plain, 0);
  return plain;
}

function assertPlain(value: unknown, depth: number): void {
  if (typeof value !== 'object' || value === null) return;
  if (depth === DEEPEST) throw new Error(`it is nested more than ${DEEPEST} deep`);
  if (Array.isArray(value)) {
    for (const one of value) assertPlain(one, depth + 1);
    return;
  }
  for (const [key, one] of Object.entries(value)) {
    if (DANGEROUS.has(key)) throw new Error(`it has the key “${key}”, which none of our files has`);
    assertPlain(one, depth + 1);
  }
}
