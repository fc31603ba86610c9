export {
  MUSICXML_VERSIONS,
  musicXmlTree,
  writeMusicXml,
  type MusicXmlOptions,
  type MusicXmlVersion,
} from './write/write';
export { compressMusicXml } from './compressed';
export { carryOver, sourceOf, type SourceScore } from './carry';
export * from './read';
