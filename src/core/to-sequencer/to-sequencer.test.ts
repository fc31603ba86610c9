import { partId } from '../base';
import { spawnSync, execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseMidi } from 'midi-file';
import { describe, expect, it } from 'vitest';
import { measure } from '../../../bench/measure';
import { goose } from '../../../demo/goose';
import { demoMechanical } from '../../../demo/make';
import { heardByVerovio } from '../../testing/engraver';
import type { SymbolMarks } from '../score';
import { barOf, chordBar, named, plainPart, plainScore } from '../../testing/scores';
import { notesOf, one, play } from '../../testing/sequenced';
import { writeMusicXml } from '../musicxml';
import { performanceFromSmf } from '../performance';
import type { PartBar, SymbolInBar } from '../score';
import { decodeText, Message, Meta, readSmf } from '../smf';
import { layBars, QUARTER } from '../time';
import { toScore } from '../to-score';
import { toSequencer } from './index';
import { NO_SETTINGS, USUAL_SEQUENCING, type SequencerSettings } from '../settings';

const demo = toScore(performanceFromSmf(readSmf(demoMechanical())), NO_SETTINGS).printed;

describe('a score played', () => {
  it('and written again is the same score', () => {
    const { total } = measure(
      toScore(
        play({ ...demo, parts: demo.parts.map((part) => ({ ...part, bars: part.bars.map(unmarked) })) }).performance,
        NO_SETTINGS,
      ).score,
      goose,
    );
    expect(total).toMatchObject({
      onsets: total.notes,
      values: total.valued,
      spelled: total.pitched,
      staves: total.notes,
      extra: 0,
    });
  });
  it('agrees with verovio on every pitch and onset', async () => {
    const heard = await heardByVerovio(writeMusicXml(demo));
    const ours = play(demo).performance;
    for (const track of ours.tracks.filter((candidate) => candidate.notes.length > 0 && candidate.channels[0] !== 10)) {
      const missing = track.notes.filter(
        (note) =>
          !heard.some((list) =>
            list.some((other) => other.key === note.key && Math.abs(other.start - note.start / 480) < 0.02),
          ),
      );
      expect([track.name, missing.length]).toEqual([track.name, 0]);
    }
  }, 30_000);
  it('is read alike by midi-file and midicsv', () => {
    const { bytes, performance } = play(demo, {
      preset: 'everything',
      neutralVolume: 100,
      dynamicsTo: ['velocity', 'expression'],
    });
    const theirs = parseMidi(bytes);
    expect(theirs.header).toMatchObject({ format: 1, ticksPerBeat: 480 });
    expect(
      theirs.tracks.map((track) => track.filter((event) => event.type === 'noteOn' && event.velocity > 0).length),
    ).toEqual(performance.tracks.map((track) => track.notes.length));
    if (spawnSync('which', ['midicsv']).status !== 0) return;
    const path = join(mkdtempSync(join(tmpdir(), 'dragoman-')), 'out.mid');
    writeFileSync(path, bytes);
    const rows = execFileSync('midicsv', [path], { encoding: 'latin1' })
      .split('\n')
      .filter((row) => /Note_on_c/.test(row));
    expect(rows).toHaveLength(performance.tracks.reduce((sum, track) => sum + track.notes.length, 0));
  });
  it('bare, carries no controllers, programs or exclusive data; its first track is named and holds the time', () => {
    const { file, performance } = play(demo);
    const statuses = new Set(
      file.tracks.flatMap((track) =>
        track.events.flatMap((event) => {
          if (event.kind === 'channel') return [event.status & 0xf0];
          return event.kind === 'sysex' ? [0xf0] : [];
        }),
      ),
    );
    expect(statuses).toEqual(new Set([Message.noteOn, Message.noteOff]));
    const first = file.tracks[0]!.events;
    expect(first[0]).toMatchObject({ kind: 'meta', type: Meta.trackName });
    expect(decodeText((first[0] as { data: Uint8Array }).data)).toBe(
      'The Clockmaker’s Goose, cue 3 · tempo, meter, markers',
    );
    expect(performance.title).toBe('The Clockmaker’s Goose, cue 3');
    expect(performance.markers.map((marker) => marker.text)).toEqual([
      'The clock runs',
      'Goose waltz',
      'The clock again',
    ]);
    expect(performance.tracks.slice(1).map((track) => track.name)).toEqual(demo.parts.map((part) => part.name));
  });
});

