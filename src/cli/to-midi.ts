import { writeFileSync } from 'node:fs';
import { settingsOf } from '../core/documents';
import { openSequence } from '../core/engine';
import { say } from '../core/words';
import { BadUsage, badOption } from './errors';
import { jobLedger, named, readOriginals } from './input';
import { parsed } from './arguments';
import { NO_JOB_SETTINGS, PRESETS, withSequencing, type Preset } from '../core/settings';

export const TO_MIDI_USAGE =
  'dragoman to-midi IN.musicxml|IN.mxl|IN.mid [IN …] -o OUT.mid [--carry bare|expression|everything] [--job JOB.json] [--report R.json]';

/** Direction B: a score becomes a clean MIDI file, and a MIDI file a cleaner one. */
export function toMidiCommand(args: readonly string[]): void {
  const { positionals, values } = parsed(args, {
    output: { type: 'string', short: 'o' },
    carry: { type: 'string' },
    job: { type: 'string' },
    report: { type: 'string' },
  });
  const [input] = positionals;
  const { output, carry = 'bare' } = values;
  if (!input || typeof output !== 'string') throw new BadUsage('', TO_MIDI_USAGE);
  if (!/\.midi?$/i.test(output)) throw new BadUsage(say('cli.outputMidi', { output }), TO_MIDI_USAGE);
  if (!PRESETS.includes(carry as Preset))
    throw badOption('carry', say('cli.oneOf', { values: PRESETS.join(', ') }), carry, TO_MIDI_USAGE);
  const ledger = typeof values.job === 'string' ? jobLedger(values.job) : null;
  const asked = typeof values.carry === 'string' ? { preset: carry as Preset } : {};
  const decided = ledger ? settingsOf(ledger) : NO_JOB_SETTINGS;
  const settings = withSequencing({ ...asked, files: 'one' }, decided);
  const originals = readOriginals(positionals);
  const { files, report } = named(input, () => openSequence(originals).files(settings));
  writeFileSync(output, files[0]!.bytes);
  if (typeof values.report === 'string') writeFileSync(values.report, JSON.stringify(report, null, 2));
}
