/* A difference in words, for lists and the command line. */
import { say } from '../../words';
import { GENERAL_MIDI_DRUMS } from '../../instruments';
import { keyInWords } from '../../score';
import type { MidiKey } from '../../time';
import type { Difference } from './model';

/** "C4", or "drum key 81 (open triangle)". */
export function soundInWords(key: MidiKey, drum: boolean): string {
  if (!drum) return keyInWords(key);
  const name = GENERAL_MIDI_DRUMS.get(key)?.name;
  return say('proof.drumKey', { key, name: Boolean(name), name2: name?.toLowerCase() });
}

export function differenceInWords({ kind, key, otherKey, drum, milliseconds, why }: Difference): string {
  const sound = soundInWords(key, drum === true);
  const by = say('proof.millisecondsMs', { milliseconds: Math.abs(milliseconds).toFixed(0) });
  const what = {
    moved: say('proof.soundBeginsByLater', { sound, by, millisecondsOver0: milliseconds > 0 }),
    length: say('proof.soundIsByLonger', { sound, by, millisecondsOver0: milliseconds > 0 }),
    pitch: say('proof.soundSoundsAsSoundInWords', {
      sound,
      soundInWords: soundInWords(otherKey ?? key, drum === true),
    }),
    missing: say('proof.soundIsMissing', { sound }),
    extra: say('proof.soundIsExtra', { sound }),
  }[kind];
  return why ? `${what}: ${why}` : what;
}
