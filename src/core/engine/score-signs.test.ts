import { describe, expect, it } from 'vitest';
import { schemaErrors } from '../../testing/musicxml-schema';
import { SIGN_CASES } from '../../testing/score-signs';
import { many } from '../../testing/tiers';
import { censusOf, missingIn, missingInWords } from '../receivers/census';
import { EMPTY_LEDGER, enter, settingsOf } from '../documents';
import { NO_SETTINGS } from '../settings';
import { ScoreDesk } from './score-desk';
import { exportScore } from './score-formats';

/* Small scores of one sign each, from the lists of the MusicXML 4.0 schema: in as a file, out as a file. */

const bytesOf = (text: string) => new TextEncoder().encode(text);
const textOf = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

function opened(musicXml: string, settings = NO_SETTINGS): ScoreDesk {
  const desk = ScoreDesk.open([bytesOf(musicXml)], settings);
  desk.convert(settings);
  return desk;
}

const lacking = (bytes: Uint8Array, source: string) =>
  missingIn(censusOf(bytes), censusOf(bytesOf(source)), [0]).map(missingInWords);

describe('a sign of a score', () => {
  it.each(SIGN_CASES.map((one) => [one.name, one] as const))('goes out as it came: %s', (_, { musicXml, kept }) => {
    expect(kept.test(musicXml)).toBe(true);
    const written = opened(musicXml).export('musicxml', { version: '4.0' });
    expect(textOf(written)).toMatch(kept);
    expect(lacking(written, musicXml)).toEqual([]);
  });
  it('leaves files that the schemas of both versions take', async () => {
    // All of them with `npm run test:long`.
    const each = Math.max(1, Math.round(SIGN_CASES.length / many(12, SIGN_CASES.length)));
    for (const [i, { name, musicXml }] of SIGN_CASES.entries()) {
      if (i % each !== 0 && !name.includes('alter 0')) continue;
      const desk = opened(musicXml);
      for (const version of ['3.0', '4.0'] as const)
        expect([name, await schemaErrors(textOf(desk.export('musicxml', { version })))]).toEqual([name, []]);
    }
  }, 600_000);
  it('that is lost is named by the census, which knows nothing of what carries', () => {
    const lost = SIGN_CASES.flatMap(({ name, musicXml, kept }) => {
      const written = exportScore(opened(musicXml).convert(NO_SETTINGS).printed, 'musicxml', { version: '4.0' });
      return kept.test(textOf(written)) ? [] : [{ name, said: lacking(written, musicXml) }];
    });
    expect(lost.length).toBeGreaterThan(80);
    expect(lost.filter(({ said }) => said.length === 0)).toEqual([]);
  });
});

describe('what is carried', () => {
  const stopped = SIGN_CASES.find(({ name }) => name.includes('<stopped/>'))!;
  it('stays with its note where others are moved, and goes with one that is deleted', () => {
    const desk = opened(stopped.musicXml);
    const part = desk.convert(NO_SETTINGS).score.parts[0]!.id;
    const after = (decision: Parameters<typeof enter>[1]) =>
      textOf(opened(stopped.musicXml, settingsOf(enter(EMPTY_LEDGER, decision))).export('musicxml'));
    expect(after({ kind: 'removeNotes', part, notes: [2] })).toContain('<stopped/>');
    expect(after({ kind: 'removeNotes', part, notes: [0] })).not.toContain('<stopped/>');
  });
  it('is not put on a clef that somebody chose instead', () => {
    const [sign] = SIGN_CASES.filter(({ name }) => name.includes('<accent/>'));
    const musicXml = sign!.musicXml.replace('<clef>', '<clef color="#0000FF">');
    const part = opened(musicXml).convert(NO_SETTINGS).score.parts[0]!.id;
    expect(textOf(opened(musicXml).export('musicxml'))).toContain('<clef color="#0000FF">');
    const settings = settingsOf(enter(EMPTY_LEDGER, { kind: 'chooseClef', part, staff: 1, clef: 'alto' }));
    const written = textOf(opened(musicXml, settings).export('musicxml'));
    expect(written).toContain('<line>3</line>');
    expect(written).not.toContain('#0000FF');
  });
  it('of a page stays with the score, and does not go with a part alone', () => {
    const subtitle = SIGN_CASES.find(({ name }) => name === 'head: subtitle')!;
    const first = /<part id="P1">.*<\/part>/s.exec(subtitle.musicXml)![0];
    const musicXml = subtitle.musicXml
      .replace('</score-part>', '</score-part><score-part id="P2"><part-name>Oboe</part-name></score-part>')
      .replace(first, `${first}${first.replace('P1', 'P2')}`);
    const desk = opened(musicXml);
    const { parts } = desk.convert(NO_SETTINGS).printed;
    expect(textOf(desk.export('musicxml'))).toMatch(subtitle.kept);
    expect(textOf(desk.export('musicxml', { part: parts[1]!.id }))).not.toMatch(subtitle.kept);
  });
  it('is not put back where somebody took a mark of the model away', () => {
    const accent = SIGN_CASES.find(({ name }) => name.endsWith('<accent/>'))!;
    const part = opened(accent.musicXml).convert(NO_SETTINGS).score.parts[0]!.id;
    const settings = settingsOf(
      enter(EMPTY_LEDGER, { kind: 'setArticulation', part, notes: [0], articulation: 'accent', on: false }),
    );
    const written = opened(accent.musicXml, settings).export('musicxml');
    expect(textOf(written)).not.toContain('<accent');
    expect(lacking(written, accent.musicXml)).toEqual(['accent (bar 1)']);
  });
});
