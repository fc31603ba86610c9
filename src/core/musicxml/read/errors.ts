import { say } from '../../words';
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
  empty: () => new MusicXmlError('empty', say('musicxml.theFileIsEmptyAskForItAgainOr')),
  notXml: (why: string, line: number, column: number, path: string) =>
    new MusicXmlError(
      'not-xml',
      say('musicxml.theXMLBreaksOffOrIsDamagedAtLine', { line, column, path: Boolean(path), path2: path, why }),
      line,
      column,
      path,
    ),
  notMusicXml: (root: string) =>
    new MusicXmlError('not-musicxml', say('musicxml.thisIsXMLButNoScoreItBeginsWith', { root })),
  entities: (line: number) =>
    new MusicXmlError('entities', say('musicxml.theFileDeclaresXMLEntitiesOfItsOwn', { line }), line),
  tooDeep: (line: number, path: string) =>
    new MusicXmlError('too-deep', say('musicxml.theXMLIsNestedDeeperThanAnyScore', { line }), line, 0, path),
  tooLarge: (mebibytes: number, limit: number) =>
    new MusicXmlError('too-large', say('musicxml.theScoreHasMebibytesMiBOfTextAt', { mebibytes, limit })),
  noParts: () => new MusicXmlError('no-parts', say('musicxml.theScoreHasNoPartWithBarsInIt')),
  badZip: () => new MusicXmlError('bad-zip', say('musicxml.theCompressedScoreIsDamagedOrIsNo')),
  noScoreInZip: () => new MusicXmlError('no-score-in-zip', say('musicxml.theCompressedFileHoldsNoScoreWhere')),
};
