import type { MidiKey } from '../time';
import { GENERAL_MIDI_DRUMS, type DrumSound, type Notehead } from './drum-map';

/** A named drum map: what each key strikes and how that is written. */
export interface DrumLayout {
  id: string;
  name: string;
  sounds: readonly DrumSound[];
}

const GENERAL = [...GENERAL_MIDI_DRUMS.values()];

const one = (
  key: MidiKey,
  name: string,
  place: string,
  notehead: Notehead = 'normal',
  limb: DrumSound['limb'] = 'hands',
): DrumSound => ({ key, name, step: place[0] as DrumSound['step'], octave: Number(place[1]), notehead, limb });

/**
 * Kits sampled from C upwards, one sound a white key: bass drum, snare, toms, then metal (common practice, no source).
 */
const FROM_C: readonly DrumSound[] = [
  one(36, 'Bass Drum', 'F4', 'normal', 'feet'),
  one(38, 'Snare Drum', 'C5'),
  one(37, 'Side Stick', 'C5', 'x'),
  one(39, 'Rim Shot', 'C5', 'diamond'),
  one(40, 'Floor Tom', 'A4'),
  one(41, 'Low Tom', 'D5'),
  one(43, 'High Tom', 'E5'),
  one(42, 'Closed Hi-Hat', 'G5', 'x'),
  one(44, 'Pedal Hi-Hat', 'D4', 'x', 'feet'),
  one(46, 'Open Hi-Hat', 'G5', 'circle-x'),
  one(45, 'Crash Cymbal', 'A5', 'x'),
  one(47, 'Ride Cymbal', 'F5', 'x'),
  one(48, 'Ride Bell', 'F5', 'diamond'),
  one(49, 'Splash Cymbal', 'B5', 'diamond'),
];

/** Low and high strokes of hand drums and small percussion in the order of the keys (common practice, no source). */
const HAND_PERCUSSION: readonly DrumSound[] = GENERAL.filter(
  ({ key }) => key >= 54 && key !== 55 && key !== 57 && key !== 59,
);

/**
 * Orchestral section on one staff: bass drum and tam-tam below, snare in the middle, metal above (common practice, no
 * source).
 */
const ORCHESTRAL: readonly DrumSound[] = [
  one(35, 'Bass Drum', 'F4'),
  one(36, 'Bass Drum', 'F4'),
  one(38, 'Snare Drum', 'C5'),
  one(40, 'Snare Drum', 'C5'),
  one(37, 'Rim', 'C5', 'x'),
  one(49, 'Clash Cymbals', 'G5', 'x'),
  one(57, 'Suspended Cymbal', 'A5', 'x'),
  one(52, 'Tam-Tam', 'D4', 'diamond'),
  one(54, 'Tambourine', 'E5', 'triangle'),
  one(81, 'Triangle', 'B5', 'triangle'),
  one(80, 'Triangle, muted', 'B5', 'x'),
  one(76, 'High Wood Block', 'F5', 'triangle'),
  one(77, 'Low Wood Block', 'D5', 'triangle'),
  one(75, 'Claves', 'E5', 'x'),
];

export const DRUM_LAYOUTS: readonly DrumLayout[] = [
  { id: 'general-midi', name: 'General MIDI', sounds: GENERAL },
  {
    id: 'one-voice',
    name: 'General MIDI, all stems up',
    sounds: GENERAL.map((sound) => ({ ...sound, limb: 'hands' })),
  },
  { id: 'from-c', name: 'Kit from C, one sound a key', sounds: FROM_C },
  { id: 'hand-percussion', name: 'Hand percussion', sounds: HAND_PERCUSSION },
  { id: 'orchestral', name: 'Orchestral percussion', sounds: ORCHESTRAL },
];
