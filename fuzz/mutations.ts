/* Ways to damage a file: bytes, elements of XML, values of JSON. All from one source of random numbers. */
import type { Random } from '../bench/random';

const whole = (random: Random, below: number) => Math.floor(random.next() * below);

const BYTES = [0x00, 0x01, 0x3f, 0x40, 0x7f, 0x80, 0x90, 0xb0, 0xc0, 0xf0, 0xf7, 0xff];

/** Bytes changed, cut, put in, taken from another file. */
export function damageBytes(random: Random, bytes: Uint8Array, other: Uint8Array): Uint8Array {
  let damaged = bytes;
  for (let n = 1 + whole(random, 8); n > 0; n--) {
    const at = whole(random, damaged.length + 1);
    const length = Math.min(damaged.length - at, whole(random, 2 ** whole(random, 11)));
    const from = whole(random, other.length);
    const piece = {
      change: () => Uint8Array.of(random.pick(BYTES)),
      cut: () => new Uint8Array(),
      again: () => concatenated(damaged.slice(at, at + length), damaged.slice(at, at + length)),
      take: () => other.slice(from, from + length),
    }[random.pick(['change', 'change', 'cut', 'again', 'take'] as const)]();
    const gone = piece.length === 1 ? 1 : length;
    damaged = concatenated(damaged.slice(0, at), piece, damaged.slice(at + gone));
  }
  return damaged;
}

function concatenated(...pieces: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    all.set(piece, at);
    at += piece.length;
  }
  return all;
}

const VALUES = [
  '',
  '0',
  '-1',
  '1',
  '3',
  '7',
  '0.3',
  '99999',
  '1000000000',
  '1e308',
  'NaN',
  'x',
  'start',
  'stop',
  'yes',
];

/** Elements of a score left out, written again, moved, and given other values; the text stays XML. */
export function damageXml(random: Random, text: string): string {
  const lines = text.split('\n');
  const leaves = lines.flatMap((line, i) => (/^\s*<([\w-]+)[^>]*(?:\/>|>[^<]*<\/\1>)\s*$/.test(line) ? [i] : []));
  if (leaves.length === 0) return text;
  const given = [...lines];
  for (let n = 1 + whole(random, 10); n > 0; n--) {
    const [i, j] = [random.pick(leaves), random.pick(leaves)];
    switch (random.pick(['leave', 'again', 'move', 'value', 'value', 'attribute', 'block'] as const)) {
      case 'leave':
        lines[i] = '';
        break;
      case 'again':
        lines[i] = Array(1 + whole(random, 40))
          .fill(given[i])
          .join('\n');
        break;
      case 'move':
        lines[j] = `${lines[j]}\n${given[i]}`;
        break;
      case 'value':
        lines[i] = lines[i]!.replace(/>[^<]*</, `>${random.pick(VALUES)}<`);
        break;
      case 'attribute':
        lines[i] = lines[i]!.replace(/="[^"]*"/, `="${random.pick(VALUES)}"`);
        break;
      case 'block':
        moveBlock(random, lines);
        break;
    }
  }
  return lines.join('\n');
}

/** A whole element with what stands in it goes behind another of its name. */
function moveBlock(random: Random, lines: string[]): void {
  const openings = lines.flatMap((line, i) => (/^\s*<[\w-]+[^>/]*>\s*$/.test(line) ? [i] : []));
  if (openings.length === 0) return;
  const start = random.pick(openings);
  const indent = /^\s*/.exec(lines[start]!)![0];
  const end = lines.findIndex((line, i) => i > start && line.startsWith(`${indent}</`));
  if (end < 0 || end - start > 200) return;
  const block = lines.slice(start, end + 1).join('\n');
  const to = random.pick(openings);
  lines[to] = `${block}\n${lines[to]}`;
}

const PLAIN: unknown[] = [null, true, '', '__proto__', -1, 0.5, 1e9, [], {}, [[[[]]]], { constructor: 1 }];

/** Values of JSON exchanged, left out, put in. */
export function damageJson(random: Random, value: unknown, depth = 0): unknown {
  if (random.next() < 0.04) return random.pick(PLAIN);
  if (typeof value !== 'object' || value === null || depth > 20) return value;
  if (Array.isArray(value)) {
    const list = value.flatMap((one): unknown[] => {
      if (random.next() < 0.03) return [];
      const changed = damageJson(random, one, depth + 1);
      return random.next() < 0.03 ? [changed, one] : [changed];
    });
    return list;
  }
  const entries = Object.entries(value).flatMap(([key, one]): [string, unknown][] => {
    if (random.next() < 0.02) return [];
    const name = random.next() < 0.01 ? random.pick(['__proto__', 'constructor', 'kind', 'part', 'x']) : key;
    return [[name, damageJson(random, one, depth + 1)]];
  });
  return Object.fromEntries(entries);
}
