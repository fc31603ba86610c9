import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { line as notesInLine, meter, smfBytes, tempo } from '../../testing/music';
import { barOf, plainPart, plainScore } from '../../testing/scores';
import { studioCase } from '../../testing/studio-cases';
import { writeMusicXml } from '../musicxml';
import { sequencerClock } from '../receivers/sequencer-clock';
import { NO_JOB_SETTINGS, withSequencing } from '../settings';
import { framesOfCode, USUAL_CLICK, USUAL_STUDIO_MAP } from '../studio';
import { layBars, QUARTER } from '../time';
import cases from './fixtures/studio-mido.json';
import { openSequence, ScoreDesk } from './index';

type Row = Record<'bar' | 'pass' | 'bar in map' | 'beat' | 'seconds' | 'what', string> & Record<string, string>;
const rowsOf = (csv: string) => Papa.parse<Row>(csv.trim(), { header: true }).data;

describe('map, table, click and MIDI of one job', () => {
  // Bars, seconds and meters of all of them as midi-file reads and sequencer-clock counts them.
  it.each(Array.from({ length: 60 }, (_, i) => i + 1))('are one time line (case %i)', (seed) => {
    const { made, midi, settings, padPickup, score } = studioCase(seed);
    const [map, file] = [sequencerClock(made.midi), sequencerClock(midi)];
    const counted = map.bars.slice(0, settings.countIn);
    const music = map.bars.slice(settings.countIn);
    const before = music[0]!.seconds;
    expect(counted.every(({ beats, beatType }) => beats / beatType === counted[0]!.beats / counted[0]!.beatType)).toBe(
      true,
    );
    expect(music).toHaveLength(file.bars.length);
    music.forEach((bar, i) => {
      expect(Math.abs(bar.seconds - before - file.bars[i]!.seconds)).toBeLessThan(0.001);
      expect(bar.beats / bar.beatType).toBe(file.bars[i]!.beats / file.bars[i]!.beatType);
    });
    expect(made.drift.largest).toBeLessThan(1);
    // Markers of the music stand in the same bars at the same times.
    const marks = (clock: typeof map, bars: number, seconds: number) =>
      clock.markers
        .filter(({ text }) => text.startsWith('M'))
        .map(({ text, bar, seconds: at }) => [text, bar - bars, (at - seconds).toFixed(3)]);
    expect(marks(map, settings.countIn, before)).toEqual(marks(file, 0, 0));
    // The table says of each bar when it begins in the map, under the number it has on the stands.
    const rows = rowsOf(made.csv);
    for (const row of rows.filter(({ beat }) => beat === '1')) {
      expect(Math.abs(Number(row.seconds) - map.bars[Number(row['bar in map']) - 1]!.seconds)).toBeLessThan(0.001);
    }
    const struck = file.notes.filter(({ channel }) => channel !== 10);
    for (const { key, bar } of struck) {
      const row = rows.find((one) => Number(one['bar in map']) === bar + settings.countIn)!;
      const own = score.bars[key - 40]!;
      // A pickup that fills up the bar before it has no row of its own.
      const joined = padPickup && own.index === 0 && own.implicit && bar > 1 && row.bar !== '0';
      if (!joined) expect([row.bar, key]).toEqual([String(own.number), key]);
    }
    const passes = new Map<string, string[]>();
    for (const { bar, pass, beat } of rows) if (beat === '1') passes.set(bar, [...(passes.get(bar) ?? []), pass]);
    for (const [bar, list] of passes)
      if (!bar.startsWith('count-in')) expect(list).toEqual(list.map((_, i) => String(i + 1)));
    // Code: what was set stands at bar 1, in the table and by the map's offset.
    const code = `time code ${settings.rate}`;
    const one = rows.find(({ bar, pass, beat }) => bar === '1' && pass === '1' && beat === '1')!;
    if (settings.start > 0) {
      expect(framesOfCode(one[code]!, settings.rate)).toBe(settings.start);
      const { hour, min, sec, frame, subFrame } = map.offset!;
      const [counting, fps] = { '24': [24, 24], '25': [25, 25], '30': [30, 30], '29.97 drop': [30, 30000 / 1001] }[
        settings.rate as '24'
      ] as [number, number];
      const minutes = hour * 60 + min;
      const dropped = settings.rate === '29.97 drop' ? 2 * (minutes - Math.floor(minutes / 10)) : 0;
      const frames = (minutes * 60 + sec) * counting + frame + subFrame / 100 - dropped;
      expect(Math.abs(frames + Number(one.seconds) * fps - settings.start)).toBeLessThan(0.05);
    } else {
      expect(map.offset).toBeNull();
      expect(framesOfCode(rows[0]![code]!, settings.rate)).toBe(0);
    }
    // Every beat is clicked, also in the silence that pads a pickup; every full bar begins with an accent.
    const clicks = map.notes.filter(({ channel }) => channel === USUAL_CLICK.channel);
    for (const [i, bar] of map.bars.entries()) {
      // A pickup that is not padded may begin between two beats.
      if (!padPickup && rows.some((row) => row.bar === '0' && Number(row['bar in map']) === i + 1)) continue;
      const here = clicks.filter((click) => click.bar === i + 1);
      expect(Math.abs(here[0]!.seconds - bar.seconds)).toBeLessThan(0.001);
      if (bar.beatType === 4) expect(here).toHaveLength(bar.beats);
    }
  });
  it('are as mido reads them (engine/fixtures/studio-mido.py, mido 1.3.3)', () => {
    expect(cases.cases.length).toBeGreaterThanOrEqual(20);
    for (const { seed, bars, tempos, markers } of cases.cases) {
      const map = sequencerClock(studioCase(seed).made.midi);
      const rows = rowsOf(studioCase(seed).made.csv);
      expect(map.bars).toHaveLength(bars.length);
      bars.forEach((seconds, i) => expect(Math.abs(map.bars[i]!.seconds - seconds)).toBeLessThan(0.001));
      for (const row of rows)
        if (row.beat === '1')
          expect(Math.abs(Number(row.seconds) - bars[Number(row['bar in map']) - 1]!)).toBeLessThan(0.001);
      expect(map.tempos.map(({ microsecondsPerQuarter }) => microsecondsPerQuarter)).toEqual(tempos);
      expect(map.markers.map(({ text }) => text)).toEqual(markers);
    }
  });
});

