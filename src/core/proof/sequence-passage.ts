/*
 * A passage the other way round: written bars of a score, and the notes that go to the sequencer, in one picture.
 */
import { stavesOf, writeMusicXml } from '../musicxml';
import { sliceScore, symbolsOf, type PartId, type Score, type ScoreSound } from '../score';
import { beatsOfBar } from '../time';
import type { SequencedFile } from '../to-sequencer';
import type { NoteLink, Passage, PassagePart, PlayedMark } from './passage';

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
  const first = new Map<number, number>();
  for (const played of sequenced.line.bars) if (!first.has(played.bar)) first.set(played.bar, played.start);
  const marksOf = new Map<PartId, PlayedMark[]>();
  const bySymbol = new Map<string, number[]>();
  let id = 0;
  for (const track of sequenced.tracks) {
    if (!parts.includes(track.part)) continue;
    const list = marksOf.get(track.part) ?? [];
    marksOf.set(track.part, list);
    for (const note of track.notes) {
      const { sound } = note;
      const playedStart = first.get(sound.bar);
      if (sound.bar < from || sound.bar >= to || playedStart === undefined) continue;
      const shift = score.bars[sound.bar]!.start - playedStart;
      // Later playings of a repeated bar are the same notes again.
      if (Math.abs(sound.start + shift - sound.written) > 1) continue;
      const mark: PlayedMark = {
        id: id++,
        key: note.key,
        velocity: note.velocity,
        start: note.start + shift,
        end: note.end + shift,
        written: { start: sound.written, end: sound.written + sound.end - sound.start },
      };
      list.push(mark);
      const slot = `${track.part}/${sound.written}/${sound.key}`;
      bySymbol.set(slot, [...(bySymbol.get(slot) ?? []), mark.id]);
    }
  }
  const links: Record<string, NoteLink> = {};
  const soundsOfPart = new Map<PartId, ScoreSound[]>();
  let count = 0;
  const slice = { ...sliceScore(score, parts, from, to), tempos: [], markers: [], swing: [] };
  const partOfNote = new Map(
    slice.parts.flatMap((part) =>
      [...symbolsOf(part)].flatMap(({ symbol }) => symbol.notes.map((note) => [note, part.id] as const)),
    ),
  );
  const musicXml = writeMusicXml(slice, {
    version: '4.0',
    finalBarline: to === score.bars.length,
    noteId: (note, at) => {
      const name = `n${count++}`;
      const part = partOfNote.get(note);
      const written = start + at;
      const played = bySymbol.get(`${part}/${written}/${note.key}`) ?? [];
      links[name] = { played, at: written, articulations: [] };
      const mark = part === undefined ? undefined : marksOf.get(part)?.find(({ id: one }) => one === played[0]);
      if (part !== undefined && mark?.written)
        soundsOfPart.set(part, [
          ...(soundsOfPart.get(part) ?? []),
          { played, ...mark.written, key: note.key, pitch: note.pitch, staff: 1, voice: 1 },
        ]);
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
      return {
        id: part.id,
        name: part.name,
        staves: stavesOf(part),
        lowest: keys.length > 0 ? Math.min(...keys) : 60,
        highest: keys.length > 0 ? Math.max(...keys) : 60,
        played,
        sounds: soundsOfPart.get(part.id) ?? [],
        grid: [],
      };
    }),
    musicXml,
    links,
  };
}
