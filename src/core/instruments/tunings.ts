import type { MidiKey } from '../time';
import type { InstrumentId } from './catalogue';

export interface Tuning {
  id: string;
  name: string;
  /** Sounding keys of the open strings, the lowest string first. */
  strings: readonly MidiKey[];
}

/* Usual tunings: guitar handbooks, from memory; the first of each instrument is its ordinary one. */
const GUITAR: readonly Tuning[] = [
  { id: 'guitar', name: 'E A D G B E', strings: [40, 45, 50, 55, 59, 64] },
  { id: 'guitar-drop-d', name: 'D A D G B E (drop D)', strings: [38, 45, 50, 55, 59, 64] },
  { id: 'guitar-open-g', name: 'D G D G B D (open G)', strings: [38, 43, 50, 55, 59, 62] },
  { id: 'guitar-open-d', name: 'D A D F♯ A D (open D)', strings: [38, 45, 50, 54, 57, 62] },
  { id: 'guitar-dadgad', name: 'D A D G A D', strings: [38, 45, 50, 55, 57, 62] },
  { id: 'guitar-half-down', name: 'E♭ A♭ D♭ G♭ B♭ E♭ (half a tone down)', strings: [39, 44, 49, 54, 58, 63] },
  { id: 'guitar-seven', name: 'B E A D G B E (seven strings)', strings: [35, 40, 45, 50, 55, 59, 64] },
];
const BASS: readonly Tuning[] = [
  { id: 'bass', name: 'E A D G', strings: [28, 33, 38, 43] },
  { id: 'bass-five', name: 'B E A D G (five strings)', strings: [23, 28, 33, 38, 43] },
  { id: 'bass-drop-d', name: 'D A D G (drop D)', strings: [26, 33, 38, 43] },
  { id: 'bass-six', name: 'B E A D G C (six strings)', strings: [23, 28, 33, 38, 43, 48] },
];

const TUNINGS: Partial<Record<InstrumentId, readonly Tuning[]>> = {
  guitar: GUITAR,
  'acoustic-guitar': GUITAR,
  'electric-guitar': GUITAR,
  'bass-guitar': BASS,
  ukulele: [
    { id: 'ukulele', name: 'G C E A', strings: [67, 60, 64, 69] },
    { id: 'ukulele-low-g', name: 'G C E A (low G)', strings: [55, 60, 64, 69] },
  ],
  mandolin: [{ id: 'mandolin', name: 'G D A E', strings: [55, 62, 69, 76] }],
  banjo: [
    { id: 'banjo', name: 'G D G B D (five strings)', strings: [67, 50, 55, 59, 62] },
    { id: 'banjo-tenor', name: 'C G D A (tenor)', strings: [48, 55, 62, 69] },
  ],
};

/** Tunings an instrument is known in; none for one without frets. */
export function tuningsOf(instrument: InstrumentId): readonly Tuning[] {
  return TUNINGS[instrument] ?? [];
}
