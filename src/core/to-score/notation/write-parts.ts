import type { Part, ScoreKey, Tablature } from '../../score';
import type { Bar } from '../../time';
import type { Progress } from '../conversion';
import type { LaidOutPart } from '../layout/lay-out-parts';
import type { Piece } from '../piece';
import type { BarKey } from '../pitch/keys';
import { spellParts } from '../pitch/spell-parts';
import type { Fretting } from './fretting';
import * as stages from './stages';

/** A part with all its symbols. */
export interface WrittenPart extends LaidOutPart {
  tablature: Tablature | null;
  fretting: Fretting;
  /** Without marks yet. */
  written: Part;
}

export interface Notation {
  parts: WrittenPart[];
  /** Key heard in each bar. */
  barKeys: BarKey[];
  /** Signatures printed. */
  keys: ScoreKey[];
}

/** Names and symbols: keys, spelling → strings and frets → symbols, clefs. */
export function* writeParts(
  { performance, settings, memo }: Piece,
  laidOut: readonly LaidOutPart[],
  bars: readonly Bar[],
): Generator<Progress, Notation> {
  yield { stage: 'spelling', done: 0.7 };
  const { places, barKeys, keys } = spellParts(
    laidOut.map(({ part }) => part),
    laidOut.map(({ staves }) => staves),
    bars,
    performance,
    settings,
  );
  const concertKeys = keys.map((key) => key.fifths);
  const parts: WrittenPart[] = [];
  for (const [at, one] of laidOut.entries()) {
    yield { stage: 'assembling', done: 0.8 + (0.15 * at) / laidOut.length };
    const { part, staves, drums } = one;
    const { id } = part;
    const tablature = settings.tablatures[id] ?? null;
    const fretting = memo.run(stages.fretting, { staves, tablature }, id);
    const chosen = { tablature, clefs: settings.clefs[id], fixedClefs: settings.fixedClefs[id] };
    const written = memo.run(
      stages.assembled,
      { part, staves, places: places[at]!, concertKeys, bars, drums, at, fretting, ...chosen },
      id,
    );
    parts.push({ ...one, tablature, fretting, written });
  }
  return { parts, barKeys, keys };
}
