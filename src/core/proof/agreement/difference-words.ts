/* A difference in words, for lists and the command line. */
import { GENERAL_MIDI_DRUMS } from '../../instruments';
import { keyInWords } from '../../score';
import type { MidiKey } from '../../time';
import type { Difference } from './model';

/** "C4", or "drum key 81 (open triangle)". */
export function soundInWords(key: MidiKey, drum: boolean): string {
  if (!drum) return keyInWords(key);
  const name = GENERAL_MIDI_DRUMS.get(key)?.name;
  return `drum key ${key}${name ? ` (${name.toLowerCase()})` : ''}`;
}

export function differenceInWords({ kind, key, otherKey, drum, milliseconds, why }: Difference): string {
  const sound = soundInWords(key, drum === true);
  const by = `${Math.abs(milliseconds).toFixed(0)} ms`;
  const what = {
    moved: `${sound} begins ${by} ${milliseconds > 0 ? 'later' : 'earlier'}`,
    length: `${sound} is ${by} ${milliseconds > 0 ? 'longer' : 'shorter'}`,
    pitch: `${sound} sounds as ${soundInWords(otherKey ?? key, drum === true)}`,
    missing: `${sound} is missing`,
    extra: `${sound} is extra`,
  }[kind];
  return why ? `${what}: ${why}` : what;
}
