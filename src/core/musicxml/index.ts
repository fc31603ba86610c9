export { writeMusicXml, type MusicXmlOptions } from './write';
export { compressMusicXml } from './compressed';
