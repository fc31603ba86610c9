import { leadingTrack } from '../../base';
import type { Part, ScoreKey, Tablature } from '../../score';
import { NO_CHOICES } from '../../settings';
import type { Bar } from '../../time';
import type { Progress } from '../conversion';
import type { Piece } from '../piece';
import type { BarKey } from '../pitch/keys';
import { spellParts } from '../pitch/spell-parts';
import type { ReadyPart } from '../received/kept-parts';
import * as received from '../received/stages';
import type { Fretting } from './fretting';
import * as stages from './stages';

/** A part with all its symbols. */
export interface WrittenPart extends ReadyPart {
  /** Parts of a received score behind it. */
  sources: readonly Part[];
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
  /** Received names that the stages would not have given. */
  renamed: number;
}

/** Names and symbols: keys, spelling → strings and frets → symbols, clefs. */
export function* writeParts(
  piece: Piece,
  laidOut: readonly ReadyPart[],
  bars: readonly Bar[],
): Generator<Progress, Notation> {
  const { settings, memo } = piece;
  yield { stage: 'spelling', done: 0.7 };
  const { places, barKeys, keys, sameKeys, renamed } = spellParts(piece, laidOut, bars);
  const concertKeys = keys.map((key) => key.fifths);
  const keyBars = keys.map((key) => key.bar);
  const parts: WrittenPart[] = [];
  for (const [at, one] of laidOut.entries()) {
    yield { stage: 'assembling', done: 0.8 + (0.15 * at) / laidOut.length };
    const { part, staves, drums } = one;
    const { id } = part;
    const tablature = settings.tablatures[id] ?? null;
    const fretting = memo.run(stages.fretting, { staves, tablature }, id);
    const chosen = { tablature, clefs: settings.clefs[id], fixedClefs: settings.fixedClefs[id] };
    const assembled = memo.run(
      stages.assembled,
      { part, staves, places: places[at]!, concertKeys, keyBars, bars, drums, at, fretting, ...chosen },
      id,
    );
    const sources = sourcesOf(piece, part);
    const page = { places: places[at]!, keys, sameKeys, fretting, ...chosen };
    const written = memo.run(
      received.written,
      { assembled, kept: one.kept, sources, dealt: part.player !== null, staves, ...page },
      id,
    );
    parts.push({ ...one, sources, tablature, fretting, written });
  }
  return { parts, barKeys, keys, renamed };
}

/** The parts of a received score that this one was made of. */
function sourcesOf({ received }: Piece, { tracks }: ReadyPart['part']): readonly Part[] {
  return received?.parts.filter(({ id }) => tracks.includes(leadingTrack(id))) ?? NO_CHOICES;
}
