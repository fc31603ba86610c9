import { useEffect, useState } from 'react';
import type { NoteId, PartId } from '@/core/base';
import type { Passage } from '@/core/proof';
import type { Geometry } from '../engraved/geometry';
import { inParts, useWorkspace, type Picked } from '../workspace/workspace';
import { allHeld } from './changes';
import { dragged, type Dragged, type DragWay } from './drag';

/** So far the pointer goes before a press becomes a drag, in CSS pixels. */
const SLACK = 4;

/** A rectangle that is drawn around notes, in CSS pixels of the drawing. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** What the mouse is about to do. */
export type InHand = { drag: Dragged; heads: readonly Box[] } | { box: Box } | null;

interface Press {
  x: number;
  y: number;
  /** The note that was pressed; null beside all notes. */
  note: { part: PartId; played: readonly NoteId[] } | null;
  shift: boolean;
  way: DragWay | null;
}

/**
 * Notes are picked by a click, several with Shift or a box, and dragged: sideways in time, up and down in pitch, with Alt
 * in length. Escape ends a drag without anything.
 */
export function useHandMouse(
  root: React.RefObject<HTMLElement | null>,
  passage: Passage,
  geometry: Geometry | null,
): InHand {
  const [inHand, setInHand] = useState<InHand>(null);

  useEffect(() => {
    const element = root.current;
    if (!element) return;
    let press: Press | null = null;
    let shown: InHand = null;
    let heads: Box[] | null = null;

    const show = (next: InHand) => {
      shown = next;
      setInHand(next);
    };
    const placeOf = (event: PointerEvent) => {
      const { left, top } = element.getBoundingClientRect();
      return { x: event.clientX - left, y: event.clientY - top };
    };

    const onDown = (event: PointerEvent) => {
      if (event.button !== 0) return;
      const note = noteUnder(event.target, passage);
      press = { ...placeOf(event), note, shift: event.shiftKey, way: null };
      const { picked, pick } = useWorkspace.getState();
      const already = note !== null && isPicked(picked, note);
      if (note && !already && !event.shiftKey) pick(note.part, note.played);
    };
    const onMove = (event: PointerEvent) => {
      if (!press || !geometry) return;
      const { x, y } = placeOf(event);
      const by = { x: x - press.x, y: y - press.y };
      if (!shown && Math.hypot(by.x, by.y) < SLACK) return;
      if (!press.note) return show({ box: boxOf(press, by) });
      const pressed = press.note.part;
      const all = allHeld().sort((a, b) => Number(b.part.shown === pressed) - Number(a.part.shown === pressed));
      if (all.length === 0) return;
      press.way ??= wayOf(by, event.altKey);
      heads ??= headsOf(
        element,
        passage,
        all.flatMap(({ ids }) => ids),
      );
      show({ drag: dragged(all, press.way, by, geometry), heads });
    };
    const onUp = (event: PointerEvent) => {
      if (!press) return;
      const { decide, pick } = useWorkspace.getState();
      if (shown && 'drag' in shown) {
        if (shown.drag.decision) decide(shown.drag.decision);
      } else if (shown) pickInBox(element, passage, shown.box);
      else if (press.note) pick(press.note.part, press.note.played, press.shift);
      else if (!press.shift && event.target instanceof Element && element.contains(event.target)) pick(null, []);
      stop();
    };
    const stop = () => {
      press = null;
      heads = null;
      if (shown) show(null);
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      if (shown) stop();
      else useWorkspace.getState().pick(null, []);
    };

    element.addEventListener('pointerdown', onDown);
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    window.addEventListener('pointercancel', stop);
    window.addEventListener('keydown', onKey);
    return () => {
      element.removeEventListener('pointerdown', onDown);
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
      window.removeEventListener('pointercancel', stop);
      window.removeEventListener('keydown', onKey);
    };
  }, [root, passage, geometry]);

  return inHand;
}

/** Where the heads of notes stand. */
function headsOf(root: HTMLElement, passage: Passage, ids: readonly NoteId[]): Box[] {
  const { left, top } = root.getBoundingClientRect();
  return [...root.querySelectorAll('g.note')].flatMap((note) => {
    if (!passage.links[note.id]?.played.some((id) => ids.includes(id))) return [];
    const head = (note.querySelector('g.notehead') ?? note).getBoundingClientRect();
    return [{ x: head.left - left, y: head.top - top, width: head.width, height: head.height }];
  });
}

function wayOf(by: { x: number; y: number }, alt: boolean): DragWay {
  if (alt) return 'length';
  return Math.abs(by.x) >= Math.abs(by.y) ? 'time' : 'pitch';
}

const boxOf = (from: { x: number; y: number }, by: { x: number; y: number }): Box => ({
  x: Math.min(from.x, from.x + by.x),
  y: Math.min(from.y, from.y + by.y),
  width: Math.abs(by.x),
  height: Math.abs(by.y),
});

/** All of a note is among what is picked. */
export function isPicked(picked: Picked | null, { part, played }: NonNullable<Press['note']>): boolean {
  const own = picked ? inParts(picked).find((one) => one.part === part) : undefined;
  return own !== undefined && played.every((id) => own.notes.includes(id));
}

/** The part and the played notes of an engraved note. */
export function noteUnder(target: EventTarget | null, passage: Passage): Press['note'] {
  const note = target instanceof Element ? target.closest('g.note') : null;
  const played = note ? passage.links[note.id]?.played : undefined;
  if (!played || played.length === 0) return null;
  const part = passage.parts.find((one) => one.played.some(({ id }) => played.includes(id)));
  return part ? { part: part.id, played } : null;
}

/** Picks the notes in a box, in whatever parts; the part that has most in it leads. */
function pickInBox(root: HTMLElement, passage: Passage, box: Box): void {
  const { left, top } = root.getBoundingClientRect();
  const found = new Map<PartId, NoteId[]>();
  for (const note of root.querySelectorAll('g.note')) {
    const head = (note.querySelector('g.notehead') ?? note).getBoundingClientRect();
    const x = head.left + head.width / 2 - left;
    const y = head.top + head.height / 2 - top;
    if (x < box.x || x > box.x + box.width || y < box.y || y > box.y + box.height) continue;
    const under = noteUnder(note, passage);
    if (under) found.set(under.part, [...(found.get(under.part) ?? []), ...under.played]);
  }
  const most = [...found].sort((a, b) => b[1].length - a[1].length);
  useWorkspace.getState().pickIn(most.map(([part, notes]) => ({ part, notes: [...new Set(notes)] })));
}