/** A pickup of one quarter, three bars, D.C.; the last bar is short by the pickup or full. */
const daCapo = (lastIsShort: boolean) => {
  const bars = layBars(
    [
      { at: 0, beats: 1, beatType: 4 },
      { at: QUARTER, beats: 4, beatType: 4 },
    ],
    13 * QUARTER,
  );
  if (lastIsShort) bars[3] = { ...bars[3]!, length: 3 * QUARTER, implicit: true };
  const part = plainPart([barOf([60, 1]), barOf([62, 4]), barOf([64, 4]), barOf([65, lastIsShort ? 3 : 4])]);
  return plainScore([part], bars, { signs: { 2: { fine: true }, 3: { jump: 'daCapo' } } });
};

describe('a padded pickup', () => {
  const padded = (lastIsShort: boolean) => {
    const desk = openSequence([new TextEncoder().encode(writeMusicXml(daCapo(lastIsShort)))]);
    desk.make(withSequencing({ padPickup: true }));
    return desk;
  };
  it.each([
    [true, 'one bar with the short one before the jump', 6],
    [false, 'padded again where the bar before is full', 7],
  ])('leaves no bar of 1/4 after D.C. (%s: %s)', (lastIsShort, _, count) => {
    const desk = padded(lastIsShort);
    const map = sequencerClock(desk.studio({ ...USUAL_STUDIO_MAP, click: USUAL_CLICK }).midi);
    expect(map.bars.map(({ beats, beatType }) => `${beats}/${beatType}`)).toEqual(Array(count).fill('4/4'));
    const [file] = desk.files(withSequencing({ padPickup: true })).files;
    expect(sequencerClock(file!.bytes).bars).toEqual(map.bars);
  });
  it('is bar 0 in the table, with its silent beats counted and clicked', () => {
    const { csv, midi } = padded(true).studio({ ...USUAL_STUDIO_MAP, click: USUAL_CLICK });
    expect(rowsOf(csv)[0]).toMatchObject({ bar: '0', beat: '1', seconds: '0' });
    expect(sequencerClock(midi).notes.filter(({ bar }) => bar === 1)).toHaveLength(4);
  });
  it('keeps its number in a MIDI file that is set up with empty bars', () => {
    const bytes = smfBytes(
      [{ name: 'Flute', notes: notesInLine([60, 1], [62, 4], [64, 4]) }],
      [meter(0, 1, 4), meter(1, 4, 4)],
    );
    const desk = openSequence([bytes]);
    const arranging = { ...NO_JOB_SETTINGS.sequencing.arranging, emptyBars: 2 };
    desk.make(withSequencing({ padPickup: true, arranging }));
    const rows = rowsOf(desk.studio(USUAL_STUDIO_MAP).csv).filter(({ beat }) => beat === '1');
    expect(rows.map(({ bar }) => bar)).toEqual(['-2', '-1', '0', '1', '2']);
  });
});

