/*
 * A passage of the interlinear view: the same bars as played and as written.
 *
 * Takes a conversion and its performance; gives the engraving (MEI) of the chosen parts and bars, every played note of theirs
 * with its written place, and the links between both.
 */
import { writeMei } from '../mei';
import type { NoteId, Performance } from '../performance';
import {
  sliceScore,
  soundsOf,
  symbolsOf,
  type Articulation,
  type PartId,
  type ScoreSound,
  type SymbolInBar,
  stavesOf,
} from '../score';
import { swung, type Conversion } from '../to-score';
import { lastNotAfter, playedUnits, type MidiKey, type PlayedUnits, type WrittenUnits } from '../time';

export interface PlayedMark {
  id: NoteId;
  key: MidiKey;
  velocity: number;
  /** As received, lead and all. */
  start: PlayedUnits;
  end: PlayedUnits;
  /** Where it is written; null when the written side does not have it. */
  written: { start: WrittenUnits; end: WrittenUnits } | null;
  /** Nobody played it here: it was put in by hand, or came from another part. */
  added?: true;
  /** Of several that are played for one note, a further one: the mark that stands for the note. */
  of?: NoteId;
}

export interface PassagePart {
  id: PartId;
  name: string;
  staves: number;
  lowest: MidiKey;
  highest: MidiKey;
  played: PlayedMark[];
  /** What is written in these bars. */
  sounds: ScoreSound[];
  /** Places of the fitted grid in these bars, without the beats. */
  grid: PlayedUnits[];
}

export interface NoteLink {
  played: NoteId[];
  /** Where the symbol stands. */
  at: WrittenUnits;
  articulations: readonly Articulation[];
}

export interface Passage {
  /** First bar index, and the index after the last. */
  from: number;
  to: number;
  start: WrittenUnits;
  bars: { number: number; start: WrittenUnits; length: WrittenUnits; implicit: boolean }[];
  beats: WrittenUnits[];
  parts: PassagePart[];
  mei: string;
  /** What stands behind each engraved note, by the note's identifier in `mei`. */
  links: Record<string, NoteLink>;
}

/**
 * @param parts in the order wanted
 * @param from first bar index
 * @param to index after the last bar
 * @param suggestionColour of marks that are only suggested; without one they are not shown
 */
export function passageOf(
  conversion: Conversion,
  performance: Performance,
  parts: readonly PartId[],
  from: number,
  to: number,
  suggestionColour?: string,
): Passage {
  const { score } = conversion;
  const bars = score.bars.slice(from, to);
  const start = bars[0]!.start;
  const end = bars.at(-1)!.start + bars.at(-1)!.length;
  const beats = [...conversion.line.starts].filter((beat) => beat >= start && beat < end);
  const links: Record<string, NoteLink> = {};
  let count = 0;
  // Tempo and markers are shown by the view itself, above the bars.
  const slice = { ...sliceScore(score, parts, from, to), tempos: [], markers: [], swing: [] };
  const articulationsOf = new Map(
    slice.parts.flatMap((part) =>
      [...symbolsOf(part)].flatMap(({ symbol }) =>
        symbol.notes.map((note) => [note, takenArticulations(symbol)] as const),
      ),
    ),
  );
  const mei = writeMei(slice, {
    finalBarline: to === score.bars.length,
    ...(suggestionColour && { suggestionColour }),
    noteId: (note, at) => {
      const id = `n${count++}`;
      links[id] = { played: note.played, at: start + at, articulations: articulationsOf.get(note) ?? [] };
      return id;
    },
  });
  return {
    from,
    to,
    start,
    bars: bars.map(({ number, start: barStart, length, implicit }) => ({ number, start: barStart, length, implicit })),
    beats,
    parts: slice.parts.map((part) => passagePart(part.id)),
    mei,
    links,
  };

  function passagePart(id: PartId): PassagePart {
    const part = score.parts.find((candidate) => candidate.id === id)!;
    const report = conversion.reports.find((candidate) => candidate.part === id)!;
    const cast = conversion.casting.parts.find((candidate) => candidate.id === id)!;
    const sounds = soundsOf(part, score.bars);
    const written = new Map(sounds.flatMap((sound) => sound.played.map((note) => [note, sound] as const)));
    const units = (tick: number) => playedUnits(tick, performance.ticksPerQuarter);
    const own = new Set(cast.notes.map((note) => note.id));
    const added = sounds.flatMap((sound) =>
      sound.played.filter((id) => !own.has(id)).map((id) => addedMark(id, sound)),
    );
    const played = cast.notes
      .map((note): PlayedMark => ({
        id: note.id,
        key: note.key,
        velocity: note.velocity,
        start: units(note.start),
        end: units(note.end),
        written: written.get(note.id) ?? null,
      }))
      .concat(added)
      .filter((mark) => {
        const first = Math.min(mark.start, mark.written?.start ?? Infinity);
        const last = Math.max(mark.end, mark.written?.end ?? 0);
        return first < end && last > start;
      });
    const keys = played.map((mark) => mark.key);
    return {
      id,
      name: part.name,
      staves: stavesOf(part),
      lowest: keys.length > 0 ? Math.min(...keys) : 60,
      highest: keys.length > 0 ? Math.max(...keys) : 60,
      played,
      sounds: sounds.filter((sound) => sound.start < end && sound.end > start),
      grid: gridPlaces(report.divisions),
    };
  }

  /** Where the fitted grid sounds: in a swinging piece its eighths are long and short. */
  function gridPlaces(divisions: readonly number[]): PlayedUnits[] {
    const { line, swing } = conversion;
    return beats.flatMap((beat) => {
      const b = lastNotAfter(line.starts, beat);
      const { length } = line.beats[b]!;
      const division = divisions[b] ?? 1;
      return Array.from({ length: division - 1 }, (_, k) => swung(beat + ((k + 1) * length) / division, swing, line));
    });
  }
}

/** A note nobody played here, where it is written. */
function addedMark(id: NoteId, { key, start, end }: ScoreSound): PlayedMark {
  return { id, key, velocity: ADDED_VELOCITY, start, end, written: { start, end }, added: true };
}

const ADDED_VELOCITY = 64;

export function takenArticulations({ marks }: SymbolInBar): readonly Articulation[] {
  return marks?.articulations?.filter((one) => !marks.suggested?.includes(one)) ?? [];
}
