import type { PartId } from '@/core/base';
import type { Passage } from '@/core/proof';
import { lanesOf, readStaves, type Lane } from './staves';

/** Where things stand on the engraved page, in CSS pixels from the top left of the view. */
export interface Geometry {
  width: number;
  height: number;
  bars: BarPlace[];
  lanes: Lane[];
  /** From top to bottom. */
  staves: StaffOfPart[];
}

/** A staff of a part, with the place of its lines. */
export interface StaffOfPart {
  part: PartId;
  /** From 1. */
  staff: number;
  lines: { top: number; bottom: number };
}

export interface BarPlace {
  number: number;
  left: number;
  right: number;
  start: number;
  end: number;
  /** Rising written times with their x: engraved notes, and the edges of the bar. */
  anchors: { at: number; x: number }[];
}

const AFTER_BARLINE = 12;

/**
 * Reads the places of bars, staves and notes off the engraved drawing.
 *
 * @param root element that holds the drawing; places are relative to it @param laneHeight height wanted for played
 * lines @param below they stand under their part's staves
 */
export function readGeometry(root: HTMLElement, passage: Passage, laneHeight: number, below = false): Geometry | null {
  const origin = root.getBoundingClientRect();
  const measures = [...root.querySelectorAll('g.measure')];
  if (measures.length !== passage.bars.length) return null;
  const anchors = noteAnchors(root, passage, origin.left);

  const bars = measures.map((measure, i): BarPlace => {
    const { start, length, number } = passage.bars[i]!;
    const line = measure.querySelector('g.barLine')?.getBoundingClientRect();
    const right = (line?.right ?? measure.getBoundingClientRect().right) - origin.left;
    const before = i > 0 ? measures[i - 1]!.querySelector('g.barLine')?.getBoundingClientRect().right : undefined;
    const left = before !== undefined ? before - origin.left : signatureEnd(measure, origin.left);
    const own = anchors.filter(({ at }) => at >= start && at < start + length);
    const first = own[0]?.at === start ? [] : [{ at: start, x: left + AFTER_BARLINE }];
    return {
      number,
      left,
      right,
      start,
      end: start + length,
      anchors: rising([...first, ...own, { at: start + length, x: right }]),
    };
  });

  const staves = readStaves(root);
  const ofParts = passage.parts.flatMap(({ id, staves: count }) =>
    Array.from({ length: count }, (_, s) => ({ part: id, staff: s + 1 })),
  );
  return {
    width: origin.width,
    height: root.querySelector('svg')!.getBoundingClientRect().height,
    bars,
    lanes: lanesOf(staves, passage, laneHeight, below),
    staves: staves.map(({ lines }, s) => ({ ...ofParts[s]!, lines })),
  };
}

function noteAnchors(root: HTMLElement, passage: Passage, left: number): { at: number; x: number }[] {
  const byTime = new Map<number, number>();
  for (const [id, link] of Object.entries(passage.links)) {
    // A note of a tablature is a number without a head.
    const head = (root.querySelector(`#${id} g.notehead`) ?? root.querySelector(`#${id}`))?.getBoundingClientRect();
    if (!head) continue;
    const x = head.left + head.width / 2 - left;
    byTime.set(link.at, Math.min(byTime.get(link.at) ?? Infinity, x));
  }
  return [...byTime].map(([at, x]) => ({ at, x })).sort((a, b) => a.at - b.at);
}

function signatureEnd(measure: Element, left: number): number {
  const signs = [...measure.querySelectorAll('g.clef, g.keySig, g.meterSig')].map(
    (sign) => sign.getBoundingClientRect().right,
  );
  return Math.max(measure.getBoundingClientRect().left, ...signs) - left;
}

function rising(anchors: { at: number; x: number }[]): { at: number; x: number }[] {
  const kept: { at: number; x: number }[] = [];
  for (const anchor of anchors)
    if (kept.length === 0 || (anchor.x > kept.at(-1)!.x && anchor.at > kept.at(-1)!.at)) kept.push(anchor);
  return kept;
}

/** x of a time; an end that falls on a barline belongs to the bar before it. */
export function xAt(geometry: Geometry, at: number, edge: 'start' | 'end'): number {
  const { bars } = geometry;
  const bar = bars.find(({ end }) => (edge === 'start' ? at < end : at <= end)) ?? bars.at(-1)!;
  const { anchors } = bar;
  if (at <= anchors[0]!.at) return at < bar.start ? bar.left : anchors[0]!.x;
  for (let i = 1; i < anchors.length; i++) {
    const [a, b] = [anchors[i - 1]!, anchors[i]!];
    if (at <= b.at) return a.x + ((at - a.at) / (b.at - a.at)) * (b.x - a.x);
  }
  return bar.right;
}

/** The time at an x; the reverse of `xAt`. */
export function timeAt({ bars }: Pick<Geometry, 'bars'>, x: number): number {
  const bar = bars.find(({ right }) => x < right) ?? bars.at(-1)!;
  const { anchors } = bar;
  for (let i = 1; i < anchors.length; i++) {
    const [a, b] = [anchors[i - 1]!, anchors[i]!];
    if (x <= b.x) return Math.max(bar.start, a.at + ((x - a.x) / (b.x - a.x)) * (b.at - a.at));
  }
  return bar.end;
}
