import type { MidiKey } from '../time';

export const NOTEHEADS = ['normal', 'x', 'circle-x', 'diamond', 'triangle', 'slash'] as const;
export type Notehead = (typeof NOTEHEADS)[number];

/** How one percussion key is written. */
export interface DrumSound {
  key: MidiKey;
  name: string;
  /** Place on a five-line staff, read as in treble clef. */
  step: 'A' | 'B' | 'C' | 'D' | 'E' | 'F' | 'G';
  octave: number;
  notehead: Notehead;
  /** Hands are written stems up (voice 1), feet stems down (voice 2). */
  limb: 'hands' | 'feet';
}

export type DrumMap = ReadonlyMap<MidiKey, DrumSound>;

const sound = (
  key: MidiKey,
  name: string,
  place: string,
  notehead: Notehead = 'normal',
  limb: DrumSound['limb'] = 'hands',
): DrumSound => ({
  key,
  name,
  step: place[0] as DrumSound['step'],
  octave: Number(place[1]),
  notehead,
  limb,
});

/**
 * Keys and names: General MIDI Level 1 percussion key assignments (MIDI Association). Staff places and noteheads:
 * common practice of drum notation, no single source.
 */
export const GENERAL_MIDI_DRUMS: DrumMap = new Map(
  [
    sound(35, 'Acoustic Bass Drum', 'F4', 'normal', 'feet'),
    sound(36, 'Bass Drum 1', 'F4', 'normal', 'feet'),
    sound(37, 'Side Stick', 'C5', 'x'),
    sound(38, 'Acoustic Snare', 'C5'),
    sound(39, 'Hand Clap', 'B4', 'x'),
    sound(40, 'Electric Snare', 'C5'),
    sound(41, 'Low Floor Tom', 'G4'),
    sound(42, 'Closed Hi-Hat', 'G5', 'x'),
    sound(43, 'High Floor Tom', 'A4'),
    sound(44, 'Pedal Hi-Hat', 'D4', 'x', 'feet'),
    sound(45, 'Low Tom', 'B4'),
    sound(46, 'Open Hi-Hat', 'G5', 'x'),
    sound(47, 'Low-Mid Tom', 'D5'),
    sound(48, 'Hi-Mid Tom', 'D5'),
    sound(49, 'Crash Cymbal 1', 'A5', 'x'),
    sound(50, 'High Tom', 'E5'),
    sound(51, 'Ride Cymbal 1', 'F5', 'x'),
    sound(52, 'Chinese Cymbal', 'B5', 'x'),
    sound(53, 'Ride Bell', 'F5', 'diamond'),
    sound(54, 'Tambourine', 'E5', 'triangle'),
    sound(55, 'Splash Cymbal', 'B5', 'diamond'),
    sound(56, 'Cowbell', 'E5', 'x'),
    sound(57, 'Crash Cymbal 2', 'A5', 'x'),
    sound(58, 'Vibraslap', 'D5', 'x'),
    sound(59, 'Ride Cymbal 2', 'F5', 'x'),
    sound(60, 'Hi Bongo', 'E5'),
    sound(61, 'Low Bongo', 'D5'),
    sound(62, 'Mute Hi Conga', 'E5', 'x'),
    sound(63, 'Open Hi Conga', 'E5'),
    sound(64, 'Low Conga', 'C5'),
    sound(65, 'High Timbale', 'E5'),
    sound(66, 'Low Timbale', 'C5'),
    sound(67, 'High Agogo', 'E5', 'triangle'),
    sound(68, 'Low Agogo', 'C5', 'triangle'),
    sound(69, 'Cabasa', 'C5', 'x'),
    sound(70, 'Maracas', 'C5', 'x'),
    sound(71, 'Short Whistle', 'G5', 'diamond'),
    sound(72, 'Long Whistle', 'G5', 'diamond'),
    sound(73, 'Short Guiro', 'B4', 'x'),
    sound(74, 'Long Guiro', 'B4', 'x'),
    sound(75, 'Claves', 'D5', 'x'),
    sound(76, 'Hi Wood Block', 'E5', 'triangle'),
    sound(77, 'Low Wood Block', 'C5', 'triangle'),
    sound(78, 'Mute Cuica', 'C5', 'x'),
    sound(79, 'Open Cuica', 'C5'),
    sound(80, 'Mute Triangle', 'A5', 'triangle'),
    sound(81, 'Open Triangle', 'A5', 'triangle'),
  ].map((entry) => [entry.key, entry]),
);

/** The map's entry, or a neutral one for a key outside the map so that the note is still seen. */
export function drumSound(map: DrumMap, key: MidiKey): DrumSound {
  return map.get(key) ?? { key, name: `Key ${key}`, step: 'C', octave: 5, notehead: 'slash', limb: 'hands' };
}
