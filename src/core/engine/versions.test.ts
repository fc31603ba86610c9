import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { timesByVerovio } from '../../testing/engraver';
import { line, smfBytes, tempo } from '../../testing/music';
import { partId } from '../base';
import { LEAD_IN, type Stretch } from '../hearing';
import { NO_SETTINGS, withSequencing, NO_LOOSENING } from '../settings';
import { Message, type SmfEvent } from '../smf';
import { ScoreDesk, openSequence, type HearingVersion } from './index';

const laid = (bytes: Uint8Array) => {
  const desk = ScoreDesk.open([bytes], NO_SETTINGS);
  desk.convert(NO_SETTINGS);
  return desk;
};
const demo = laid(demoOriginal());
const WHOLE = { from: { bar: 0, pass: 0 }, bars: 999, parts: [], click: false };
const controller = (tick: number, number: number, value: number): SmfEvent => ({
  kind: 'channel',
  tick,
  status: Message.controlChange,
  data1: number,
  data2: value,
});
const controllersOf = ({ messages }: Stretch) => messages.filter(({ status }) => status === Message.controlChange);

describe('the versions of a job on its way to a score', () => {
  it.each<HearingVersion>(['received', 'written', 'delivered'])('as %s every note of the piece is heard', (version) => {
    const { notes, bars } = demo.hear(version, WHOLE);
    expect(notes).toHaveLength(1223);
    expect(bars).toHaveLength(28);
    expect(new Set(notes.map((note) => note.part)).size).toBe(12);
  });
  it('are on the clock of the same bars', () => {
    const clocks = (['received', 'written', 'delivered'] as const).map((version) => demo.hear(version, WHOLE).bars);
    clocks[0]!.forEach(({ at }, i) => {
      expect(clocks[1]![i]!.at).toBeCloseTo(at, 3);
      expect(clocks[2]![i]!.at).toBeCloseTo(at, 3);
    });
  });
  it('begin with what was played early, and on the page with the bar', () => {
    const viola = { from: { bar: 4, pass: 0 }, bars: 1, parts: [partId('t8')], click: false };
    const first = (version: HearingVersion) => demo.hear(version, viola).notes[0]!.at - LEAD_IN;
    expect(first('received')).toBeLessThan(-0.05);
    expect(first('written')).toBeCloseTo(0, 3);
  });
  it('have faders as they were received, and none as they are written', () => {
    const desk = laid(
      smfBytes([
        {
          name: 'Flute',
          notes: line([60, 1], [62, 1], [64, 1], [65, 1]),
          extra: [controller(0, 7, 100), controller(480, 7, 50), controller(960, 11, 64)],
        },
      ]),
    );
    expect(controllersOf(desk.hear('received', WHOLE)).map(({ data1, data2 }) => [data1, data2])).toEqual([
      [7, 100],
      [7, 50],
      [11, 64],
    ]);
    expect(controllersOf(desk.hear('written', WHOLE)).filter(({ data1 }) => data1 === 11)).toEqual([]);
    expect(desk.barClock().bars).toHaveLength(1);
  });
  it('verovio’s own timemap strikes the delivered score when we do, within two milliseconds', async () => {
    const changing = laid(
      smfBytes(
        [
          {
            name: 'Flute',
            notes: line(...Array.from({ length: 24 }, (_, i): [number, number] => [60 + (i % 7), 0.5])),
          },
          {
            name: 'Bassoon',
            notes: line(...Array.from({ length: 12 }, (_, i): [number, number] => [43 + (i % 5), 1])),
          },
        ],
        [tempo(0, 96), tempo(4, 132), tempo(8, 72)],
      ),
    );
    for (const desk of [changing, demo]) {
      const theirs = await timesByVerovio(new TextDecoder().decode(desk.export('musicxml')));
      const { notes } = desk.hear('delivered', WHOLE);
      const ours = new Map<number, number>();
      for (const { at } of notes) {
        const ms = Math.round((at - LEAD_IN) * 1000);
        const known = [ms, ms - 1, ms + 1].find((near) => ours.has(near)) ?? ms;
        ours.set(known, (ours.get(known) ?? 0) + 1);
      }
      const here = [...ours].sort((a, b) => a[0] - b[0]);
      expect(theirs.map(({ notes: n }) => n)).toEqual(here.map(([, n]) => n));
      // It does not read tempo that is only heard, not printed: from there on its clock is another one.
      const { tempos, bars } = desk.summary();
      const unprinted = tempos.find(({ shown }) => !shown)?.at ?? Infinity;
      const until = desk.barClock().bars[bars.findLastIndex(({ start }) => start <= unprinted)]!.at * 1000;
      const same = theirs.filter(({ at }) => at < until || unprinted === Infinity);
      expect(same.length).toBeGreaterThan(theirs.length * 0.8);
      same.forEach(({ at }, i) => expect(Math.abs(at - here[i]![0])).toBeLessThanOrEqual(2));
    }
  });
});

describe('the versions of a job on its way to a sequencer', () => {
  it('are the score as it is written, and as it goes out', () => {
    const desk = openSequence([demo.export('musicxml')]);
    const loosening = { ...NO_LOOSENING, onset: 40, seed: 3 };
    desk.make(withSequencing({ dynamicsTo: ['expression'], loosening }));
    const [written, delivered] = [desk.hear('written', WHOLE), desk.hear('delivered', WHOLE)];
    expect([written.notes.length, delivered.notes.length]).toEqual([1223, 1223]);
    const shifted = delivered.notes.filter((note, i) => Math.abs(note.at - written.notes[i]!.at) > 0.002);
    expect(shifted.length).toBeGreaterThan(300);
    expect(controllersOf(delivered).some(({ data1 }) => data1 === 11)).toBe(true);
  });
  it('of a MIDI file are what arrived and what is left of it', () => {
    const file = smfBytes([{ name: 'A', notes: line([60, 4]), extra: [controller(0, 7, 20), controller(480, 7, 90)] }]);
    const desk = openSequence([file]);
    desk.make(withSequencing({ preset: 'bare' }));
    expect(controllersOf(desk.hear('received', WHOLE))).toHaveLength(2);
    expect(controllersOf(desk.hear('delivered', WHOLE)).filter(({ data1 }) => data1 === 7).length).toBeLessThan(2);
  });
});

describe('a note that was moved by hand', () => {
  it('is told apart from those the grid moved', () => {
    const desk = ScoreDesk.open([demoOriginal()], NO_SETTINGS);
    const settings = { ...NO_SETTINGS, edits: { [partId('t1')]: [{ kind: 'move' as const, note: 5, by: 2520 }] } };
    desk.convert(settings);
    const byHand = desk.agreement().differences.filter(({ why }) => why === 'changed by hand');
    expect(byHand.length).toBeGreaterThan(0);
    expect(byHand.every(({ played }) => played.includes(5))).toBe(true);
  });
});
