import { say } from '../../words';
import { groupBy, type NoteId, type PartId, type TrackId } from '../../base';
import type { Decision } from '../../decisions';
import { instrumentById, type InstrumentId, spokenName } from '../../instruments';
import { itIsRight, queryKind, type Doubt, type Remedy } from '../query-kind';

/** Notes the instrument does not have. */
export interface OutOfRange extends Doubt<'out-of-range'> {
  part: PartId;
  played: NoteId[];
  facts: {
    tracks: TrackId[];
    /** An octave by which all of the part would be within the range. */
    whole: { notes: NoteId[]; semitones: number } | null;
    /** Octaves by which each strange note would be within it. */
    single: { note: NoteId; semitones: number }[] | null;
    /** Instruments of its kind that have every note of the part. */
    others: InstrumentId[];
    /** So many notes are beyond it that the instrument is in doubt. */
    mostly: boolean;
  };
}

export const outOfRange = queryKind<OutOfRange>({
  kind: 'out-of-range',
  effect: 'pitch',
  station: 'page',
  remedies: (query) => {
    const { part, facts } = query;
    const others = facts.others.map((instrument): Remedy => ({
      label: say('queries.writeItForEn', { en: spokenName(instrumentById(instrument)) }),
      decision: { kind: 'assignInstrument', tracks: facts.tracks, instrument },
    }));
    const notes = facts.single ? [singleOctaves(part, facts.single)] : [];
    return [
      ...(facts.whole ? [wholeOctave(part, facts.whole)] : []),
      ...(facts.mostly ? [...others, ...notes] : [...notes, ...others]),
      itIsRight(query, say('queries.keepAsWritten')),
    ];
  },
});

function wholeOctave(part: PartId, { notes, semitones }: { notes: NoteId[]; semitones: number }): Remedy {
  return {
    label: say('queries.moveTheWholePartAnOctaveHigher', { semitonesOver0: semitones > 0 }),
    like: say('queries.theWholePartByOctaves'),
    decision: { kind: 'shiftNotes', part, notes, semitones },
  };
}

/** The strange notes alone, each by its own octave. */
function singleOctaves(part: PartId, single: NonNullable<OutOfRange['facts']['single']>): Remedy {
  const [first, ...also] = [...groupBy(single, ({ semitones }) => semitones)].map(([semitones, notes]): Decision => ({
    kind: 'shiftNotes',
    part,
    notes: notes.map(({ note }) => note),
    semitones,
  }));
  const ways = new Set(single.map(({ semitones }) => (semitones > 0 ? ' higher' : ' lower')));
  const way = ways.size === 1 ? [...ways][0]! : '';
  const octaves = single.every(({ semitones }) => Math.abs(semitones) === 12) ? say('queries.anOctave') : 'octaves';
  return {
    label: say('queries.moveOnlyThisNoteOctavesWay', { single: single.length, octaves, way }),
    like: say('queries.singleNotesByOctaves'),
    decision: first!,
    also,
  };
}
