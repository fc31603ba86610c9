import { describe, expect, it } from 'vitest';
import { inFull, LONG } from '../src/testing/tiers';
import { LEAD_KINDS, leadCases } from './lead-cases';
import { countLeads, sumOf } from './leads';

// Floors on a seed that docs/accuracy.md does not report on. Rhythms that look like leads are never taken for them.
const FLOORS: Record<(typeof LEAD_KINDS)[number], { wrong: number; onsets: number; long?: true }> = {
  'corpus, nobody early': { wrong: 0, onsets: 0.998, long: true },
  'corpus, half the tracks early': { wrong: 1, onsets: 0.95, long: true },
  'corpus, everybody early by a time of his own': { wrong: 4, onsets: 0.8, long: true },
  'orchestra, some early by a sixteenth': { wrong: 0, onsets: 0.99 },
  'bass and off-beat chords': { wrong: 0, onsets: 0.99 },
  'bass and strummed guitar': { wrong: 0, onsets: 0.99 },
  'loose swing': { wrong: 0, onsets: 0.99 },
  'soloist behind the beat': { wrong: 0, onsets: 0.99 },
  'the whole file late': { wrong: 0, onsets: 0.99 },
  'the whole file early': { wrong: 0, onsets: 0.99 },
  // One of the four is late by a fifth of a quarter: as well early by a twelfth and off the beat, and so it is believed.
  'a drawn file late': { wrong: 0, onsets: 0.7 },
};

describe('leads that were played, and none that were not', () => {
  const cases = leadCases(21);
  for (const kind of LEAD_KINDS) {
    const { wrong, onsets, long } = FLOORS[kind];
    (long ? inFull : it)(kind, () => {
      const of = cases.filter((one) => one.kind === kind).slice(0, LONG ? undefined : 3);
      const count = sumOf(of.map((one) => countLeads(one)));
      expect(count.takenWrongly).toBeLessThanOrEqual(wrong);
      expect(count.onsets / count.notes).toBeGreaterThanOrEqual(onsets);
    });
  }
});
