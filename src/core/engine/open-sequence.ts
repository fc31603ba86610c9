/* Originals of any kind laid out for a sequencer. */
import { MidiSequencing } from './midi-sequencing';
import { readOriginals } from './originals';
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
