import type { XmlNode } from '../read/xml-tree';
import type { Insertions } from './insertions';
import { samePlace, type PlacedMeasure } from './placed';

/** A measure and where all in it stands. */
export interface Bar {
  measure: XmlNode;
  found: PlacedMeasure;
}

/** One bar on its way into ours. */
export interface Carrying {
  to: Bar;
  insert: Insertions;
  /** Lines that are carried and have not ended, by kind and number; over all bars. */
  open: Set<string>;
  /** All notes of the bar are as they came. */
  whole: boolean;
}

/** What we have written of a kind at a place. @param at in quarters from the beginning of the bar */
export const standingAt = ({ to }: Carrying, name: string, at: number): XmlNode[] =>
  to.found.others.filter((one) => one.node.name === name && samePlace(one.at, at)).map(({ node }) => node);
