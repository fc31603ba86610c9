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

/** What means the same in other words, or contradicts the rest of its score, by the reason. */
const SAID_OTHERWISE: Readonly<Record<string, readonly string[]>> = {
  'who wrote the file': ['software = some', 'supports @type = no', 'supports @element = some'],
  'our own, of the instrument that was cast': ['instrument-name = some', 'instrument-sound = some'],
  'empty, says nothing': [
    ...['work =', 'note/notations =', 'forward =', 'print ='],
    ...['ornaments', 'technical', 'articulations'].map((name) => `note/notations/${name} =`),
  ],
  'usual, left out': [
    ...[
      'note/grace @slash = no',
      'note/staff = 1',
      'direction/staff = 1',
      'forward/staff = 1',
      'attributes/staves = 1',
    ],
    ...['tied', 'tuplet', 'arpeggiate'].map((name) => `note/notations/${name} @number = 1`),
    ...['key', 'time', 'clef', 'transpose'].map((name) => `attributes/${name} @number = 1`),
    ...['direction/direction-type/pedal @number = 1', 'direction/sound @dacapo = no', 'sound @dacapo = no'],
    ...['print @new-system = no', 'print @new-page = no', 'barline @location = left', 'barline @location = middle'],
  ],
  'a note is written by its length, its place and its neighbours': [
    ...['1024th', '512th', '256th', '128th', '64th', '32nd', '16th', 'eighth', 'half', 'breve', 'long', 'maxima'].map(
      (type) => `note/type = ${type}`,
    ),
    ...['note/chord =', 'note/dot =', 'note/unpitched =', 'note/rest @measure = yes', 'note/rest @measure = no'],
    'note/instrument =',
  ],
  'voices, divisions and places are counted anew': [
    ...['note/voice = some', 'forward/voice = some', 'direction/voice = some', 'attributes/divisions = 4'],
    ...['direction/offset = 1', 'direction/sound/offset = 1', 'harmony/offset = 1'],
    ...['direction/sound/offset @sound = yes', 'direction/sound/offset @sound = no'],
  ],
  'an end and a beginning; up and down; to where the notes end': [
    ...['note/notations/tied @type = continue', 'direction/direction-type/pedal @type = change'],
    'note/lyric/extend @type = stop',
  ],
  'beyond what is played, or heard by a sign that we write for it': [
    ...['note @dynamics = 1', 'direction/sound @tempo = 1', 'sound @tempo = 1'],
    ...['direction/sound @dynamics = 1', 'sound @dynamics = 1', 'direction/sound @fine = some', 'sound @fine = some'],
    ...['direction/sound @time-only = 1', 'sound @time-only = 1'],
  ],
  'no meter': ['beats', 'beat-type', 'senza-misura'].map((name) => `attributes/time/${name} = some`),
  'a clef for frets where there are none': ['attributes/clef/sign = TAB'],
  'an ending that begins at the end of its bar': ['barline/ending = some'],
};
const OTHERWISE = new Set(Object.values(SAID_OTHERWISE).flat());

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
  `${path.slice(path[1] === 'part' ? 3 : -1).join('/')}${attribute ? ` @${attribute}` : ''} = ${value}`.trim();

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
      else if (OTHERWISE.has(label)) counts.otherwise++;
      else lost.push(label);
    }
    expect(lost).toEqual([]);
    expect(counts.kept).toBeGreaterThan(0.9 * (counts.kept + counts.named + counts.otherwise));
    if (each === 1) expect(counts).toEqual({ kept: 2079, named: 43, otherwise: 75 });
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
