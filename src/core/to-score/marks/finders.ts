/* How each class of marks is found in the playing of a part. */
import type { Articulation, DynamicMark, Hairpin, PedalMark, Slur } from '../../score';
import type { MarkStrength } from '../../settings';
import type { Seconds, WrittenUnits } from '../../time';
import { findAccents, findStaccato } from './articulations';
import type { Breath } from './breaths';
import { findDynamics } from './dynamics';
import type { loudnessOf } from './loudness';
import type { PlayedPart, Strike } from './marked-part';
import { findPedals } from './pedals';
import { findSlurs } from './slurs';

export interface MarkContext {
  barOf: (at: WrittenUnits) => number;
  /** Clock time from one written place to another. */
  secondsBetween: (from: WrittenUnits, to: WrittenUnits) => Seconds;
  end: WrittenUnits;
  /** Of the whole score. */
  breaths: readonly Breath[];
}

/** What is looked at. */
export interface Looking extends MarkContext {
  part: PlayedPart;
  loudness: ReturnType<typeof loudnessOf>;
  /** Signs and hairpins of each strength: they are found together. */
  memo: Map<MarkStrength, ReturnType<typeof findDynamics>>;
}

export interface Finder<T> {
  look(looking: Looking, strength: MarkStrength): readonly T[];
  /** Where the rule that decides about it holds. */
  at(one: T): WrittenUnits;
}

export type NoteSign = Articulation | 'breath' | 'caesura';

/** A sign on the notes of a strike. */
interface FoundOnNote {
  sign: NoteSign;
  strike: Strike;
}

function dynamicsAndHairpins({ loudness, barOf, memo }: Looking, strength: MarkStrength) {
  const known = memo.get(strength) ?? findDynamics(loudness, strength, barOf);
  memo.set(strength, known);
  return known;
}

const dynamics: Finder<DynamicMark> = {
  look: (looking, strength) => dynamicsAndHairpins(looking, strength).dynamics,
  at: (mark) => mark.at,
};
const hairpins: Finder<Hairpin> = {
  look: (looking, strength) => dynamicsAndHairpins(looking, strength).hairpins,
  at: (line) => line.start,
};
const slurs: Finder<Slur> = {
  look: ({ part, barOf }, strength) => findSlurs(part, strength, barOf),
  at: (slur) => slur.start,
};
const pedal: Finder<PedalMark> = { look: ({ part, end }) => findPedals(part, end), at: (line) => line.start };

/** Of what stands beside the staff or runs over several notes. */
export const LINE_FINDERS = { dynamics, hairpins, slurs, pedal };

const onStrikes = (sign: NoteSign, strikes: readonly Strike[]) => strikes.map((strike) => ({ sign, strike }));
const where = ({ strike }: FoundOnNote) => strike.start;

const staccato: Finder<FoundOnNote> = {
  look: ({ part, secondsBetween }, strength) =>
    onStrikes(
      'staccato',
      findStaccato(part, strength, ({ start, end }) => secondsBetween(start, end)),
    ),
  at: where,
};
const accents: Finder<FoundOnNote> = {
  look: ({ part }, strength) => onStrikes('accent', findAccents(part, strength)),
  at: where,
};
/** After the note that ends where everybody is silent. */
const breaths: Finder<FoundOnNote> = {
  look({ part, breaths: silences }) {
    const ending = new Map(part.strikes.map((strike) => [strike.end, strike]));
    return silences.flatMap(({ at, kind }) => (ending.has(at) ? [{ sign: kind, strike: ending.get(at)! }] : []));
  },
  at: where,
};

/** Of signs on notes. */
export const NOTE_FINDERS = { staccato, accents, breaths };
export const NOTE_CLASSES = ['staccato', 'accents', 'breaths'] as const satisfies (keyof typeof NOTE_FINDERS)[];
