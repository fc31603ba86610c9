/* A file of any kind as it sounds, to be held against another. */
import { musicOfPerformance, musicOfSequence, type SoundingMusic } from '../proof';
import { performanceFromSmf } from '../performance';
import { readMusicXml } from '../musicxml';
import { USUAL_SEQUENCING } from '../settings';
import { assertOneTimeLine, readSmf } from '../smf';
import { toSequencer } from '../to-sequencer';
import { isScoreFile } from './file-kind';

/** What a file sounds like: MIDI as it is, a score as our own playback has it. @throws SmfError or MusicXmlError */
export function soundingFile(bytes: Uint8Array): SoundingMusic {
  if (isScoreFile(bytes)) {
    const { score } = readMusicXml(bytes);
    const [whole] = toSequencer(score, { ...USUAL_SEQUENCING, files: 'one' });
    return musicOfSequence(score, whole!);
  }
  const reading = readSmf(bytes);
  assertOneTimeLine(reading.file);
  return musicOfPerformance(performanceFromSmf(reading));
}
