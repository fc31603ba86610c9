import { writeFileSync } from 'node:fs';
import { settingsOf, toCleanMidi, USUAL_DIRECTION_B, type CleanMidi } from '../core/job';
import { BadInput, BadUsage } from './errors';
import { jobLedger, readFile } from './input';
import { parsed } from './arguments';
import { PRESETS, type Preset } from '../core/to-sequencer';

export const TO_MIDI_USAGE =
  'dragoman to-midi IN.musicxml|IN.mxl|IN.mid -o OUT.mid [--carry bare|expression|everything] [--job JOB.json] [--report R.json]';

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
  if (positionals.length !== 1 || !input || typeof output !== 'string') throw new BadUsage(`Usage: ${TO_MIDI_USAGE}`);
  if (!/\.midi?$/i.test(output))
    throw new BadUsage(`The output must end in .mid, not “${output}”.\nUsage: ${TO_MIDI_USAGE}`);
  if (!PRESETS.includes(carry as Preset))
    throw new BadUsage(
      `--carry takes bare, expression or everything, not “${String(carry)}”.\nUsage: ${TO_MIDI_USAGE}`,
    );
  const ledger = typeof values.job === 'string' ? jobLedger(values.job) : null;
  const asked = typeof values.carry === 'string' ? { preset: carry as Preset } : {};
  const settings = { ...(ledger ? settingsOf(ledger).sequencing : USUAL_DIRECTION_B), ...asked };
  const result = converted(readFile(input), input, settings);
  writeFileSync(output, result.files[0]!.bytes);
  if (typeof values.report === 'string') writeFileSync(values.report, JSON.stringify(result.report, null, 2));
}

function converted(bytes: Uint8Array, fileName: string, settings: Parameters<typeof toCleanMidi>[1]): CleanMidi {
  try {
    return toCleanMidi(bytes, { ...settings, files: 'one' });
  } catch (error) {
    if (['SmfError', 'MusicXmlError'].includes((error as Error).name))
      throw new BadInput(`${fileName}: ${(error as Error).message}`);
    throw error;
  }
}
