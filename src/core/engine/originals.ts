/* The originals of a job as they were read: MIDI files, scores, or both. */
import { readMusicXmlParts, sourceOf, type MusicXmlReading, type SourceScore } from '../musicxml';
import { performanceFromSmf, type Performance } from '../performance';
import { readSmf, type SmfReading } from '../smf';
import { isScoreFile } from './file-kind';
import { notesRead, type NotesRead } from './notes-read';

/** A MIDI file as it was read. */
export interface MidiOriginal {
  reading: SmfReading;
  performance: Performance;
}

export interface Originals {
  /** In the order they were received. */
  midi: readonly MidiOriginal[];
  /** All scores together as one; null where there is none. */
  score: MusicXmlReading | null;
  /** Bytes of all. */
  size: number;
  /** What each is. */
  kinds: readonly ('midi' | 'score')[];
  /** The files of the scores. */
  scoreFiles: readonly Uint8Array[];
  /** The scores as they came, for what our model does not hold; parsed when asked for, and kept while memory allows. */
  source: () => SourceScore | null;
  /** What of the scores' notes was read; counted when it is first asked for. */
  notesRead: () => NotesRead | null;
}

/** @throws SmfError or MusicXmlError with one sentence when one of the files cannot be read */
export function readOriginals(files: readonly Uint8Array[]): Originals {
  const kinds = files.map((bytes) => (isScoreFile(bytes) ? ('score' as const) : ('midi' as const)));
  const scores = files.filter((_, i) => kinds[i] === 'score');
  const score = scores.length > 0 ? readMusicXmlParts(scores) : null;
  let counted: NotesRead | null | undefined;
  return {
    midi: files.filter((_, i) => kinds[i] === 'midi').map(readMidi),
    score,
    size: files.reduce((sum, bytes) => sum + bytes.length, 0),
    kinds,
    scoreFiles: scores,
    source: score ? keptWhileUsed(() => sourceOf(scores)) : () => null,
    notesRead: () => (counted ??= score && notesRead(scores, score.score)),
  };
}

/** A large score's tree takes ten times its text: it goes when memory is wanted. */
function keptWhileUsed<T extends object>(make: () => T): () => T {
  let known: WeakRef<T> | null = null;
  return () => {
    const made = known?.deref() ?? make();
    known = new WeakRef(made);
    return made;
  };
}

/** @throws SmfError */
export function readMidi(bytes: Uint8Array): MidiOriginal {
  const reading = readSmf(bytes);
  return { reading, performance: performanceFromSmf(reading) };
}
