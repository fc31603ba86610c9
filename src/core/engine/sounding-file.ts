/* A file of any kind as it sounds, to be held against another. */
import { musicOfPerformance, musicOfSequence, type SoundingMusic } from '../proof';
import { performanceFromSmf } from '../performance';
import { readMusicXml } from '../musicxml';
import type { Score } from '../score';
import { USUAL_SEQUENCING } from '../settings';
import { assertOneTimeLine, readSmf } from '../smf';
import { toSequencer } from '../to-sequencer';
import { isScoreFile } from './file-kind';

/** A score as our own playback has it. */
export function soundingScore(score: Score): SoundingMusic {
  return musicOfSequence(score, toSequencer(score, USUAL_SEQUENCING)[0]!);
}

/** What a file sounds like: MIDI as it is, a score as our own playback has it. @throws SmfError or MusicXmlError */
export function soundingFile(bytes: Uint8Array): SoundingMusic {
  if (isScoreFile(bytes)) return soundingScore(readMusicXml(bytes).score);
  const reading = readSmf(bytes);
  assertOneTimeLine(reading.file);
  return musicOfPerformance(performanceFromSmf(reading));
}
