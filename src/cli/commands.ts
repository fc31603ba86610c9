import { writeFileSync } from 'node:fs';
import { inEncoding, preparePerformance, settingsOf } from '../core/job';
import { compressMusicXml, writeMusicXml } from '../core/musicxml';
import { NO_SETTINGS, toScore, type ConversionSettings } from '../core/to-score';
import { BadUsage } from './errors';
import { parsed } from './arguments';
import { checkTracks, jobLedger, readFile, readPerformance } from './input';
import { inspect } from './inspect';
import { reportOf } from './report';
import { TO_MIDI_USAGE, toMidiCommand } from './to-midi';

export const commands = { inspect: inspectCommand, 'to-score': toScoreCommand, 'to-midi': toMidiCommand };

export const batchHint = `Usage:
  dragoman inspect FILE
  dragoman to-score IN.mid -o OUT.musicxml|OUT.mxl [--job JOB.json] [--report R.json]
  ${TO_MIDI_USAGE}`;

function inspectCommand(args: readonly string[]): void {
  const { positionals } = parsed(args, {});
  if (positionals.length !== 1) throw new BadUsage('Usage: dragoman inspect FILE');
  console.log(JSON.stringify(inspect(readFile(positionals[0]!), positionals[0]!), null, 2));
}

function toScoreCommand(args: readonly string[]): void {
  const usage = 'Usage: dragoman to-score IN.mid -o OUT.musicxml|OUT.mxl [--job JOB.json] [--report R.json]';
  const { positionals, values } = parsed(args, {
    output: { type: 'string', short: 'o' },
    job: { type: 'string' },
    report: { type: 'string' },
  });
  const [input] = positionals;
  const output = values.output;
  if (positionals.length !== 1 || !input || typeof output !== 'string') throw new BadUsage(usage);
  if (!/\.(musicxml|xml|mxl)$/i.test(output))
    throw new BadUsage(`The output must end in .musicxml or .mxl, not “${output}”.\n${usage}`);
  const original = readPerformance(input);
  const received = original.performance;
  const settings =
    typeof values.job === 'string'
      ? settingsFrom(
          values.job,
          received.tracks.map((track) => track.id),
        )
      : NO_SETTINGS;
  const conversion = toScore(preparePerformance([inEncoding(original, settings)], settings), settings);
  const text = writeMusicXml(conversion.printed);
  writeFileSync(output, /\.mxl$/i.test(output) ? compressMusicXml(text) : text);
  if (typeof values.report === 'string') writeFileSync(values.report, JSON.stringify(reportOf(conversion), null, 2));
  console.log(conversion.audit.words);
}

function settingsFrom(fileName: string, tracks: readonly string[]): ConversionSettings {
  const ledger = jobLedger(fileName);
  checkTracks(ledger.decisions, tracks);
  return settingsOf(ledger);
}
