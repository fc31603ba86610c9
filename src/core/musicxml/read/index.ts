export { readMusicXml, readMusicXmlParts, type MusicXmlReading } from './read';
export { MusicXmlError, type MusicXmlErrorCode, type MusicXmlWarning } from './errors';
