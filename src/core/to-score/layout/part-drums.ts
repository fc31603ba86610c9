/*
 * How a percussion part is read: which key is written where.
 *
 * Takes a part and what people chose for it; gives its map, with an entry for every key that is played, and the lines
 * of its staff. A part with a single sound stands on a single line; keys outside the map are spread over the staff so
 * that they can be told apart.
 */
import type { CastPart } from '../../casting';
import { GENERAL_MIDI_DRUMS, type DrumMap, type DrumSound } from '../../instruments';
import type { MidiKey, WrittenUnits } from '../../time';
import { placedApart } from './drum-places';
import type { DrumMapChoice } from '../../settings';

export interface PartDrums {
  map: DrumMap;
  staffLines: 1 | 5;
  /** Keys that are played but stand in no map. */
  unmapped: MidiKey[];
  /** Sounds that are struck together were given places of their own. */
  spread: boolean;
}

const SPREAD: readonly Pick<DrumSound, 'step' | 'octave'>[] = [
  { step: 'C', octave: 5 },
  { step: 'E', octave: 5 },
  { step: 'A', octave: 4 },
  { step: 'D', octave: 5 },
  { step: 'B', octave: 4 },
  { step: 'G', octave: 4 },
  { step: 'F', octave: 5 },
];

export function partDrums(
  part: Pick<CastPart, 'instrument' | 'name'>,
  strokes: readonly { key: MidiKey; start: WrittenUnits }[],
  choice: DrumMapChoice | undefined,
  meanings: Readonly<Record<MidiKey, MidiKey>> = {},
): PartDrums {
  const played = [...new Set(strokes.map((stroke) => stroke.key))].sort((a, b) => a - b);
  if (!choice && part.instrument.id !== 'drum-kit' && played.length < 2) {
    return {
      map: new Map(
        played.map((key) => [key, { key, name: part.name, step: 'B', octave: 4, notehead: 'normal', limb: 'hands' }]),
      ),
      staffLines: 1,
      unmapped: [],
      spread: false,
    };
  }
  const base: DrumMap = choice ? new Map(choice.sounds.map((sound) => [sound.key, sound])) : GENERAL_MIDI_DRUMS;
  const map = new Map(base);
  const unmapped: MidiKey[] = [];
  for (const key of played) {
    const meant = meanings[key] === undefined ? undefined : base.get(meanings[key]);
    if (meant) map.set(key, { ...meant, key });
    else if (!base.has(key)) {
      map.set(key, {
        key,
        name: `Key ${key}`,
        ...SPREAD[unmapped.length % SPREAD.length]!,
        notehead: 'slash',
        limb: 'hands',
      });
      unmapped.push(key);
    }
  }
  // A map that somebody made is right as it is.
  const apart = choice ? map : placedApart(map, strokes);
  return { map: apart, staffLines: 5, unmapped, spread: apart !== map };
}

/** Sounds of the map whose keys lie nearest to one it does not have. */
export function nearestSounds(map: DrumMap, key: MidiKey, unmapped: readonly MidiKey[], most = 3): DrumSound[] {
  return [...map.values()]
    .filter((sound) => !unmapped.includes(sound.key))
    .sort((a, b) => Math.abs(a.key - key) - Math.abs(b.key - key) || a.key - b.key)
    .slice(0, most);
}
