import { NO_LINES, type Part, type Score } from '../core/score';
import { layBars, QUARTER, type Bar } from '../core/time';

/* Small scores made by hand for tests. */

export function plainPart(bars: Part['bars'], more: Partial<Part> = {}): Part {
  return {
    id: 't1', name: 'Flute', abbreviation: 'Fl.', instrument: 'flute', transposition: 0, transpositionSteps: 0, clefs: ['treble'], clefChanges: [], unpitched: false, struck: [], solo: false, channel: 1, program: 74,
    writtenKeys: [0], staffLines: 5, tablature: null, lines: NO_LINES, bars, ...more,
  };
}

export function plainScore(parts: Part[], bars: Bar[] = layBars([{ at: 0, beats: 4, beatType: 4 }], 4 * QUARTER * Math.max(1, parts[0]?.bars.length ?? 1)), more: Partial<Score> = {}): Score {
  return { title: '', composer: '', rights: '', bars, signs: {}, keys: [{ bar: 0, fifths: 0, mode: 'major' }], tempos: [], markers: [], swing: null, parts, ...more };
}
