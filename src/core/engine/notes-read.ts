/*
 * Whether every note of a score file was read: counted in the file by the strict reader, which shares nothing with ours, and in
 * what ours made of it.
 */
import { say } from '../words';
import { readerSees } from '../receivers/strict-reader';
import { graceNotesOf, type Score } from '../score';

export interface NotesRead {
  /** Heads in the files, tied ones, cues and grace notes too. */
  inFiles: number;
  read: number;
}

/** @returns null where the strict reader cannot count a file: nothing is claimed then */
export function notesRead(files: readonly Uint8Array[], score: Score): NotesRead | null {
  try {
    const inFiles = files.reduce(
      (sum, bytes) => sum + readerSees(bytes).parts.reduce((notes, part) => notes + part.notes, 0),
      0,
    );
    return { inFiles, read: headsIn(score) };
  } catch {
    return null;
  }
}

function headsIn({ parts }: Score): number {
  let heads = 0;
  for (const { bars } of parts)
    for (const { voices } of bars)
      for (const { symbols } of voices)
        for (const symbol of symbols) heads += symbol.notes.length + graceNotesOf(symbol).length;
  return heads;
}

/** What the reading lost, in a sentence; none where every note was read. */
export function readingInWords({ inFiles, read }: NotesRead): string | null {
  if (inFiles === read) return null;
  return read < inFiles
    ? say('engine.inFilesOfInFiles2NotesInTheFile', { inFiles: inFiles - read, inFiles2: inFiles })
    : say('engine.readNotesWereReadWhereTheFileHas', { read, inFiles });
}
