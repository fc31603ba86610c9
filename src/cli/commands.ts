import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { parseJob, preparePerformance, settingsOf } from '../core/job';
import { compressMusicXml, writeMusicXml } from '../core/musicxml';
import { NO_SETTINGS, toScore, type ConversionSettings } from '../core/to-score';
import { BadUsage } from './errors';
import { checkTracks, readFile, readPerformance } from './input';
import { inspect } from './inspect';
import { reportOf } from './report';

export const commands = { inspect: inspectCommand, 'to-score': toScoreCommand };

export const batchHint = `Usage:
  dragoman inspect FILE
  dragoman to-score IN.mid -o OUT.musicxml|OUT.mxl [--job JOB.json] [--report R.json]`;

function inspectCommand(args: readonly string[]): void {
  const { positionals } = parsed(args, {});
  if (positionals.length !== 1) throw new BadUsage('Usage: dragoman inspect FILE');
  console.log(JSON.stringify(inspect(readFile(positionals[0]!), positionals[0]!), null, 2));
}

function toScoreCommand(args: readonly string[]): void {
  const usage = 'Usage: dragoman to-score IN.mid -o OUT.musicxml|OUT.mxl [--job JOB.json] [--report R.json]';
  const { positionals, values } = parsed(args, { output: { type: 'string', short: 'o' }, job: { type: 'string' }, report: { type: 'string' } });
  const [input] = positionals;
  const output = values.output;
  if (positionals.length !== 1 || !input || typeof output !== 'string') throw new BadUsage(usage);
  if (!/\.(musicxml|xml|mxl)$/i.test(output)) throw new BadUsage(`The output must end in .musicxml or .mxl, not “${output}”.\n${usage}`);
  const received = readPerformance(input).performance;
  const settings = typeof values.job === 'string' ? settingsFrom(values.job, received.tracks.map((track) => track.id)) : NO_SETTINGS;
  const conversion = toScore(preparePerformance([received], settings), settings);
  const text = writeMusicXml(conversion.printed);
  writeFileSync(output, /\.mxl$/i.test(output) ? compressMusicXml(text) : text);
  if (typeof values.report === 'string') writeFileSync(values.report, JSON.stringify(reportOf(conversion), null, 2));
}

function settingsFrom(fileName: string, tracks: readonly string[]): ConversionSettings {
  const job = parseJob(new TextDecoder().decode(readFile(fileName)), fileName);
  checkTracks(job.ledger.decisions, tracks);
  return settingsOf(job.ledger);
}

function parsed<T extends NonNullable<Parameters<typeof parseArgs>[0]>['options']>(args: readonly string[], options: T) {
  try {
    return parseArgs({ args: [...args], options, allowPositionals: true }) as { positionals: string[]; values: Record<string, string | boolean | undefined> };
  } catch (error) {
    throw new BadUsage(`${(error as Error).message}\n${batchHint}`);
  }
}
