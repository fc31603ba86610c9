import { describe, expect, it } from 'vitest';
import { treeOf, type Node } from '../receivers/strict-reader';
import { censusOf, missingIn, missingInWords } from '../receivers/census';
import { NO_SETTINGS } from '../settings';
import { schemaCases, type SchemaCase } from '../../testing/schema-cases';
import { schemaErrors } from '../../testing/musicxml-schema';
import { many } from '../../testing/tiers';
import { ScoreDesk } from './score-desk';

/*
 * Every element, attribute and enumerated value of the MusicXML 4.0 schema in a score of its own, in as a file and out as
 * a file: there again, or named by the census. All of them with `npm run test:long`.
 */

/** What means the same in other words, or contradicts the rest of its score; the reason after each. */
const SAID_OTHERWISE: readonly (readonly [RegExp, string])[] = [
  [/^(?:software|supports)/, 'who wrote the file, not the music'],
  [/^instrument-(?:name|sound)/, 'our own, of the instrument that was cast'],
  [/ @?(?:number|type)? ?= ?$|\/(?:ornaments|technical|articulations) = $/, 'empty'],
  [/@(?:number|new-system|new-page|location|dacapo|slash|measure) = (?:1|no|yes|left|middle)$/, 'usual, left out'],
  [/^note @dynamics = 1$/, 'softer than MIDI can say'],
  [/^note\/(?:chord|dot|type|rest|tie|instrument|voice|staff|unpitched)\b/, 'contradicts values and voices beside it'],
  [/tied @type = continue/, 'an end and a beginning'],
  [/pedal @type = change/, 'up and down'],
  [/lyric\/extend @type = stop/, 'the end follows from the notes'],
  [
    /^(?:forward|print|barline|attributes\/(?:divisions|staves|time\/(?:beats|beat-type|senza-misura)))/,
    'counted otherwise',
  ],
  [/^direction\/(?:offset|voice|staff) =|^harmony\/offset =|sound\/offset/, 'stands at its place'],
  [
    /(?:^|\/)sound @(?:tempo|dynamics|dacapo|dalsegno|tocoda|fine|segno|coda)/,
    'heard by the sign that we write for it',
  ],
  [/(?:^|\/)sound (?:@time-only|=)/, 'says nothing alone'],
  [/clef\/sign = (?:TAB|jianpu|none)/, 'no clef for these notes'],
];

const bytesOf = (text: string) => new TextEncoder().encode(text);

function* within(node: Node): Generator<Node> {
  for (const one of node.children) {
    yield one;
    yield* within(one);
  }
}

function isIn(written: string, { path, attribute, value }: SchemaCase): boolean {
  const tree = treeOf(written, (measure, part) => part.children.push(measure));
  const name = path.at(-1)!;
  const said = (node: Node) => (attribute ? node.attributes[attribute] : node.text.trim());
  return [...within(tree)].some((node) => node.name === name && said(node) === value);
}

const labelOf = ({ path, attribute, value }: SchemaCase) =>
  `${path.slice(path[1] === 'part' ? 3 : -1).join('/')}${attribute ? ` @${attribute}` : ''} = ${value}`;

describe('everything the schema has', () => {
  it('comes out as it came in, or is named', () => {
    const cases = schemaCases();
    const each = Math.max(1, Math.round(cases.length / many(250, cases.length)));
    const counts = { kept: 0, named: 0, otherwise: 0 };
    const lost: string[] = [];
    for (const [i, one] of cases.entries()) {
      if (i % each !== 0) continue;
      const desk = ScoreDesk.open([bytesOf(one.musicXml)], NO_SETTINGS);
      desk.convert(NO_SETTINGS);
      const written = desk.export('musicxml', { version: '4.0' });
      const label = labelOf(one);
      if (isIn(new TextDecoder().decode(written), one)) counts.kept++;
      else if (missingIn(censusOf(written), censusOf(bytesOf(one.musicXml)), [0]).map(missingInWords).length > 0)
        counts.named++;
      else if (SAID_OTHERWISE.some(([pattern]) => pattern.test(label))) counts.otherwise++;
      else lost.push(label);
    }
    expect(lost).toEqual([]);
    expect(counts.kept).toBeGreaterThan(0.9 * (counts.kept + counts.named + counts.otherwise));
    if (each === 1) expect(counts).toEqual({ kept: 2078, named: 42, otherwise: 77 });
  });
  it('makes files that the schemas of both versions take', async () => {
    const cases = schemaCases();
    const each = Math.round(cases.length / many(6, 300));
    for (const [i, one] of cases.entries()) {
      if (i % each !== 0) continue;
      const desk = ScoreDesk.open([bytesOf(one.musicXml)], NO_SETTINGS);
      desk.convert(NO_SETTINGS);
      for (const version of ['3.0', '4.0'] as const) {
        const written = new TextDecoder().decode(desk.export('musicxml', { version }));
        expect([labelOf(one), await schemaErrors(written)]).toEqual([labelOf(one), []]);
      }
    }
  }, 600_000);
});