function unmarked(bar: PartBar): PartBar {
  return {
    ...bar,
    voices: bar.voices.map((voice) => ({
      ...voice,
      symbols: voice.symbols.map(({ marks: _marks, ...symbol }) => symbol),
    })),
  };
}

describe('repeats', () => {
  const form = (settings: Partial<SequencerSettings> = {}) =>
    play(
      one(
        [60, 62, 64].map((key) => barOf([key, 4])),
        {},
        {
          signs: { 0: { repeatStart: true }, 1: { repeatEnd: { times: 2 } } },
          markers: [{ at: 8 * QUARTER, text: 'end', rehearsal: false }],
        },
      ),
      settings,
    );
  it('are played out, and the time line with them', () => {
    const made = form();
    expect(notesOf(made)).toEqual([
      [60, 0, 4],
      [62, 4, 8],
      [60, 8, 12],
      [62, 12, 16],
      [64, 16, 20],
    ]);
    expect(made.performance.markers.map((marker) => marker.tick / 480)).toEqual([16]);
    expect(made.report.bars).toBe(5);
  });
  it('are left away on request, with a word about it', () => {
    const made = form({ playRepeats: false });
    expect(notesOf(made)).toHaveLength(3);
    expect(made.report.remarks.join()).toMatch(/Repeats and jumps are not played/);
  });
  it('play the tempo of the bar each time', () => {
    const made = play(
      one(
        [60, 62].map((key) => barOf([key, 4])),
        {},
        {
          signs: { 1: { repeatEnd: { times: 2 } } },
          tempos: [
            { at: 0, bpm: 60, shown: true },
            { at: 4 * QUARTER, bpm: 120, shown: true },
          ],
        },
      ),
    );
    expect(made.tempos).toEqual([
      { at: 0, bpm: 60 },
      { at: 4 * QUARTER, bpm: 120 },
      { at: 8 * QUARTER, bpm: 60 },
      { at: 12 * QUARTER, bpm: 120 },
    ]);
  });
});

