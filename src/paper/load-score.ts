import type { VerovioToolkit } from 'verovio/esm';

/** Least width of a bar, in the engraver's units. */
const USUAL_WIDTH = 15;
/** A sign for a bar needs the room of one. */
const REPEAT_WIDTH = 30;

/**
 * Loads a score of ours.
 *
 * @param mei as the core writes it
 * @returns whether it could be read
 */
export function loadScore(toolkit: VerovioToolkit, mei: string): boolean {
  toolkit.setOptions({ inputFrom: 'mei', measureMinWidth: mei.includes('<mRpt') ? REPEAT_WIDTH : USUAL_WIDTH });
  return toolkit.loadData(mei);
}

/** Staves of a system: all are defined before the music begins. */
export const stavesIn = (mei: string): number =>
  mei.slice(0, mei.indexOf('<section')).match(/<staffDef /g)?.length ?? 0;

/**
 * Gives staves distances of their own from the staff above.
 *
 * @param distances in staff spaces, from the top staff on; null for as it is
 */
export function spaced(mei: string, distances: readonly (number | null)[]): string {
  if (distances.every((distance) => distance === null)) return mei;
  let staff = 0;
  // The staves of the score are defined first; what changes later comes behind them.
  return mei.replace(/<staffDef /g, (tag) => {
    const distance = distances[staff++] ?? null;
    // The attribute counts half spaces ("virtual units").
    return distance === null ? tag : `${tag}spacing="${(distance * 2).toFixed(2)}vu" `;
  });
}
