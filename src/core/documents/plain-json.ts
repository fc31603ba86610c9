import { say } from '../words';
/* JSON that comes from outside: only plain data, nested no deeper than ours is. */

/** Keys by which an object would become another than it seems. */
const DANGEROUS = new Set(['__proto__', 'constructor', 'prototype']);
/** Our own files nest eight deep. */
const DEEPEST = 16;

/** @param fail makes the error of what is said, which stands after a colon @throws that error */
export function parsePlain(text: string, fail: (why: string) => Error): unknown {
  let plain: unknown;
  try {
    plain = JSON.parse(text);
  } catch {
    throw fail(say('documents.itIsNotJSON'));
  }
  const why = whyNotPlain(plain, 0);
  if (why) throw fail(why);
  return plain;
}

function whyNotPlain(value: unknown, depth: number): string | null {
  if (typeof value !== 'object' || value === null) return null;
  if (depth === DEEPEST) return say('documents.itIsNestedMoreThanDeepestDeep', { deepest: DEEPEST });
  const entries: [string, unknown][] = Array.isArray(value) ? [] : Object.entries(value);
  const dangerous = entries.find(([key]) => DANGEROUS.has(key));
  if (dangerous) return say('documents.itHasTheKeyDangerousWhichNoneOfOur', { dangerous: dangerous[0] });
  for (const one of Array.isArray(value) ? value : entries.map(([, inside]) => inside)) {
    const why = whyNotPlain(one, depth + 1);
    if (why) return why;
  }
  return null;
}
