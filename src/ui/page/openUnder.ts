import type { PartId } from '@/core/base';
import { QUARTER } from '@/core/time';
import { engraveWorker } from '@/workers/engrave-client';
import { useWorkspace } from '../workspace/workspace';
import { openBar } from '../workspace/goToBar';

interface Point {
  clientX: number;
  clientY: number;
}

/**
 * Opens the passage of what was clicked on a page: the bar and the part, in the interlinear view. Ink is thin: the staff nearest to the
 * pointer is meant.
 *
 * @param opens the parts, where the sheet says which; the part under the pointer when null
 */
export async function openUnder(
  paper: Element,
  point: Point,
  mei: string,
  opens: readonly PartId[] | null,
): Promise<void> {
  const measure = [...paper.querySelectorAll('g.measure')].find((one) => distance(one, point) === 0);
  const quarters = measure && (await engraveWorker().beginOf(mei, measure.id));
  const { summary } = useWorkspace.getState();
  if (!measure || quarters === null || quarters === undefined || !summary) return;
  const at = quarters * QUARTER;
  const bar = summary.printedBars.findIndex(({ start, length }) => at >= start - 1 && at < start + length - 1);
  const under = partAt(measure, point);
  const parts = opens ?? (under === null ? [] : [under]);
  if (bar >= 0 && parts.length > 0) openBar(bar, parts);
}

/** Whose staff it is: staves stand in a measure in the order of the parts. */
function partAt(measure: Element, point: Point): PartId | null {
  const staves = [...measure.querySelectorAll(':scope > g.staff')].map((staff) => distance(staff, point));
  let index = staves.indexOf(Math.min(...staves));
  for (const { id, clefs } of useWorkspace.getState().summary!.parts) {
    if (index < Math.max(1, clefs.length)) return id;
    index -= Math.max(1, clefs.length);
  }
  return null;
}

/** Pixels from an element's box; 0 inside it. */
function distance(element: Element, { clientX, clientY }: Point): number {
  const { left, right, top, bottom } = element.getBoundingClientRect();
  return Math.hypot(Math.max(0, left - clientX, clientX - right), Math.max(0, top - clientY, clientY - bottom));
}
