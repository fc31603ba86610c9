import { writeFileSync } from 'node:fs';
import { parseJob } from '../core/documents';
import { renew } from '../core/engine';
import { sha256 } from '../core/base';
import { say } from '../core/words';
import { parsed } from './arguments';
import { BadInput, BadUsage } from './errors';
import { named, readFile } from './input';

export const RENEW_USAGE = 'dragoman renew OLD NEW --job JOB.json -o JOB.json';

/** What was decided about a file, carried over to a new version of it. */
export async function renewCommand(args: readonly string[]): Promise<void> {
  const { positionals, values } = parsed(args, {
    output: { type: 'string', short: 'o' },
    job: { type: 'string' },
  });
  const [before, after] = positionals;
  const { output, job: jobName } = values;
  if (!before || !after || positionals.length > 2 || typeof output !== 'string' || typeof jobName !== 'string')
    throw new BadUsage('', RENEW_USAGE);
  const job = parseJob(new TextDecoder().decode(readFile(jobName)), jobName);
  if (job.originals.length > 1)
    throw new BadInput(say('cli.severalOriginals', { job: jobName, originals: job.originals.length }));
  const [old, now] = [readFile(before), readFile(after)];
  const { ledger, whole, partly, lost, changes } = named(after, () => renew([old], [now], job.ledger));
  const original = { fileName: after.split('/').at(-1)!, sha256: await sha256(now), size: now.length };
  writeFileSync(output, JSON.stringify({ ...job, originals: [original], ledger }, null, 2));
  const bars = new Set([...changes.bars.map(({ bar }) => bar), ...changes.barsAdded]);
  console.log(
    [
      say('cli.renewed', { bars: bars.size, kept: whole + partly.length, lost: lost.length }),
      ...partly.map((line) => say('cli.inPart', { decision: line })),
      ...lost.map((line) => say('cli.notCarried', { decision: line })),
    ].join('\n'),
  );
}
