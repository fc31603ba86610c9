import { writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import { checkTracks, EMPTY_LEDGER, settingsOf } from '../core/documents';
import { MUSICXML_VERSIONS, ScoreDesk } from '../core/engine';
import { EXTRACTS } from '../core/extracts';
import { MARKS_OUT } from '../core/score';
import { AGREE_USAGE, agreeCommand } from './agree';
import { BATCH_USAGE } from './batch/options';
import { say } from '../core/words';
import { BadUsage, badOption } from './errors';
import { parsed } from './arguments';
import { jobLedger, named, readFile, readOriginals } from './input';
import { inspect } from './inspect';
import { RENEW_USAGE, renewCommand } from './renew';
import { reportOf } from './report';
import { TEMPO_MAP_USAGE, tempoMapCommand } from './tempo-map';
import { TO_MIDI_USAGE, toMidiCommand } from './to-midi';
import { VERIFY_USAGE, verifyCommand } from './verify';

export const commands = {
  inspect: inspectCommand,
  'to-score': toScoreCommand,
  'to-midi': toMidiCommand,
  agree: agreeCommand,
  'tempo-map': tempoMapCommand,
  renew: renewCommand,
  // Threads, pages and sound are a second's worth of packages: read when they are wanted.
  batch: async (args: readonly string[]) => (await import('./batch/run')).batchCommand(args),
  verify: verifyCommand,
};

const INSPECT_USAGE = 'dragoman inspect FILE';

/** Originals of one job: MIDI, scores with a part or several in each, or a score and how it was played. */
const TO_SCORE_USAGE =
  'dragoman to-score IN.mid|IN.musicxml|IN.mxl [IN …] -o OUT.musicxml|OUT.mxl|OUT.mei [--job JOB.json] [--report R.json] [--musicxml 3.0|4.0] [--marks none|taken|suggested] [--extract lead-sheet|piano-reduction]';

/** How each command is called. */
export function usage(): string {
  const lines = [
    INSPECT_USAGE,
    TO_SCORE_USAGE,
    TO_MIDI_USAGE,
    AGREE_USAGE,
    TEMPO_MAP_USAGE,
    RENEW_USAGE,
    BATCH_USAGE,
    VERIFY_USAGE,
  ];
  return say('cli.usage', { usage: lines.map((line) => `\n  ${line}`).join('') });
}

const notOneOf = (option: string, values: readonly string[], given: unknown): BadUsage =>
  badOption(option, say('cli.oneOf', { values: values.join(', ') }), given, TO_SCORE_USAGE);

function inspectCommand(args: readonly string[]): void {
  const { positionals } = parsed(args, {});
  if (positionals.length !== 1) throw new BadUsage('', INSPECT_USAGE);
  console.log(JSON.stringify(inspect(readFile(positionals[0]!), positionals[0]!), null, 2));
}

function toScoreCommand(args: readonly string[]): void {
  const { positionals, values } = parsed(args, {
    output: { type: 'string', short: 'o' },
    job: { type: 'string' },
    report: { type: 'string' },
    musicxml: { type: 'string', default: '3.0' },
    marks: { type: 'string', default: 'taken' },
    extract: { type: 'string' },
  });
  const { output } = values;
  if (positionals.length === 0 || typeof output !== 'string') throw new BadUsage('', TO_SCORE_USAGE);
  if (!/\.(musicxml|xml|mxl|mei)$/i.test(output))
    throw new BadUsage(say('cli.outputScore', { output }), TO_SCORE_USAGE);
  const version = MUSICXML_VERSIONS.find((one) => one === values.musicxml);
  if (!version) throw notOneOf('musicxml', MUSICXML_VERSIONS, values.musicxml);
  const marks = MARKS_OUT.find((one) => one === values.marks);
  if (!marks) throw notOneOf('marks', MARKS_OUT, values.marks);
  const extract = EXTRACTS.find(({ kind }) => kind === values.extract);
  if (values.extract !== undefined && !extract)
    throw notOneOf(
      'extract',
      EXTRACTS.map(({ kind }) => kind),
      values.extract,
    );
  const ledger = typeof values.job === 'string' ? jobLedger(values.job) : EMPTY_LEDGER;
  const settings = settingsOf(ledger);
  const files = readOriginals(positionals);
  const desk = named(positionals[0]!, () => ScoreDesk.open(files, settings, basename(positionals[0]!)));
  checkTracks(ledger, desk.performance.tracks);
  const conversion = desk.convert(settings);
  const part = extract?.id;
  const format = /\.mxl$/i.test(output) ? 'mxl' : 'musicxml';
  const written = () =>
    /\.mei$/i.test(output)
      ? desk.sheet(part ?? null, false, marks)
      : desk.export(format, { version, marks, ...(part && { part }) });
  writeFileSync(output, named(positionals[0]!, written));
  if (typeof values.report === 'string') writeFileSync(values.report, JSON.stringify(reportOf(conversion), null, 2));
  console.log(conversion.audit.words);
}