describe('tracks', () => {
  const bar = barOf([60, 4]);
  const band = (count: number) =>
    plainScore(
      Array.from({ length: count }, (_, i) => plainPart([bar], { id: partId(`P${i + 1}`), name: `Player ${i + 1}` })),
    );
  it('have channels in turn, percussion on 10, and ports beyond fifteen', () => {
    const made = play({
      ...band(20),
      parts: [
        ...band(20).parts,
        plainPart([bar], { id: partId('D'), name: 'Drums', instrument: 'drum-kit', unpitched: true }),
      ],
    });
    expect(made.tracks.map((track) => track.channel)).toEqual([
      1, 2, 3, 4, 5, 6, 7, 8, 9, 11, 12, 13, 14, 15, 16, 1, 2, 3, 4, 5, 10,
    ]);
    expect(made.tracks.map((track) => track.port)).toEqual([...Array(15).fill(0), ...Array(5).fill(1), 0]);
    expect(made.performance.tracks.slice(1).map((track) => track.port)).toEqual(made.tracks.map((track) => track.port));
    expect(play(band(3), { channels: 'one-channel' }).tracks.map((track) => track.channel)).toEqual([1, 1, 1]);
  });
  it('are split by technique, with sounds that fit, or told by a chart', () => {
    const strings = one([barOf([60, 1], [62, 1, { words: ['pizz.'] }], [64, 1], [65, 1, { words: ['arco'] }])], {
      instrument: 'violin',
      name: 'Violin',
      program: 41,
    });
    const split = play(strings, { preset: 'expression', parts: { [partId('t1')]: { split: 'technique' } } });
    expect(split.tracks.map((track) => [track.name, track.program, track.notes.length])).toEqual([
      ['Violin', 41, 2],
      ['Violin pizz.', 46, 2],
    ]);
    const chart = {
      name: 'Library',
      entries: [
        { technique: 'ordinary' as const, by: { kind: 'key' as const, key: 24 } },
        { technique: 'pizzicato' as const, by: { kind: 'key' as const, key: 25 } },
      ],
    };
    const switched = play(strings, { parts: { [partId('t1')]: { chart } } });
    expect(
      notesOf(switched)
        .filter(([key]) => key! < 30)
        .map(([key, start]) => [key, Math.round(start! * 100) / 100]),
    ).toEqual([
      [24, 0],
      [25, 0.97],
      [24, 2.97],
    ]);
    const channels = play(strings, {
      parts: {
        [partId('t1')]: {
          chart: { name: 'x', entries: [{ technique: 'pizzicato', by: { kind: 'channel', channel: 5 } }] },
        },
      },
    });
    const strikes = channels.file.tracks[1]!.events.flatMap((event) =>
      event.kind === 'channel' && (event.status & 0xf0) === Message.noteOn ? [(event.status & 0x0f) + 1] : [],
    );
    expect(strikes).toEqual([1, 5, 5, 1]);
  });
  it('have a track for each mute of a brass player', () => {
    const note = (word: string): [number, number, SymbolMarks] => [70, 1, { words: [word] }];
    const bars = [
      ['straight mute', 'open', 'cup mute', 'plunger'],
      ['stopped', 'stopped', 'stopped', 'stopped'],
    ].map((words) => barOf(...words.map(note)));
    const trumpet = one(bars, {
      instrument: 'trumpet-bflat',
      name: 'Trumpet',
      program: 57,
    });
    const split = play(trumpet, { preset: 'expression', parts: { [partId('t1')]: { split: 'technique' } } });
    expect(Object.fromEntries(split.tracks.map((track) => [track.name, track.program]))).toEqual({
      Trumpet: 57,
      'Trumpet straight mute': 60,
      'Trumpet cup mute': 60,
      'Trumpet plunger': 60,
      'Trumpet stopped': 57,
    });
  });
  it('are split by voice, by hand, and chords into lines', () => {
    const left = { staff: 2, voice: 5, symbols: barOf([48, 4]).voices[0]!.symbols };
    const chord: PartBar = { voices: [...chordBar(60, 64, 67).voices, left] };
    const piano = one([chord], { name: 'Piano', instrument: 'piano', clefs: ['treble', 'bass'] });
    const names = (split: 'lines' | 'staff' | 'voice') =>
      play(piano, { parts: { [partId('t1')]: { split } } }).tracks.map((track) => [
        track.name,
        track.notes.map((note) => note.key).join(),
      ]);
    expect(names('staff')).toEqual([
      ['Piano right hand', '60,64,67'],
      ['Piano left hand', '48'],
    ]);
    expect(names('lines')).toEqual([
      ['Piano line 1', '67'],
      ['Piano line 2', '64'],
      ['Piano line 3', '60'],
      ['Piano line 4', '48'],
    ]);
    expect(names('voice')).toHaveLength(2);
  });
  it('strike other keys where a drum map says so', () => {
    const drums = one([barOf([36, 1], [38, 1], [36, 2])], { unpitched: true, instrument: 'drum-kit' });
    expect(notesOf(play(drums, { parts: { [partId('t1')]: { drumKeys: { 36: 35 } } } })).map(([key]) => key)).toEqual([
      35, 38, 35,
    ]);
  });
});

