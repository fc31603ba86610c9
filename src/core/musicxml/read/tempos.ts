/* Tempo marks of all parts as one list: metronome marks, sounds, words, and metric modulations. */
import { valueLength, type TempoMark } from '../../score';
import type { Bar, WrittenUnits } from '../../time';
import { directionsOf } from './directions';
import type { RawDirection, RawPart } from './raw';

type Said<K extends RawDirection['kind']> = Extract<RawDirection, { kind: K }> & { at: WrittenUnits };

export function temposOf(parts: readonly RawPart[], bars: readonly Bar[]): TempoMark[] {
  const all = parts
    .flatMap((part) => directionsOf(part, bars).map(({ direction, at }) => ({ ...direction, at })))
    .sort((a, b) => a.at - b.at);
  const marks = new Map<WrittenUnits, TempoMark>();
  for (const one of all) if (one.kind === 'tempo') addMark(marks, one);
  if (!marks.has(0)) marks.set(0, { at: 0, bpm: inOrder(marks)[0]?.bpm ?? 120, shown: false });
  for (const one of all) if (one.kind === 'modulation') addModulation(marks, one);
  for (const one of all) if (one.kind === 'tempo-words') addWords(marks, one);
  return inOrder(marks);
}

const inOrder = (marks: ReadonlyMap<WrittenUnits, TempoMark>) => [...marks.values()].sort((a, b) => a.at - b.at);

/** What a mark says that is printed counts more than what is only played. */
function addMark(marks: Map<WrittenUnits, TempoMark>, { at, bpm, shown, words }: Said<'tempo'>): void {
  const there = marks.get(at);
  if (there && (there.shown || !shown)) return;
  marks.set(at, { at, bpm, shown: shown || words !== undefined, ...(words && { words }) });
}

/** The old value lasts as long as the new one. */
function addModulation(marks: Map<WrittenUnits, TempoMark>, { at, before: old, after, bpm }: Said<'modulation'>): void {
  const there = marks.get(at);
  if (there?.equals) return;
  const now = inOrder(marks).findLast((mark) => mark.at < at)?.bpm ?? marks.get(0)!.bpm;
  const next = bpm ?? there?.bpm ?? (now * valueLength(after.type, after.dots)) / valueLength(old.type, old.dots);
  marks.set(at, { ...there, at, bpm: next, shown: true, equals: { before: old, after } });
}

function addWords(marks: Map<WrittenUnits, TempoMark>, { at, words }: Said<'tempo-words'>): void {
  const there = marks.get(at);
  if (there) there.words ??= words;
  else marks.set(at, { at, words, bpm: inOrder(marks).findLast((mark) => mark.at <= at)!.bpm, shown: false });
}
