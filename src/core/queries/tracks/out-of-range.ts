import type { NoteId, PartId, TrackId } from '../../base';
import { instrumentById, type InstrumentId } from '../../instruments';
import { queryKind, type Doubt, type Remedy } from '../query-kind';

/** Notes the instrument does not have. */
export interface OutOfRange extends Doubt<'out-of-range'> {
  part: PartId;
  played: NoteId[];
  facts: {
    /** Semitones by which all of the part, or all notes of the key, would be within the range. */
    within: { whole: boolean; semitones: number } | null;
    tracks: TrackId[];
    /** Instruments that have every note of the part. */
    others: InstrumentId[];
  };
}

export const outOfRange = queryKind<OutOfRange>({
  kind: 'out-of-range',
  remedies: ({ part, played, facts }) => [
    ...(facts.within ? [octave(facts.within, part, played)] : []),
    ...facts.others.map((instrument): Remedy => ({
      label: `Write it for ${instrumentById(instrument).names.en}`,
      decision: { kind: 'assignInstrument', tracks: facts.tracks, instrument },
    })),
  ],
});

function octave({ whole, semitones }: { whole: boolean; semitones: number }, part: PartId, notes: NoteId[]): Remedy {
  const size = Math.abs(semitones) === 12 ? 'an octave' : 'two octaves';
  const words = `${size} ${semitones > 0 ? 'higher' : 'lower'}`;
  return {
    label: whole ? `The whole part ${words}` : words[0]!.toUpperCase() + words.slice(1),
    decision: { kind: 'shiftNotes', part, notes, semitones },
  };
}
