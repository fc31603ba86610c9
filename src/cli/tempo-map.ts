import { writeFileSync } from 'node:fs';
import { countedFrom, exportStudio, timeLineOfFile } from '../core/engine';
import { USUAL_CLICK, USUAL_STUDIO_MAP } from '../core/studio';
import { parsed } from './arguments';
import { inNumbers, say } from '../core/words';
import { BadUsage, badOption } from './errors';
import { named, readFile } from './input';

export const TEMPO_MAP_USAGE =
  'dragoman tempo-map IN.mid|IN.musicxml|IN.mxl -o OUT.mid [--bar-one N] [--click] [--count-in N] [--table T.csv] [--tolerance MS]';

/** The studio's map of a file: tempo, meters, keys, markers; a click and a table where they are wanted. */
export function tempoMapCommand(args: readonly string[]): void {
  const { positionals, values } = parsed(args, {
    output: { type: 'string', short: 'o' },
    'bar-one': { type: 'string' },
    click: { type: 'boolean' },
    'count-in': { type: 'string' },
    table: { type: 'string' },
    tolerance: { type: 'string' },
  });
  const [input] = positionals;
  const { output } = values;
  if (positionals.length !== 1 || !input || typeof output !== 'string') throw new BadUsage('', TEMPO_MAP_USAGE);
  const barOne = number(values, 'bar-one', { least: 1, most: 100_000, whole: true }, say('cli.whichBar'));
  const countIn =
    number(values, 'count-in', { least: 0, most: 16, whole: true }, say('cli.bars', { least: 0, most: 16 })) ?? 0;
  const tolerance =
    number(
      values,
      'tolerance',
      { least: 0, most: 1000, whole: false },
      say('cli.milliseconds', { least: 0, most: 1000 }),
    ) ?? 0;
  const read = named(input, () => timeLineOfFile(readFile(input)));
  if (barOne !== null && barOne > read.bars.length)
    throw new BadUsage(say('cli.barBeyond', { file: input, bars: read.bars.length, bar: barOne }), TEMPO_MAP_USAGE);
  const line = barOne === null ? read : countedFrom(read, barOne - 1);
  const settings = { ...USUAL_STUDIO_MAP, tolerance, countIn, click: values.click ? USUAL_CLICK : null };
  const { midi, csv, tempos, drift, barOne: whereBarOne } = exportStudio(line, settings);
  writeFileSync(output, midi);
  if (typeof values.table === 'string') writeFileSync(values.table, csv);
  const [first, last] = [line.bars[0]!, line.bars.at(-1)!];
  const written = say('cli.mapWritten', {
    first: first.number,
    last: last.number,
    tempos,
    of: line.tempo.events.length,
    ms: inNumbers(drift.largest, 2),
  });
  console.log(`${written} ${whereBarOne}`);
}

interface Limits {
  least: number;
  most: number;
  whole: boolean;
}

function number(
  values: Record<string, string | boolean | undefined>,
  name: string,
  { least, most, whole }: Limits,
  takes: string,
): number | null {
  const given = values[name];
  if (given === undefined) return null;
  const value = Number(given);
  if (given === '' || !(value >= least && value <= most) || (whole && !Number.isInteger(value)))
    throw badOption(name, takes, given, TEMPO_MAP_USAGE);
  return value;
}
