export { writeMusicXml, type MusicXmlOptions } from './write';
export { stavesOf } from './attributes';
export { compressMusicXml } from './compressed';
export * from './read';
