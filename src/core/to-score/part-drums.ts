/*
 * How a percussion part is read: which key is written where.
 *
 * Takes a part and what people chose for it; gives its map, with an entry for every key that is played, and the lines of its staff. An
 * instrument with a single sound stands on a single line; keys outside the map are spread over the staff so that they can be told apart.
 */
import type { CastPart } from '../casting';
import { GENERAL_MIDI_DRUMS, type DrumMap, type DrumSound } from '../instruments';
import type { MidiKey, WrittenUnits } from '../time';
import { placedApart } from './drum-places';
import type { DrumMapChoice } from './settings';

export interface PartDrums {
  map: DrumMap;
  staffLines: 1 | 5;
  /** Keys that are played but stand in no map. */
  unmapped: MidiKey[];
}

/** Instruments that are many things to strike. */
const KITS: readonly string[] = ['drum-kit', 'percussion'];
const SPREAD: readonly Pick<DrumSound, 'step' | 'octave'>[] = [{ step: 'C', octave: 5 }, { step: 'E', octave: 5 }, { step: 'A', octave: 4 }, { step: 'D', octave: 5 }, { step: 'B', octave: 4 }, { step: 'G', octave: 4 }, { step: 'F', octave: 5 }];

export function partDrums(part: Pick<CastPart, 'instrument' | 'name'>, strokes: readonly { key: MidiKey; start: WrittenUnits }[], choice: DrumMapChoice | undefined, meanings: Readonly<Record<MidiKey, MidiKey>> = {}): PartDrums {
  const played = [...new Set(strokes.map((stroke) => stroke.key))].sort((a, b) => a - b);
  if (!choice && !KITS.includes(part.instrument.id) && played.length < 2) {
    return { map: new Map(played.map((key) => [key, { key, name: part.name, step: 'B', octave: 4, notehead: 'normal', limb: 'hands' }])), staffLines: 1, unmapped: [] };
  }
  const base: DrumMap = choice ? new Map(choice.sounds.map((sound) => [sound.key, sound])) : GENERAL_MIDI_DRUMS;
  const map = new Map(base);
  const unmapped: MidiKey[] = [];
  for (const key of played) {
    const meant = meanings[key] === undefined ? undefined : base.get(meanings[key]);
    if (meant) map.set(key, { ...meant, key });
    else if (!base.has(key)) {
      map.set(key, { key, name: `Key ${key}`, ...SPREAD[unmapped.length % SPREAD.length]!, notehead: 'slash', limb: 'hands' });
      unmapped.push(key);
    }
  }
  // A map that somebody made is right as it is.
  return { map: choice ? map : placedApart(map, strokes), staffLines: 5, unmapped };
}

/** Sounds of the map whose keys lie nearest to one it does not have. */
export function nearestSounds(map: DrumMap, key: MidiKey, unmapped: readonly MidiKey[], most = 3): DrumSound[] {
  return [...map.values()].filter((sound) => !unmapped.includes(sound.key)).sort((a, b) => Math.abs(a.key - key) - Math.abs(b.key - key) || a.key - b.key).slice(0, most);
}
