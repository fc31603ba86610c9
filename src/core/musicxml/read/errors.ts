/** Every sentence the MusicXML reader can say, in one place. What happened, where, what to do now. */

export type MusicXmlErrorCode =
  | 'empty'
  | 'not-xml'
  | 'not-musicxml'
  | 'entities'
  | 'too-deep'
  | 'too-large'
  | 'no-parts'
  | 'bad-zip'
  | 'no-score-in-zip';

/** The file cannot be read at all. */
export class MusicXmlError extends Error {
  override readonly name = 'MusicXmlError';

  constructor(
    readonly code: MusicXmlErrorCode,
    message: string,
    /** From 1; 0 where there is no place. */
    readonly line = 0,
    readonly column = 0,
    /** Elements from the root to the place. */
    readonly path = '',
  ) {
    super(message);
  }
}

/** The file was read, but not all of it made sense. */
export interface MusicXmlWarning {
  message: string;
  /** Part id in the file. */
  part?: string;
  /** Bar index. */
  bar?: number;
  line?: number;
}

export const musicXmlErrors = {
  empty: () => new MusicXmlError('empty', 'The file is empty. Ask for it again, or export it once more.'),
  notXml: (why: string, line: number, column: number, path: string) =>
    new MusicXmlError(
      'not-xml',
      `The XML breaks off or is damaged at line ${line}, column ${column}${path ? ` (in ${path})` : ''}: ${why}. Export the score again as MusicXML.`,
      line,
      column,
      path,
    ),
  notMusicXml: (root: string) =>
    new MusicXmlError(
      'not-musicxml',
      `This is XML, but no score: it begins with <${root}> where <score-partwise> or <score-timewise> belongs. Export the score as MusicXML.`,
    ),
  entities: (line: number) =>
    new MusicXmlError(
      'entities',
      `The file declares XML entities of its own (line ${line}), which no score needs and which can be harmful. It was not opened; export the score again as MusicXML.`,
      line,
    ),
  tooDeep: (line: number, path: string) =>
    new MusicXmlError(
      'too-deep',
      `The XML is nested deeper than any score (line ${line}). It was not opened; export the score again as MusicXML.`,
      line,
      0,
      path,
    ),
  tooLarge: (mebibytes: number, limit: number) =>
    new MusicXmlError(
      'too-large',
      `The score has ${mebibytes} MiB of text; at most ${limit} MiB can be read. Export it in sections.`,
    ),
  noParts: () =>
    new MusicXmlError('no-parts', 'The score has no part with bars in it. Export it again with its parts selected.'),
  badZip: () =>
    new MusicXmlError(
      'bad-zip',
      'The compressed score is damaged or is no .mxl file. Export it again, or as plain .musicxml.',
    ),
  noScoreInZip: () =>
    new MusicXmlError(
      'no-score-in-zip',
      'The compressed file holds no score where its container says. Export it again, or as plain .musicxml.',
    ),
};
