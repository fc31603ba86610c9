import { describe, expect, it } from 'vitest';
import { many } from '../../testing/tiers';
import { line, smfBytes } from '../../testing/music';
import { NO_SETTINGS, NO_JOB_SETTINGS } from '../settings';
import { Meta, readSmf, writeSmf, type SmfEvent } from '../smf';
import { ScoreDesk, openSequence, type ScoreSequence } from './index';

/* Files nobody makes by hand: they are answered, and what is said about them stays short. */

const times = <T>(count: number, make: (i: number) => T) => Array.from({ length: count }, (_, i) => make(i));
const midi = (tracks: SmfEvent[][]) => {
  const { file } = readSmf(smfBytes([{ name: 'Flute', notes: line([60, 1]) }]));
  const more = tracks.map((events) => ({ events, endTick: events.at(-1)?.tick ?? 0 }));
  return writeSmf({ ...file, format: 1, tracks: [...more, ...file.tracks] });
};
const summaryOf = (bytes: Uint8Array) => {
  const desk = ScoreDesk.open([bytes], NO_SETTINGS);
  desk.convert(NO_SETTINGS);
  return desk.summary();
};

const NOTE = '<note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration><voice>1</voice></note>';
const DIVISIONS = '<attributes><divisions>1</divisions></attributes>';
const score = (measures: readonly string[]) =>
  new TextEncoder().encode(
    `<score-partwise version="3.0"><part-list><score-part id="P1"><part-name>Flute</part-name></score-part></part-list><part id="P1">${measures
      .map((inside, i) => `<measure number="${i + 1}">${i === 0 ? DIVISIONS : ''}${inside}</measure>`)
      .join('')}</part></score-partwise>`,
  );
const played = (measures: readonly string[]) => {
  const summary = openSequence([score(measures)]).make(NO_JOB_SETTINGS);
  expect(summary.kind).toBe('score');
  return summary as ScoreSequence;
};

describe('absurd MIDI', () => {
  it('100,000 time signatures beside the beat: a few are named, the rest counted', () => {
    const meters = times(100_000, (i): SmfEvent => ({
      kind: 'meta',
      tick: i * 10 + 1,
      type: Meta.timeSignature,
      data: Uint8Array.of((i % 7) + 1, 2, 24, 8),
    }));
    const said = summaryOf(midi([meters])).queries.filter((query) => query.kind === 'file');
    expect(said.length).toBeLessThan(30);
    expect(said.at(-1)!.message).toMatch(/\d+ more time signatures/);
  });
  it('30,000 empty tracks: one query, one remedy', () => {
    const { queries } = summaryOf(midi(times(30_000, () => [])));
    const empty = queries.filter((query) => query.kind === 'empty-track');
    expect(empty.map((query) => query.message)).toEqual([expect.stringMatching(/^\d+ tracks have no notes/)]);
    expect(empty[0]!.remedies).toHaveLength(1);
  });
  it('more tracks than the format can count: a sentence', () => {
    const track = [0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, 4, 0, 0xff, 0x2f, 0];
    const header = [0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1, 0xff, 0xff, 1, 0xe0];
    const bytes = new Uint8Array(header.length + 70_000 * track.length);
    bytes.set(header);
    for (let i = 0; i < 70_000; i++) bytes.set(track, header.length + i * track.length);
    expect(() => ScoreDesk.open([bytes], NO_SETTINGS)).toThrow(/goes on after 65535 tracks/);
  });
});

describe('an absurd score', () => {
  it('that goes back for ever is played so far, and asked about', () => {
    const jump = '<direction><direction-type><words>D.C.</words></direction-type><sound dacapo="yes"/></direction>';
    const { order, queries } = played(times(5000, () => NOTE + jump));
    expect(order).toHaveLength(10_000);
    expect(queries.map((query) => [query.kind, query.remedies.length])).toEqual([['endless-repeats', 1]]);
  });
  it('whose ending is for the 999,999th time becomes MIDI all the same, and is asked about', () => {
    const ending = (type: string, location: string, more = '') =>
      `<barline location="${location}"><ending number="999999" type="${type}"/>${more}</barline>`;
    const back = '<repeat direction="backward"/>';
    const { order, queries } = played([NOTE, ending('start', 'left') + NOTE + ending('stop', 'right', back)]);
    expect(order).toHaveLength(10_000);
    expect(queries.map(({ kind }) => kind)).toEqual(['endless-repeats']);
  });
  it('whose only ending nothing repeats is played as it comes', () => {
    const ending = (type: string, location: string) =>
      `<barline location="${location}"><ending number="2" type="${type}"/></barline>`;
    expect(played([ending('start', 'left') + NOTE + ending('stop', 'right')]).order).toEqual([0]);
    expect(played([NOTE, ending('start', 'left') + NOTE + ending('stop', 'right'), NOTE]).order).toEqual([0, 1, 2]);
  });
  it('with a root raised without end, thousands of voices, and notes in a bar', () => {
    const harmony =
      '<harmony><root><root-step>C</root-step><root-alter>1000000000</root-alter></root><kind>major</kind></harmony>';
    const voice = (i: number) => `${NOTE.replace('<voice>1', `<voice>${i}`)}<backup><duration>4</duration></backup>`;
    const short = NOTE.replace('<duration>4', '<duration>0.001');
    expect(played([harmony + NOTE]).files[0]!.report.notes).toBe(1);
    expect(played([times(many(4000, 20_000), voice).join('')]).bars).toHaveLength(1);
    expect(played([times(many(20_000, 100_000), () => short).join('')]).bars).toHaveLength(1);
  });
  it('whose bars do not fill their time signature says so a few times', () => {
    const meter = (i: number) =>
      `<attributes><time><beats>${(i % 3) + 1}</beats><beat-type>4</beat-type></time></attributes>`;
    const { queries } = played(times(2000, (i) => meter(i) + NOTE));
    const said = queries.map(({ message }) => message).join('\n');
    expect(queries).toHaveLength(2);
    expect(said).toMatch(/And \d+ more of this kind/);
    expect(said).toMatch(/\d+ more bars hold another length/);
  });
});
