/*
 * Places for what is struck: two sounds that share a place on the staff never stand side by side.
 *
 *     map      conga, timbale and wood block all on E5            placed   conga E5, timbale D5 (its own), wood block A5
 *
 * Takes a drum map and the strokes of a part; gives the map with places of their own for sounds that are struck
 * together. Kinds of one instrument (two bass drums, two snares) keep their common place: together they are one head.
 * The usual sounds of a kit stay where drummers look for them, the others move to the nearest free line or space.
 */
import { diatonicNumber, STEPS } from '../../score';
import type { DrumMap, DrumSound } from '../../instruments';
import type { MidiKey, WrittenUnits } from '../../time';

/** Two keys of one kind: written on one place, and as one head when struck together. */
export const ONE_KIND: readonly { keys: readonly [MidiKey, MidiKey]; name: string }[] = [
  { keys: [36, 35], name: 'bass drum' },
  { keys: [38, 40], name: 'snare drum' },
];
/** These keep their places before all others, in this order. */
const KIT: readonly MidiKey[] = [
  36, 35, 38, 40, 42, 46, 44, 51, 59, 49, 57, 41, 43, 45, 47, 48, 50, 53, 37, 39, 52, 55, 56, 54,
];
/** Steps from C of octave 0: from the space below the staff to the second ledger line above it. */
const LOWEST = 29;
const HIGHEST = 41;

/** @param strokes of the part */
export function placedApart(map: DrumMap, strokes: readonly { key: MidiKey; start: WrittenUnits }[]): DrumMap {
  const together = struckTogether(strokes);
  const played = [...new Set(strokes.map(({ key }) => key))].sort((a, b) => rank(a) - rank(b));
  const placed = new Map<MidiKey, number>();
  for (const key of played) {
    const home = placeOf(map.get(key));
    const taken = [...placed]
      .filter(([other]) => !sameKind(key, other) && together.get(key)?.has(other))
      .map(([, place]) => place);
    // A place that nobody else has at all is the best; one that is only never struck at the same time will do.
    const others = [...placed].filter(([other]) => !sameKind(key, other)).map(([, place]) => place);
    placed.set(key, taken.includes(home) ? (nearestFree(home, others) ?? nearestFree(home, taken) ?? home) : home);
  }
  const moved = [...placed].filter(([key, place]) => place !== placeOf(map.get(key)));
  return moved.length === 0
    ? map
    : new Map([
        ...map,
        ...moved.map(([key, place]): [MidiKey, DrumSound] => [
          key,
          { ...map.get(key)!, step: STEPS[place % 7]!, octave: Math.floor(place / 7) },
        ]),
      ]);
}

function rank(key: MidiKey): number {
  const i = KIT.indexOf(key);
  return i < 0 ? KIT.length + key : i;
}

function sameKind(a: MidiKey, b: MidiKey): boolean {
  return ONE_KIND.some(({ keys }) => keys.includes(a) && keys.includes(b));
}

const placeOf = (sound: DrumSound | undefined) =>
  sound ? diatonicNumber({ step: sound.step, alter: 0, octave: sound.octave }) : 35;

function nearestFree(home: number, taken: readonly number[]): number | null {
  for (let away = 1; away <= HIGHEST - LOWEST; away++) {
    for (const place of [home + away, home - away])
      if (place >= LOWEST && place <= HIGHEST && !taken.includes(place)) return place;
  }
  return null;
}

function struckTogether(strokes: readonly { key: MidiKey; start: WrittenUnits }[]): Map<MidiKey, Set<MidiKey>> {
  const byStart = new Map<WrittenUnits, Set<MidiKey>>();
  for (const { key, start } of strokes) byStart.set(start, (byStart.get(start) ?? new Set<MidiKey>()).add(key));
  const together = new Map<MidiKey, Set<MidiKey>>();
  for (const keys of byStart.values())
    for (const key of keys) {
      const others = together.get(key) ?? new Set<MidiKey>();
      together.set(key, others);
      for (const other of keys) if (other !== key) others.add(other);
    }
  return together;
}
