/* Originals of any kind laid out for a sequencer. */
import { MidiSequencing } from './midi-sequencing';
import { readOriginals } from './originals';
import { ScoreSequencing } from './score-sequencing';
import type { SequenceDesk } from './sequence-desk';

/**
 * Scores go as one, a part or a few in each; of several MIDI files the first one goes.
 *
 * @throws SmfError or MusicXmlError with one sentence
 */
export function openSequence(files: readonly Uint8Array[]): SequenceDesk {
  const { score, midi } = readOriginals(files);
  return score ? new ScoreSequencing(score) : new MidiSequencing(midi[0]!, midi.length - 1);
}
