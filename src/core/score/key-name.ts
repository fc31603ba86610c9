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
