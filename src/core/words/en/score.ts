export const score = {
  namesOnTheLineOfFifths:
    'F♭♭ C♭♭ G♭♭ D♭♭ A♭♭ E♭♭ B♭♭ F♭ C♭ G♭ D♭ A♭ E♭ B♭ F C G D A E B F♯ C♯ G♯ D♯ A♯ E♯ B♯ F♯♯ C♯♯ G♯♯ D♯♯ A♯♯ E♯♯ B♯♯',
  majorKey: '{tonic} major',
  minorKey: '{tonic} minor',
  tonicsOfMinorKeys: 'A♭ E♭ B♭ F C G D A E B F♯ C♯ G♯ D♯ A♯',
} as const;
