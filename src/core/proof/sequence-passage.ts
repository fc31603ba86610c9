/*
 * A passage the other way round: written bars of a score, and the notes that go to the sequencer, in one picture.
 */
import { writeMei } from '../mei';
import { sliceScore, soundsOf, stavesOf, symbolsOf, type PartId, type Score } from '../score';
import { beatsOfBar } from '../time';
import type { SequencedFile } from '../to-sequencer';
import { takenArticulations, type NoteLink, type Passage, type PassagePart, type PlayedMark } from './passage';

/**
 * @param parts in the order wanted
 * @param from first written bar
 * @param to the one after the last; of bars played several times the first playing is shown
 */
export function sequencePassage(
  score: Score,
  sequenced: SequencedFile,
  parts: readonly PartId[],
  from: number,
  to: number,
): Passage {
  const bars = score.bars.slice(from, to);
  const start = bars[0]!.start;
  const end = bars.at(-1)!.start + bars.at(-1)!.length;
  const first = new Map<number, number>();
  for (const played of sequenced.line.bars) if (!first.has(played.bar)) first.set(played.bar, played.start);
  const marksOf = new Map<PartId, PlayedMark[]>();
  // What is played beside the notes, as the rest of a trill, has numbers that no note has.
  let beside = 0;
  for (const track of sequenced.tracks) {
    if (!parts.includes(track.part)) continue;
    const list = marksOf.get(track.part) ?? [];
    marksOf.set(track.part, list);
    const known = new Set(list.map(({ id }) => id));
    for (const note of track.notes) {
      const { sound } = note;
      const playedStart = first.get(sound.bar);
      if (sound.bar < from || sound.bar >= to || playedStart === undefined) continue;
      const shift = score.bars[sound.bar]!.start - playedStart;
      // Later playings of a repeated bar are the same notes again.
      if (Math.abs(sound.start + shift - sound.written) > 1) continue;
      const [own] = sound.played;
      const further = own === undefined || known.has(own);
      const mark: PlayedMark = {
        id: further ? --beside : own,
        key: note.key,
        velocity: note.velocity,
        start: note.start + shift,
        end: note.end + shift,
        written: { start: sound.written, end: sound.written + sound.end - sound.start },
        ...(further && own !== undefined && { of: own }),
      };
      known.add(mark.id);
      list.push(mark);
    }
  }
  const links: Record<string, NoteLink> = {};
  let count = 0;
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
    noteId: (note, at) => {
      const name = `n${count++}`;
      links[name] = { played: note.played, at: start + at, articulations: articulationsOf.get(note) ?? [] };
      return name;
    },
  });
  return {
    from,
    to,
    start,
    bars: bars.map(({ number, start: barStart, length, implicit }) => ({ number, start: barStart, length, implicit })),
    beats: bars.flatMap((bar) => beatsOfBar(bar).map((beat) => beat.start)),
    parts: slice.parts.map((part): PassagePart => {
      const played = marksOf.get(part.id) ?? [];
      const keys = played.map((mark) => mark.key);
      const whole = score.parts.find(({ id }) => id === part.id)!;
      return {
        id: part.id,
        name: part.name,
        staves: stavesOf(part),
        lowest: keys.length > 0 ? Math.min(...keys) : 60,
        highest: keys.length > 0 ? Math.max(...keys) : 60,
        played,
        sounds: soundsOf(whole, score.bars).filter(({ start: at }) => at >= start && at < end),
        grid: [],
      };
    }),
    mei,
    links,
  };
}
