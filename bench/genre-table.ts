/*
 * How music fares that is easily taken for something else: each kind of genres.ts drawn exactly in six ways and played
 * by hand in four.
 */
import { GENRES, genres } from './genres';
import { add, NOTHING, percent } from './measure';
import { EXACT_TAKES, HUMAN_TAKES, measureScores, type Outcome, type Take } from './takes';

const sum = (all: readonly Outcome[]): Outcome =>
  all.reduce((total, one) => ({ measure: add(total.measure, one.measure), plain: total.plain + one.plain }), {
    measure: NOTHING,
    plain: 0,
  });

function cells(takes: readonly Map<string, Outcome>[], kind: string): string {
  const { measure, plain } = sum(takes.map((take) => take.get(kind)!));
  return [
    percent(plain, measure.notes),
    percent(measure.onsets, measure.notes),
    percent(measure.values, measure.valued),
    percent(measure.fullBars, measure.bars),
  ].join(' | ');
}

export function genreTable(seeds: readonly number[]): string {
  const measured = (takes: readonly Take[]) =>
    takes.flatMap((take) => seeds.map((seed) => measureScores(genres(seed), take, seed)));
  const [exact, human] = [measured(EXACT_TAKES), measured(HUMAN_TAKES)];
  const rows = GENRES.map((kind) => `| ${kind} | ${cells(exact, kind)} | ${cells(human, kind)} |`);
  return `| music | drawn: nearest sixteenth | onsets | onset and value | full bars | by hand: nearest sixteenth | onsets | onset and value | full bars |
|---|---|---|---|---|---|---|---|---|
${rows.join('\n')}`;
}
