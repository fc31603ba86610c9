const MAJOR_KEYS = 'C♭ G♭ D♭ A♭ E♭ B♭ F C G D A E B F♯ C♯'.split(' ');
const MINOR_KEYS = 'A♭ E♭ B♭ F C G D A E B F♯ C♯ G♯ D♯ A♯'.split(' ');

/** "A♭ major" for four flats, major. */
export function keyName({ fifths, mode }: { fifths: number; mode: 'major' | 'minor' }): string {
  return `${(mode === 'major' ? MAJOR_KEYS : MINOR_KEYS)[fifths + 7]} ${mode}`;
}
