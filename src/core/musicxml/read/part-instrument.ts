import { CATALOGUE, instrumentById, recognise, SURE_ENOUGH, type Instrument } from '../../instruments';
import type { Doubling } from '../../score';
import type { MidiKey, Semitones } from '../../time';
import type { RawInstrument, RawNote, RawPart } from './raw';

/**
 * Which instrument of the catalogue a part is: by the standard's sound id where it is unambiguous, by name,
 * transposition and range where several share one.
 */
export function partInstrument(
  part: Pick<RawPart, 'name' | 'sound' | 'program' | 'instruments'>,
  keys: readonly MidiKey[],
  transposition: number,
  unpitched: boolean,
): Instrument {
  const bySound = part.sound ? CATALOGUE.filter((one) => one.sound === part.sound && one.unpitched === unpitched) : [];
  const program = part.program ?? [...part.instruments.values()].find((one) => one.program !== null)?.program ?? null;
  const { candidates } = recognise({
    name: part.name,
    program,
    percussionChannel: unpitched,
    keys: unpitched ? [] : keys,
    mostAtOnce: 1,
  });
  const named = candidates.filter((one) => one.confidence >= SURE_ENOUGH).map((one) => instrumentById(one.instrument));
  const both = named.find((one) => bySound.includes(one));
  if (both) return both;
  const usual = bySound.find((one) => one.transposition === transposition) ?? bySound[0];
  const best = named.find((one) => one.unpitched === unpitched);
  // A name says more than a sound id, which programs often set to the nearest one they have.
  return best ?? usual ?? instrumentById('unknown');
}

/** The instruments of a part that its notes name beside its own, and which of them a note names. */
export interface FurtherInstruments {
  doublings: Doubling[];
  doublingOf(note: RawNote): number | undefined;
}

/** @param transpositions written minus sounding, by bar */
export function furtherInstruments(
  part: RawPart,
  transpositions: readonly { semitones: Semitones }[],
): FurtherInstruments {
  const first = new Map<string, { bar: number; notes: RawNote[] }>();
  part.measures.forEach(({ notes }, bar) => {
    for (const note of notes) {
      if (note.rest || note.instrument === null || !part.instruments.has(note.instrument)) continue;
      const used = first.get(note.instrument) ?? { bar, notes: [] };
      first.set(note.instrument, used);
      used.notes.push(note);
    }
  });
  const declared = [...part.instruments.keys()];
  const allNamed = part.measures.every(({ notes }) => notes.every((note) => note.rest || note.instrument !== null));
  // The part's own is the first that is declared, unless everything is played on others.
  const own = allNamed ? declared.find((id) => first.has(id)) : declared[0];
  const further = declared.filter((id) => id !== own && first.has(id) && !isSame(part.instruments.get(id)!, own));
  const doublings = further.map((id): Doubling => {
    const { name, sound, program } = part.instruments.get(id)!;
    const { bar } = first.get(id)!;
    const instrument = partInstrument(
      { name, sound, program, instruments: new Map() },
      [],
      transpositions[bar]?.semitones ?? 0,
      false,
    );
    return {
      name: name || instrument.names.en,
      instrument: instrument.id,
      program: program ?? instrument.programs[0] ?? null,
    };
  });
  return {
    doublings,
    doublingOf: ({ instrument }) => {
      const at = instrument === null ? -1 : further.indexOf(instrument);
      return at < 0 ? undefined : at;
    },
  };

  function isSame({ name, program }: RawInstrument, id: string | undefined): boolean {
    const other = id === undefined ? undefined : part.instruments.get(id);
    return other !== undefined && other.name === name && other.program === program;
  }
}