describe('a selection', () => {
  const score = plainScore(
    ['Flute', 'Bass'].map((name, i) =>
      plainPart(
        [60, 62, 64, 65].map((key) => barOf([key, 4])),
        { id: partId(`P${i}`), name },
      ),
    ),
    undefined,
    { markers: [{ at: 8 * QUARTER, text: 'B', rehearsal: true }] },
  );
  const files = (settings: Partial<SequencerSettings>) =>
    toSequencer(score, { ...USUAL_SEQUENCING, ...settings }).map(({ label, file, tracks }) => [
      label,
      tracks.length,
      file.tracks[0]!.endTick / 480,
    ]);
  it('takes parts, bars, a file for each part, a clip for each section; clips end on their barline', () => {
    expect(files({ onlyParts: [partId('P1')] })).toEqual([['', 1, 16]]);
    expect(files({ onlyBars: { from: 1, to: 3 } })).toEqual([['', 2, 8]]);
    expect(files({ files: 'parts' })).toEqual([
      ['Flute', 1, 16],
      ['Bass', 1, 16],
    ]);
    expect(files({ files: 'sections' })).toEqual([
      ['bar 1', 2, 8],
      ['B', 2, 8],
    ]);
    expect(notesOf(play(score, { onlyBars: { from: 1, to: 3 } }))).toEqual([
      [62, 0, 4],
      [64, 4, 8],
    ]);
  });
  it('keeps a pickup, or pads it to a full bar', () => {
    const bars = layBars(
      [
        { at: 0, beats: 1, beatType: 4 },
        { at: QUARTER, beats: 4, beatType: 4 },
      ],
      5 * QUARTER,
    );
    const pickup = plainScore([plainPart([barOf([60, 1]), barOf([62, 4])])], bars);
    expect(notesOf(play(pickup))).toEqual([
      [60, 0, 1],
      [62, 1, 5],
    ]);
    expect(notesOf(play(pickup, { padPickup: true }))).toEqual([
      [60, 3, 4],
      [62, 4, 8],
    ]);
    expect(play(pickup, { padPickup: true }).performance.meters).toEqual([{ at: 0, beats: 4, beatType: 4 }]);
    expect(toScore(play(pickup).performance, NO_SETTINGS).score.bars.map((bar) => bar.number)).toEqual([0, 1]);
  });
});

describe('ticks', () => {
  const triplets = one(
    [
      {
        voices: [
          {
            staff: 1,
            voice: 1,
            symbols: [0, 1, 2].map((i): SymbolInBar => ({
              at: (i * QUARTER) / 3,
              duration: QUARTER / 3,
              type: 'eighth',
              dots: 0,
              tuplet: { actual: 3, normal: 2, normalType: 'eighth', first: i === 0, last: i === 2 },
              notes: [{ key: 60 + i, pitch: named(60 + i), tieFromLast: false, tieToNext: false, played: [] }],
            })),
          },
        ],
      },
    ],
    {},
    {},
  );
  it('hold what they can hold exactly, and say what they cannot', () => {
    expect(play(triplets, { ticksPerQuarter: 480 }).report).toMatchObject({ betweenTicks: 0, largestShiftMs: 0 });
    const coarse = play(triplets, { ticksPerQuarter: 100 }).report;
    expect(coarse.betweenTicks).toBeGreaterThan(0);
    expect(coarse.largestShiftMs).toBeGreaterThan(0);
    expect(coarse.largestShiftMs).toBeLessThan(2.6);
  });
  it('can all stand in one track', () => {
    const { file, performance } = play(demo, { format: 0 });
    expect(file.tracks).toHaveLength(1);
    expect(performance.tracks.reduce((sum, track) => sum + track.notes.length, 0)).toBe(play(demo).report.notes);
  });
});

describe('an artificial harmonic', () => {
  const touched = (above: number, notehead?: string) => {
    const bar = chordBar(60, 60 + above);
    const [symbol] = bar.voices[0]!.symbols;
    symbol!.marks = { harmonic: true };
    if (notehead) symbol!.notes[1]!.notehead = notehead;
    return notesOf(play(one([bar]))).map(([key]) => key);
  };
  // Partials of a string, from memory of acoustics: a fourth above divides off a quarter, two octaves higher.
  it.each([
    [5, 84],
    [7, 79],
    [4, 88],
    [3, 91],
    [12, 72],
  ])('sounds as the partial that is touched off: %i half tones above', (above, heard) => {
    expect(touched(above, 'diamond')).toEqual([heard]);
  });
  it('is none without a diamond, nor where no partial lies', () => {
    expect(touched(5)).toEqual([60, 65]);
    expect(touched(6, 'diamond')).toEqual([60, 66]);
  });
});
