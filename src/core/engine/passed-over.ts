/*
 * What a score says beyond what can be changed here: counted in its files, and in what our writer makes of what our reader
 * read, by the census that shares nothing with either.
 */
import { readMusicXmlParts, writeMusicXml } from '../musicxml';
import { censusOf, censusOfAll, missingIn, missingInWords } from '../receivers/census';

/** Stems and beams are drawn by rule wherever nobody drew them by hand; two ornaments are played as their kin. */
const BY_RULE = /^(?:stem “(?:up|down)”|beam “|shake$|delayed-turn$)/;

/**
 * @param files scores of one piece
 * @returns each kind with its number and first bar, the commonest first; none where the census cannot count a file
 */
export function passedOver(files: readonly Uint8Array[]): string[] {
  const source = censusOfAll(files);
  if (!source) return [];
  const written = writeMusicXml(readMusicXmlParts(files).score, { version: '4.0', breaks: true });
  const missing = missingIn(
    censusOf(new TextEncoder().encode(written)),
    source,
    source.parts.map((_, part) => part),
  );
  return missing.filter(({ what }) => !BY_RULE.test(what)).map(missingInWords);
}
