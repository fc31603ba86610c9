const MAJOR_KEYS = 'C♭ G♭ D♭ A♭ E♭ B♭ F C G D A E B F♯ C♯'.split(' ');
const MINOR_KEYS = 'A♭ E♭ B♭ F C G D A E B F♯ C♯ G♯ D♯ A♯'.split(' ');

/** "A♭ major" for four flats, major. */
export function keyName({ fifths, mode }: { fifths: number; mode: 'major' | 'minor' }): string {
  return `${(mode === 'major' ? MAJOR_KEYS : MINOR_KEYS)[fifths + 7]} ${mode}`;
}

const PITCH_CLASSES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

/** A key number as people say it where no spelling is meant: 60 → C4. */
export function keyInWords(key: number): string {
  return `${PITCH_CLASSES[key % 12]}${Math.floor(key / 12) - 1}`;
}

/** The key that "C4", "f#3" or "E♭5" names, or a plain number; null for what is none. */
export function keyOfWords(text: string): number | null {
  if (/^\d{1,3}$/.test(text)) return Number(text) <= 127 ? Number(text) : null;
  const match = /^([A-Ga-g])([#♯b♭]?)(-?\d)$/.exec(text);
  if (!match) return null;
  const natural = [9, 11, 0, 2, 4, 5, 7]['ABCDEFG'.indexOf(match[1]!.toUpperCase())]!;
  const sign = { '': 0, '#': 1, '♯': 1, b: -1, '♭': -1 }[match[2]!]!;
  const key = (Number(match[3]) + 1) * 12 + natural + sign;
  return key >= 0 && key <= 127 ? key : null;
}
