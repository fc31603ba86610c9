import { soundingFile } from '../core/engine';
import { agreementOf, type Agreement, type Difference } from '../core/proof';
import { parsed } from './arguments';
import { BadUsage } from './errors';
import { named, readFile } from './input';

export const AGREE_USAGE = 'dragoman agree A.mid|A.musicxml|A.mxl B.mid|B.musicxml|B.mxl [--within MS] [--json]';

/** Differences shown where nobody asked for all of them. */
const MOST_SHOWN = 20;

/** Two files of any kind against each other, note by note. */
export function agreeCommand(args: readonly string[]): void {
  const { positionals, values } = parsed(args, { json: { type: 'boolean' }, within: { type: 'string' } });
  const [a, b] = positionals;
  const within = values.within === undefined ? undefined : Number(values.within);
  if (positionals.length !== 2 || !a || !b) throw new BadUsage(`Usage: ${AGREE_USAGE}`);
  if (within !== undefined && !(within >= 0 && within <= 500))
    throw new BadUsage(`--within takes 0 to 500 milliseconds, not “${String(values.within)}”.\nUsage: ${AGREE_USAGE}`);
  const [one, other] = [a, b].map((file) => named(file, () => soundingFile(readFile(file))));
  const agreement = agreementOf(one!, other!, within === undefined ? {} : { within });
  if (values.json) console.log(JSON.stringify(agreement, null, 2));
  else console.log(inWords(agreement).join('\n'));
}

function inWords({ words, parts, bars, differences }: Agreement): string[] {
  const line = ({ kind, part, bar, key, otherKey, milliseconds }: Difference) => {
    const [one, other] = parts[part]!.names;
    const what = {
      moved: `begins ${Math.abs(milliseconds)} ms ${milliseconds > 0 ? 'later' : 'earlier'}`,
      length: `is ${Math.abs(milliseconds)} ms ${milliseconds > 0 ? 'longer' : 'shorter'}`,
      pitch: `sounds as key ${otherKey}`,
      missing: 'is missing',
      extra: 'is extra',
    }[kind];
    return `  ${one ?? other}, bar ${bars[bar]!.number}: key ${key} ${what}`;
  };
  const rest = differences.length - MOST_SHOWN;
  return [
    words,
    ...differences.slice(0, MOST_SHOWN).map(line),
    ...(rest > 0 ? [`  and ${rest} more (--json has all of them)`] : []),
  ];
}
