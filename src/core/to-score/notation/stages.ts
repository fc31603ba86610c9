/* The stages that put symbols on paper: strings and frets, symbols and clefs, repeats. */
import type { CastPart } from '../../casting';
import type { Clef } from '../../instruments';
import type { Part, Score, Tablature } from '../../score';
import type { Bar } from '../../time';
import type { PartDrums } from '../layout/part-drums';
import type { StaffNotes } from '../layout/staff-notes';
import { stage } from '../../base/stage';
import { assemblePart } from './assemble-part';
import { fret, type Fretting } from './fretting';
import { codesOf, findRepeats } from './repeats';

const NO_FRETTING: Fretting = { fingerings: new Map(), impossible: [] };

export const fretting = stage(
  'fretting',
  ({ staves, tablature }: { staves: readonly StaffNotes[]; tablature: Tablature | null }): Fretting =>
    tablature && tablature.show !== 'notation'
      ? fret(
          staves.flatMap((staff) => staff.notes),
          tablature,
        )
      : NO_FRETTING,
);

/** A part with all its symbols, before marks. */
export const assembled = stage(
  'assembled',
  ({
    part,
    staves,
    places,
    concertKeys,
    keyBars,
    bars,
    drums,
    at,
    tablature,
    fretting: { fingerings },
    clefs = {},
    fixedClefs = false,
  }: {
    part: CastPart;
    staves: readonly StaffNotes[];
    places: readonly number[][];
    concertKeys: readonly number[];
    keyBars: readonly number[];
    bars: readonly Bar[];
    drums: PartDrums;
    /** Where the part stands in the score. */
    at: number;
    tablature: Tablature | null;
    fretting: Fretting;
    clefs: Readonly<Record<number, Clef>> | undefined;
    fixedClefs: true | false | undefined;
  }): Part =>
    assemblePart(part, staves, places, { fifths: concertKeys, bars: keyBars }, bars, {
      channel: playbackChannel(at),
      fixedClefs,
      clefs,
      drums,
      tablature,
      fingerings,
    }),
);

export const barCodes = stage('bar codes', ({ part }: { part: Part }) => codesOf(part));

/** Stretches that come again in all parts. @param codes of each part's bars */
export const repeats = stage(
  'repeats',
  ({
    parts,
    codes,
    bars,
    keys,
    tempos,
    markers,
  }: Pick<Score, 'bars' | 'keys' | 'tempos' | 'markers'> & {
    parts: readonly Part[];
    codes: readonly (readonly string[])[];
  }) => findRepeats({ parts, bars, keys, tempos, markers }, codes),
);

/** Channels 1–16 without 10, in turn. */
function playbackChannel(part: number): number {
  const pitched = (part % 15) + 1;
  return pitched < 10 ? pitched : pitched + 1;
}