describe('the bars of another file', () => {
  const desk = (bytes: Uint8Array) => {
    const made = ScoreDesk.open([bytes], NO_JOB_SETTINGS);
    made.convert(NO_JOB_SETTINGS);
    return made;
  };
  const keys = [60, 64, 67, 65, 62, 71, 69, 60, 72, 67, 64, 62];
  const tune = (first: number, more = 0) =>
    smfBytes(
      [
        {
          name: 'Flute',
          notes: Array.from({ length: 48 }, (_, i) => ({
            key: keys[(i * i + more) % 12]!,
            at: first * 4 + i,
            length: 1,
          })),
        },
      ],
      [meter(0, 4, 4), tempo(0, 120)],
    );
  it('are told by the music, not by the clock: two empty bars before it', () => {
    const { words, evidence, runs } = desk(tune(0)).numbering(tune(2));
    expect(words).toBe('Our bar 1 is their bar 3.');
    expect(evidence).toBe('Sure: told by 48 of 48 notes that both have.');
    expect(runs).toEqual([{ from: 1, to: 12, theirs: { from: 3, to: 14 } }]);
  });
  it('are told by the music at another tempo too', () => {
    const slower = smfBytes(
      [
        {
          name: 'X',
          notes: Array.from({ length: 48 }, (_, i) => ({ key: keys[(i * i) % 12]!, at: 4 + i, length: 0.9 })),
        },
      ],
      [meter(0, 4, 4), tempo(0, 71), tempo(20, 90)],
    );
    expect(desk(tune(0)).numbering(slower).words).toBe('Our bar 1 is their bar 2.');
  });
  it('say that they are the same only where the notes say so', () => {
    const ours = desk(tune(0));
    expect(ours.numbering(tune(0))).toMatchObject({ words: 'Every bar has the same number in both.', basis: 'notes' });
    const pickup = smfBytes(
      [
        {
          name: 'X',
          notes: Array.from({ length: 48 }, (_, i) => ({ key: keys[(i * i) % 12]!, at: 1 + i, length: 1 })),
        },
      ],
      [meter(0, 4, 4), tempo(0, 120)],
    );
    expect(ours.numbering(pickup).words).toBe(
      'No barline of theirs falls on one of ours. 12 of our bars begin where none of theirs does.',
    );
  });
  it('of our own map with a count-in are ours', () => {
    const ours = desk(demoOriginal());
    for (const countIn of [0, 1, 2]) {
      const { midi } = ours.studio({ ...USUAL_STUDIO_MAP, countIn });
      const { bars } = ours.timeLine();
      const one = bars.findIndex(({ number }) => number === 1);
      const { runs, basis, evidence } = ours.numbering(midi);
      expect(basis).toBe('changes');
      expect(evidence).toMatch(/^Likely: It has no notes; told by tempo, meters and markers/);
      expect(runs).toEqual([
        {
          from: bars[0]!.number,
          to: bars.at(-1)!.number,
          theirs: { from: countIn + 1, to: countIn + bars.length },
        },
      ]);
      expect(bars[one]!.number - runs[0]!.from + runs[0]!.theirs.from).toBe(one + 1 + countIn);
    }
  });
  it('of a map without any change are told by length, and said to be unsure', () => {
    const ours = desk(tune(0));
    const { midi } = ours.studio({ ...USUAL_STUDIO_MAP, countIn: 2 });
    const { words, evidence } = ours.numbering(midi);
    expect(words).toBe('Our bar 1 is their bar 3.');
    expect(evidence).toBe(
      'Unsure: It has no notes, and all bars are alike; told by length alone. Check one bar by ear.',
    );
  });
  it('are found in a large file within a second or so', () => {
    const many = (first: number) =>
      smfBytes(
        [
          {
            name: 'Harp',
            notes: Array.from({ length: 9000 }, (_, i) => ({
              key: 40 + ((i * i) % 37),
              at: first * 4 + i / 4,
              length: 0.25,
            })),
          },
        ],
        [meter(0, 4, 4)],
      );
    expect(desk(many(0)).numbering(many(3)).words).toBe('Our bar 1 is their bar 4.');
  });
});
