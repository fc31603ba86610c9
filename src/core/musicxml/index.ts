export { writeMusicXml, type MusicXmlOptions } from './write/write';
export { stavesOf } from './write/attributes';
export { compressMusicXml } from './compressed';
export * from './read';
