import type { NoteId, PartId } from '@/core/base';
import type { OpenQuery } from '@/core/engine';
import type { Articulation, ScoreSound } from '@/core/score';
import { barsOnDesk, partsOnDesk } from './on-desk';
import type { Slice, Workspace } from './workspace';

/** Which bars and parts the interlinear view shows. */
export interface ShownPassage {
  from: number;
  bars: number;
  /** Empty until a job is converted: then the first parts. */
  parts: PartId[];
}

/** A written note in view. */
export interface NoteInView extends ScoreSound {
  part: PartId;
  /** Of what was played. */
  velocity: number;
  articulations: readonly Articulation[];
}

/** Notes in view by what was played. */
export type NotesInView = ReadonlyMap<NoteId, NoteInView>;

export interface PickedInPart {
  part: PartId;
  notes: readonly NoteId[];
}

/** The part whose notes were picked first, and what is picked in others beside it. */
export interface Picked extends PickedInPart {
  beside: readonly PickedInPart[];
}

/** What is looked at. */
export interface ViewSlice {
  passage: ShownPassage;
  /** Played notes that were picked in the interlinear view. */
  picked: Picked | null;
  /** Of the notes in view. */
  written: NotesInView;
  /** The note under the pointer, once it rests there. */
  pointed: { part: PartId; note: NoteId } | null;
  /** The music as it was before the last change is shown. */
  comparing: boolean;
  /** Height of a staff in the interlinear view, in CSS pixels. */
  staffHeight: number;
  show: (passage: Partial<ShownPassage>) => void;
  /** @param more adds to what is picked, or takes it away again */
  pick: (part: PartId | null, notes: readonly NoteId[], more?: boolean) => void;
  /** @param parts the first of them leads; none lets go */
  pickIn: (parts: readonly PickedInPart[]) => void;
  pointAt: (note: { part: PartId; note: NoteId } | null) => void;
  compare: (on: boolean) => void;
  setStaffHeight: (pixels: number) => void;
  see: (written: NotesInView) => void;
}

/** From small to large. */
export const STAFF_HEIGHTS = [22, 30, 38, 48] as const;

/** How many bars can be in view at once. */
const BARS_IN_VIEW = [1, 2, 3, 4, 6, 8] as const;

/** @param step +1 shows more bars, −1 fewer */
export function zoomed(bars: number, step: 1 | -1): number {
  const i = BARS_IN_VIEW.findIndex((choice) => choice >= bars);
  return BARS_IN_VIEW[Math.max(0, Math.min(BARS_IN_VIEW.length - 1, (i < 0 ? BARS_IN_VIEW.length - 1 : i) + step))]!;
}

const FIRST_PARTS = 4;
const FIRST_BARS = 4;

/** Nothing looked at yet. */
export const NOTHING_IN_VIEW = {
  passage: { from: 0, bars: FIRST_BARS, parts: [] },
  picked: null,
  pointed: null,
  comparing: false,
} satisfies Partial<ViewSlice>;

export const viewSlice: Slice<ViewSlice> = (set) => ({
  ...NOTHING_IN_VIEW,
  written: new Map(),
  staffHeight: STAFF_HEIGHTS[1],

  show: (passage) =>
    set((state) => {
      const next = { ...state.passage, ...passage };
      const last = Math.max(0, barsOnDesk(state).length - 1);
      return { passage: { ...next, from: Math.max(0, Math.min(next.from, last)) } };
    }),

  pick: (part, notes, more = false) =>
    set(({ picked }) => {
      if (part === null) return { picked: null };
      if (!more || !picked) return { picked: { part, notes, beside: [] } };
      const before = inParts(picked);
      const own = before.find((one) => one.part === part)?.notes ?? [];
      const there = notes.every((note) => own.includes(note));
      const next = there ? own.filter((note) => !notes.includes(note)) : [...new Set([...own, ...notes])];
      const others = before.filter((one) => one.part !== part);
      const first = picked.part === part;
      return { picked: pickedOf(first ? [{ part, notes: next }, ...others] : [...others, { part, notes: next }]) };
    }),
  pickIn: (parts) => set({ picked: pickedOf(parts) }),

  pointAt: (pointed) => set({ pointed }),
  compare: (on) => set({ comparing: on }),
  setStaffHeight: (staffHeight) => set({ staffHeight }),
  see: (written) => set({ written }),
});

/** What is picked, part by part. */
export function inParts({ beside, ...first }: Picked): PickedInPart[] {
  return [first, ...beside];
}

function pickedOf(parts: readonly PickedInPart[]): Picked | null {
  const [first, ...beside] = parts.filter(({ notes }) => notes.length > 0);
  return first ? { ...first, beside } : null;
}

/** The passage moved as little as shows the place of a query. */
export function passageShowing(state: Workspace, { part, bar }: OpenQuery): ShownPassage {
  const { passage } = state;
  const visible = bar === undefined || (bar >= passage.from && bar < passage.from + passage.bars);
  const known = part !== undefined && partsOnDesk(state).some(({ id }) => id === part);
  return {
    ...passage,
    parts: known && !passage.parts.includes(part) ? [part, ...passage.parts] : passage.parts,
    from: visible ? passage.from : Math.max(0, bar - Math.floor((passage.bars - 1) / 2)),
  };
}

/** What a job is first looked at from: the first bar with music in it, and the first parts that play there. */
export function firstPassage(
  passage: ShownPassage,
  bars: readonly { start: number; length: number }[],
  parts: readonly { id: PartId; firstNote: number | null }[],
): ShownPassage {
  const heard = parts.filter(({ firstNote }) => firstNote !== null);
  if (heard.length === 0)
    return passageWithin(
      passage,
      bars.length,
      parts.map(({ id }) => id),
    );
  const first = Math.min(...heard.map(({ firstNote }) => firstNote!));
  const from = Math.max(
    0,
    bars.findIndex(({ start, length }) => first < start + length),
  );
  const last = bars[Math.min(bars.length, from + passage.bars) - 1]!;
  const playing = heard.filter(({ firstNote }) => firstNote! < last.start + last.length);
  const shown = [...playing, ...parts.filter((part) => !playing.includes(part))].slice(0, FIRST_PARTS);
  return { ...passage, from, parts: parts.filter((part) => shown.includes(part)).map(({ id }) => id) };
}

/** The passage as far as it exists; the first parts where none of its own is left. */
export function passageWithin(passage: ShownPassage, bars: number, known: readonly PartId[]): ShownPassage {
  const parts = passage.parts.filter((id) => known.includes(id));
  return {
    ...passage,
    from: Math.min(passage.from, Math.max(0, bars - 1)),
    parts: parts.length > 0 ? parts : known.slice(0, FIRST_PARTS),
  };
}
