import { it } from 'vitest';

/** Set by `npm run test:long`: everything in full. */
export const LONG = process.env.DRAGOMAN_TESTS === 'long';

/** How many of something are tried: a sample by `npm test`, all by `npm run test:long`. */
export function many(sample: number, all: number): number {
  return LONG ? all : sample;
}

/** A test for `npm run test:long` alone; `npm test` has a sample of it somewhere near. */
export const inFull = it.runIf(LONG);
