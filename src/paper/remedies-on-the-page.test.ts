import { describe, expect, it } from 'vitest';
import { many } from '../testing/tiers';
import { demoOriginal } from '../../demo/make';
import { EMPTY_LEDGER, enter, settingsOf } from '../core/documents';
import { ScoreDesk } from '../core/engine';
import { partId } from '../core/base';
import { writeMei } from '../core/mei';
import { writeMusicXml } from '../core/musicxml';
import { remediesFor, stepOf } from '../core/queries';
import { readerSees } from '../core/receivers/strict-reader';
import { NO_JOB_SETTINGS } from '../core/settings';
import { doubtfulPieces } from '../testing/doubtful-pieces';
import { inMusicXml, onPages } from '../testing/engraved';
import { smfBytes } from '../testing/music';
import { barOf, plainPart, plainScore } from '../testing/scores';
import { sequencersScore } from '../testing/unkind-sources';

/* Every remedy is taken and its page engraved: no staff loses music, in MusicXML or in the drawing. */

const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

/** Each remedy of each query of a job, with the page it makes; of a sample the first of each query, the others in full. */
async function pagesOf(original: Uint8Array): Promise<{ label: string; lost: string[] }[]> {
  const desk = ScoreDesk.open([original], NO_JOB_SETTINGS);
  desk.convert(NO_JOB_SETTINGS);
  const made: { label: string; lost: string[] }[] = [];
  for (const query of desk.summary().queries)
    for (const remedy of remediesFor(query).slice(0, many(1, Infinity))) {
      const settings = settingsOf(enter(EMPTY_LEDGER, stepOf(query, remedy)));
      const { score } = desk.convert(settings);
      if (score.parts.length === 0) continue;
      made.push({ label: `${query.id}: ${remedy.label}`, lost: await lostIn(desk) });
    }
  return made;
}

async function lostIn(desk: ScoreDesk): Promise<string[]> {
  const bytes = desk.export('musicxml');
  const { open, strays, uneven } = readerSees(bytes);
  const [exported, drawn] = [inMusicXml(text(bytes)), await onPages(desk.sheet(null, false))];
  return [...open, ...strays, ...uneven, ...differing(exported, drawn), ...differing(drawn, exported)];
}

function differing(wanted: ReturnType<typeof inMusicXml>, found: ReturnType<typeof inMusicXml>): string[] {
  return wanted.flatMap((staves, b) =>
    staves.flatMap((staff, s) => {
      const other = found[b]?.[s];
      return other?.notes === staff.notes && other.repeat === staff.repeat
        ? []
        : [`bar ${b + 1}, staff ${s + 1}: ${JSON.stringify(staff)} drawn as ${JSON.stringify(other)}`];
    }),
  );
}

const outcomes = async (original: Uint8Array) => (await pagesOf(original)).filter(({ lost }) => lost.length > 0);

describe('the page a remedy makes', () => {
  it('of the demo has all the music of every staff', async () => {
    const made = await pagesOf(demoOriginal());
    expect(made.length).toBeGreaterThan(many(3, 5));
    expect(made.filter(({ lost }) => lost.length > 0)).toEqual([]);
  });
  it('of a score as sequencers write it has all the music of every staff', async () => {
    expect(await outcomes(sequencersScore())).toEqual([]);
  });
  it.each(Object.keys(doubtfulPieces))('of a piece with %s has all the music of every staff', async (kind) => {
    const { tracks, conductor } = doubtfulPieces[kind]!;
    expect(await outcomes(smfBytes(tracks, conductor))).toEqual([]);
  });
});

describe('repeat signs for equal bars', () => {
  const bar = barOf([38, 1], [38, 1], [38, 2]);
  const two = { voices: [...bar.voices, { staff: 1, voice: 2, symbols: barOf([36, 4]).voices[0]!.symbols }] };
  const repeated = { ...two, likeBefore: 1 as const };
  const drums = (signs: number) =>
    plainPart([two, ...Array.from({ length: signs }, () => repeated)], {
      name: 'Drums',
      unpitched: true,
      instrument: 'drum-kit',
      clefs: ['percussion'],
    });
  const flute = (bars: number) =>
    plainPart(
      Array.from({ length: bars }, (_, i) => barOf([60 + i, 2], [62, 2])),
      { id: partId('t2') },
    );
  it.each([1, 3, 4, 7])('%i up to the last bar end with a stop, and the staff below keeps its music', async (signs) => {
    const score = plainScore([drums(signs), flute(signs + 1)]);
    const xml = writeMusicXml(score, { version: '4.0' });
    expect(xml.match(/measure-repeat type="start"/g)).toHaveLength(1);
    expect(xml.match(/measure-repeat type="stop"/g)).toHaveLength(1);
    const drawn = await onPages(writeMei(score));
    expect(differing(inMusicXml(xml), drawn)).toEqual([]);
    expect(drawn.map(([, below]) => below!.notes)).toEqual(Array(signs + 1).fill(2));
  });
  it('of a note that is not drawn the difference is found', async () => {
    const score = plainScore([drums(3), flute(4)]);
    const mei = writeMei(score);
    const lost = mei.replace(/<note [^>]*pname="d"[^>]*\/>/, '<space dur="2"/>');
    expect(lost).not.toBe(mei);
    const wanted = inMusicXml(writeMusicXml(score, { version: '4.0' }));
    expect(differing(wanted, await onPages(mei))).toEqual([]);
    expect(differing(wanted, await onPages(lost))).toHaveLength(1);
  });
});
