/* The six figures over the kinds of bands.ts. */
import { toScore } from '../src/core/to-score';
import { bandPiece, BANDS } from './bands';
import { addSighs, NO_SIGHS, sighsOf, type Sighs } from './copyist';
import { NO_SETTINGS } from '../src/core/settings';

const per100 = (count: number, of: number) => (of === 0 ? '–' : ((100 * count) / of).toFixed(1));

const row = (name: string, s: Sighs) =>
  `| ${name} | ${s.notes} | ${per100(s.shortRests, s.notes)} | ${per100(s.hops, s.singles)} | ${per100(s.farOff, s.notes)} | ${per100(s.doubleHeads, s.notes)} | ${per100(s.doubledUnlike, s.doubledBars)} | ${per100(s.tuplets, s.notes)} |`;

export function copyistTable(seeds: readonly number[]): string {
  const byKind = BANDS.map((kind) => ({
    kind,
    sighs: seeds.map((seed) => sighsOf(toScore(bandPiece(kind, seed), NO_SETTINGS).score)).reduce(addSighs, NO_SIGHS),
  }));
  return `| per 100 written notes | notes | rests of a sixteenth or less | lone notes that hop between staves (of those) | third ledger line and beyond | two heads on one place | doubled bars written differently (of those) | tuplets |
|---|---|---|---|---|---|---|---|
${byKind.map(({ kind, sighs }) => row(kind, sighs)).join('\n')}
${row('all', byKind.map(({ sighs }) => sighs).reduce(addSighs, NO_SIGHS))}`;
}
