export { readMusicXml, type MusicXmlReading } from './read';
export { MusicXmlError, type MusicXmlErrorCode, type MusicXmlWarning } from './errors';
