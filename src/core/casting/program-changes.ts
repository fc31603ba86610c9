/*
 * Programs in the middle of a track: another way of playing, or another instrument that its player takes up.
 */
import { instrumentById, meaningOfProgram, type Instrument, type TechniqueId } from '../instruments';
import { notesByProgram, type NoteId, type PlayedNote, type PlayedTrack } from '../performance';
import type { SoundChangeRule } from '../settings';

/** What the programs of a track say about its notes. */
export interface ProgramChanges {
  techniqueOf: ReadonlyMap<NoteId, TechniqueId>;
  /** Notes that the player takes up another instrument for. */
  doublingOf: ReadonlyMap<NoteId, Instrument>;
  /** Instruments that may as well be somebody else's, in the order they come. */
  doubtful: readonly DoubtfulInstrument[];
}

export interface DoubtfulInstrument {
  instrument: Instrument;
  notes: readonly PlayedNote[];
}

const NOTHING: ProgramChanges = { techniqueOf: new Map(), doublingOf: new Map(), doubtful: [] };

/**
 * @param notes of the track, as far as they are music
 * @param rule what was decided about a track that was played; undefined: instruments of the player's own chair are taken
 *   up, others are asked about
 */
export function programChanges(
  track: Pick<PlayedTrack, 'programs' | 'written'>,
  notes: readonly PlayedNote[],
  instrument: Instrument,
  rule: SoundChangeRule | undefined,
): ProgramChanges {
  if (track.written) return { ...NOTHING, doublingOf: saidByScore(track.written) };
  if (rule === 'one' || instrument.unpitched || track.programs.length < 2) return NOTHING;
  const byProgram = notesByProgram(track, notes);
  if (byProgram.size < 2) return NOTHING;
  const own = ownProgram([...byProgram.keys()], instrument);
  const techniqueOf = new Map<NoteId, TechniqueId>();
  const doublingOf = new Map<NoteId, Instrument>();
  const doubtful: DoubtfulInstrument[] = [];
  for (const [program, played] of byProgram) {
    if (program === own) continue;
    const meaning = meaningOfProgram(program, instrument);
    if (meaning.kind === 'technique') for (const { id } of played) techniqueOf.set(id, meaning.technique);
    if (meaning.kind !== 'instrument') continue;
    if (meaning.chair || rule === 'taken-up') for (const { id } of played) doublingOf.set(id, meaning.instrument);
    if (!meaning.chair) doubtful.push({ instrument: meaning.instrument, notes: played });
  }
  return { techniqueOf, doublingOf, doubtful: rule === undefined ? doubtful : [] };
}

function saidByScore({ doublingOf }: NonNullable<PlayedTrack['written']>): ReadonlyMap<NoteId, Instrument> {
  return new Map([...doublingOf].map(([note, id]) => [note, instrumentById(id)]));
}

/** The program of the instrument the track was taken for: one that sounds like it, else the first. */
function ownProgram(programs: readonly number[], { programs: usual }: Instrument): number {
  return programs.find((program) => usual.includes(program)) ?? programs[0]!;
}
