import type { Instrument } from './instrument';

const BLOWN_OR_HELD = new Set(['organ', 'harmonium', 'accordion', 'bandoneon', 'synthesizer']);

/**
 * Struck and plucked instruments sound the moment they are played: whoever plays them has no reason to be ahead of the
 * beat, as players of sounds that speak slowly have.
 */
export function speaksAtOnce({ id, family }: Pick<Instrument, 'id' | 'family'>): boolean {
  if (family === 'keyboard') return !BLOWN_OR_HELD.has(id);
  return family === 'percussion' || family === 'plucked';
}
