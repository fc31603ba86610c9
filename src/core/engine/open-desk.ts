/* Originals of any kind laid out in either direction. */
import type { JobSettings } from '../settings';
import type { Desk } from './desk';
import { MidiSequencing } from './midi-sequencing';
import { readOriginals } from './originals';
import { ScoreDesk } from './score-desk';
import { ScoreSequencing } from './score-sequencing';
import type { SequenceDesk } from './sequence-desk';

/**
 * Scores go as one, a part or a few in each, a MIDI file beside them as how they were played; of several MIDI files alone
 * the first one goes.
 *
 * @throws SmfError or MusicXmlError with one sentence
 */
export function openSequence(files: readonly Uint8Array[]): SequenceDesk {
  const { score, midi, kinds } = readOriginals(files);
  const [first] = midi;
  const playing = first ? { performance: first.performance, original: kinds.indexOf('midi') + 1 } : null;
  return score ? new ScoreSequencing(score, playing) : new MidiSequencing(midi[0]!, midi.length - 1);
}

/** @param fileName of the first original: the title where nothing in the music says one @throws SmfError or MusicXmlError */
export function openDesk(
  direction: 'to-score' | 'to-sequencer',
  files: readonly Uint8Array[],
  settings: JobSettings,
  fileName = '',
): Desk {
  return direction === 'to-score' ? ScoreDesk.open(files, settings, fileName) : openSequence(files);
}
