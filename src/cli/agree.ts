import { soundingFile } from '../core/engine';
import { agreementOf, differenceInWords, type Agreement, type Difference } from '../core/proof';
import { parsed } from './arguments';
import { say } from '../core/words';
import { BadUsage, badOption } from './errors';
import { named, readFile } from './input';

export const AGREE_USAGE = 'dragoman agree A.mid|A.musicxml|A.mxl B.mid|B.musicxml|B.mxl [--within MS] [--json]';

/** Differences shown where nobody asked for all of them. */
const MOST_SHOWN = 20;

/** Two files of any kind against each other, note by note. @returns exit code: 1 where notes differ */
export function agreeCommand(args: readonly string[]): number {
  const { positionals, values } = parsed(args, { json: { type: 'boolean' }, within: { type: 'string' } });
  const [a, b] = positionals;
  const within = values.within === undefined ? undefined : Number(values.within);
  if (positionals.length !== 2 || !a || !b) throw new BadUsage('', AGREE_USAGE);
  if (within !== undefined && !(within >= 0 && within <= 500))
    throw badOption('within', say('cli.milliseconds', { least: 0, most: 500 }), values.within, AGREE_USAGE);
  const [one, other] = [a, b].map((file) => named(file, () => soundingFile(readFile(file))));
  const agreement = agreementOf(one!, other!, within === undefined ? {} : { within });
  if (values.json) console.log(JSON.stringify(agreement, null, 2));
  else console.log(inWords(agreement).join('\n'));
  return agreement.differences.length > 0 ? 1 : 0;
}

function inWords({ words, parts, bars, differences }: Agreement): string[] {
  const line = (one: Difference) => {
    const [name, other] = parts[one.part]!.names;
    return `  ${say('cli.difference', {
      part: name ?? other ?? '',
      bar: bars[one.bar]!.number,
      difference: differenceInWords(one),
    })}`;
  };
  const rest = differences.length - MOST_SHOWN;
  return [
    words,
    ...differences.slice(0, MOST_SHOWN).map(line),
    ...(rest > 0 ? [`  ${say('cli.andMore', { rest })}`] : []),
  ];
}
