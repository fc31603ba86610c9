/* Which bars of a received part are not kept: those in which something was decided about their rhythm or their notes. */
import type { NoteId, TrackId } from '../../base';
import { soundsOf, type Part } from '../../score';
import type { AnewAspect, BarSpan, ConversionSettings } from '../../settings';
import { barIndexAt, type Bar } from '../../time';
import type { LaidOutPart } from '../layout/lay-out-parts';

/** Whether a side of the writing was decided to be the engine's, for all parts or for one. */
export function isAnew({ anew }: Pick<ConversionSettings, 'anew'>, aspect: AnewAspect, part: string | null): boolean {
  return anew.some((one) => one.aspect === aspect && (one.part === null || one.part === part));
}

/** @returns null when nothing of the part can be kept */
export function anewBars(
  laidOut: LaidOutPart,
  source: Part,
  settings: ConversionSettings,
  bars: readonly Bar[],
): { bars: ReadonlySet<number> } | null {
  const { part } = laidOut;
  if (isWhollyAnew(part.id, part.tracks[0]!, settings) || isOtherwiseStruck(part, source, settings)) return null;
  const anew = new Set<number>();
  for (const { bars: span } of [...(settings.grids[part.id] ?? []), ...(settings.lengths[part.id] ?? [])])
    for (let bar = span!.from; bar < Math.min(span!.to, bars.length); bar++) anew.add(bar);
  const starts = bars.map((bar) => bar.start);
  const sounds = soundsOf(source, bars.slice(0, source.bars.length));
  for (const bar of editedBars(laidOut, sounds, settings, starts)) anew.add(bar);
  growToTies(anew, sounds, starts);
  // Bars beyond the score's own have nothing to keep.
  for (let bar = source.bars.length; bar < bars.length; bar++) anew.add(bar);
  return { bars: anew };
}

/** Drums that are to be read by another map, or written as drums at all; a drum that became an instrument with pitches. */
function isOtherwiseStruck(
  { id, tracks, instrument }: LaidOutPart['part'],
  source: Part,
  settings: ConversionSettings,
) {
  if (!instrument.unpitched) return source.unpitched;
  const asked = settings.drumMaps[id] !== undefined || settings.drumKeys[id] !== undefined;
  const decided = settings.instruments[tracks[0]!] !== undefined && !source.unpitched;
  return asked || decided || isAnew(settings, 'percussion', id);
}

/** Bars that hold, or held, a note somebody changed, and those of notes that are no music here. */
function editedBars(
  { part, staves }: LaidOutPart,
  sounds: ReturnType<typeof soundsOf>,
  settings: ConversionSettings,
  starts: readonly number[],
): number[] {
  const edited = new Set(
    settings.edits[part.id]?.flatMap((edit) => ('with' in edit ? [edit.note, edit.with] : [edit.note])),
  );
  const there = new Set<NoteId>(part.notes.map(({ id }) => id));
  const before = sounds.filter(({ played }) => played.some((id) => edited.has(id) || !there.has(id)));
  const after = edited.size === 0 ? [] : staves.flatMap(({ notes }) => notes.filter(({ id }) => edited.has(id)));
  return [...before, ...after].map(({ start }) => barIndexAt(starts, start));
}

function isWhollyAnew(id: LaidOutPart['part']['id'], track: TrackId, settings: ConversionSettings): boolean {
  const whole = (list: readonly { bars?: BarSpan }[] | undefined) =>
    list?.some(({ bars }) => bars === undefined) ?? false;
  return (
    whole(settings.grids[id]) ||
    whole(settings.lengths[id]) ||
    settings.closeGaps[id] !== undefined ||
    settings.voices[id] !== undefined ||
    settings.handSplits[id] !== undefined ||
    settings.staves[id] !== undefined ||
    settings.takenUp[id] !== undefined ||
    Boolean(settings.leads[track]) ||
    (settings.swing !== undefined && settings.swing.ratio !== 1)
  );
}

/** A bar whose last sound leads into a bar that is written anew is written anew with it. */
function growToTies(
  anew: Set<number>,
  sounds: readonly { start: number; end: number }[],
  starts: readonly number[],
): void {
  for (const { start, end } of [...sounds].reverse()) {
    const [first, last] = [barIndexAt(starts, start), barIndexAt(starts, end - 1)];
    if (first === last) continue;
    let touched = false;
    for (let bar = first; bar <= last; bar++) touched ||= anew.has(bar);
    if (touched) for (let bar = first; bar <= last; bar++) anew.add(bar);
  }
}
