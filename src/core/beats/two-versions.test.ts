import { describe, expect, it } from 'vitest';
import { playFreely } from '../../../bench/beats';
import { corpus } from '../../../bench/corpus';
import { genres } from '../../../bench/genres';
import { seeded } from '../../../bench/random';
import { EXACT_TAKES, playTake } from '../../../bench/takes';
import { line, smfBytes, tempo } from '../../testing/music';
import { partId } from '../base';
import { EMPTY_LEDGER, enter, settingsOf } from '../documents';
import { openSequence, ScoreDesk } from '../engine';
import { writeMusicXml } from '../musicxml';
import { performanceFromSmf, type Performance } from '../performance';
import { remediesFor } from '../queries';
import { checkScore, soundsOf } from '../score';
import { NO_JOB_SETTINGS, NO_SETTINGS } from '../settings';
import { toScore } from '../to-score';
import { readSmf } from '../smf';
import { QUARTER, secondsAtTick } from '../time';
import { withTimeOf } from './index';

const SEED = 4711;
const piece = corpus(SEED)[0]!;
const quantized = performanceFromSmf(readSmf(playTake(piece, EXACT_TAKES[0]!, SEED)));
const { performance: free } = playFreely(piece, 'rubato', SEED);

/** The same music note for note: the n-th of each key on each track. */
function secondsByName(performance: Performance): Map<string, number> {
  const count = new Map<string, number>();
  return new Map(
    performance.tracks.flatMap((track, t) =>
      [...track.notes]
        .sort((a, b) => a.start - b.start)
        .map(({ key, start }) => {
          const slot = `${t}/${key}`;
          const n = count.get(slot) ?? 0;
          count.set(slot, n + 1);
          return [`${slot}/${n}`, secondsAtTick(performance.tempo, start)] as const;
        }),
    ),
  );
}

describe('two versions of one recording', () => {
  it('are one: the bars of the quantized, each note at its second of the free', () => {
    const { performance, matched, missing, extra, largestShift } = withTimeOf(quantized, free)!;
    const notes = quantized.tracks.reduce((sum, track) => sum + track.notes.length, 0);
    expect(matched / notes).toBeGreaterThan(0.99);
    expect(missing).toBe(notes - matched);
    expect(extra.length).toBe(missing);
    expect(largestShift).toBeLessThan(1);
    expect(performance.meters).toEqual(quantized.meters);
    const [truth, made] = [secondsByName(free), secondsByName(performance)];
    const begin = Math.min(...truth.values()) - Math.min(...made.values());
    const wrong = [...made].filter(([name, at]) => Math.abs(at + begin - truth.get(name)!) > 0.002);
    expect(wrong.length / notes).toBeLessThan(0.01);
  });

  it('give the written values of the quantized, whatever the free one does', () => {
    const desk = (settings = NO_SETTINGS) => {
      const files = [playTake(piece, EXACT_TAKES[0]!, SEED), bytesOf(free)];
      const one = ScoreDesk.open(files, settings);
      return { desk: one, conversion: one.convert(settings) };
    };
    const settings = settingsOf(enter(EMPTY_LEDGER, { kind: 'takeTime', original: 2 }));
    const { conversion } = desk(settings);
    const alone = ScoreDesk.open([playTake(piece, EXACT_TAKES[0]!, SEED)], NO_SETTINGS).convert(NO_SETTINGS);
    const places = ({ score }: typeof alone) =>
      score.parts.map((part) => soundsOf(part, score.bars).map(({ start, end, key }) => [start, end, key]));
    expect(places(conversion)).toEqual(places(alone));
    expect(conversion.score.tempos.length).toBeGreaterThan(alone.score.tempos.length);
  });

  it('are written whatever kind of music it is, ornaments and all', () => {
    for (const [i, one] of genres(SEED).entries()) {
      const exact = performanceFromSmf(readSmf(playTake(one, EXACT_TAKES[0]!, SEED)));
      const { performance, matched, missing } = withTimeOf(exact, playFreely(one, 'rubato', SEED + i).performance)!;
      expect(matched / (matched + missing)).toBeGreaterThan(0.97);
      expect(checkScore(toScore(performance, NO_SETTINGS).score)).toEqual([]);
    }
  });

  it('find each other although notes are missing, wrong and too many, and say which', () => {
    const random = seeded(99);
    const spoilt: Performance = {
      ...free,
      tracks: free.tracks.map((track) => ({
        ...track,
        notes: track.notes
          .filter(() => random.next() > 0.03)
          .flatMap((note) =>
            random.next() < 0.03 ? [note, { ...note, key: note.key + 1, start: note.start + 60 }] : [note],
          ),
      })),
    };
    const { matched, missing, extra } = withTimeOf(quantized, spoilt)!;
    const notes = spoilt.tracks.reduce((sum, track) => sum + track.notes.length, 0);
    expect(matched / notes).toBeGreaterThan(0.93);
    expect(missing).toBeGreaterThan(0);
    expect(extra).toHaveLength(notes - matched);
    expect([...extra].sort((a, b) => a - b)).toEqual(extra);
  });

  it('that are not one music are not taken for it, and that is asked', () => {
    const other = smfBytes([{ name: 'Other', notes: line([50, 1], [51, 1], [54, 2], [57, 1], [49, 3]) }]);
    expect(withTimeOf(quantized, performanceFromSmf(readSmf(other)))).toBeNull();
    const settings = settingsOf(enter(EMPTY_LEDGER, { kind: 'takeTime', original: 2 }));
    const desk = ScoreDesk.open([playTake(piece, EXACT_TAKES[0]!, SEED), other], settings);
    const [query] = desk.convert(settings).queries.filter(({ kind }) => kind === 'two-versions');
    expect(query!.message).toMatch(/^Original 2 is hardly another version of this music/);
    const without = settingsOf(enter(EMPTY_LEDGER, remediesFor(query!)[0]!.decision));
    expect(desk.convert(without).queries.filter(({ kind }) => kind === 'two-versions')).toEqual([]);
  });
});

describe('a score and the cue as it was played, in one job', () => {
  const played = smfBytes(
    [
      {
        name: 'fl',
        notes: line([60, 1], [62, 1], [64, 1], [65, 1], [67, 4]).map((note, i) => ({
          ...note,
          at: note.at - (i > 0 ? 0.06 : 0),
          velocity: 40 + 15 * i,
        })),
      },
    ],
    [tempo(0, 90), tempo(4, 72)],
  );
  const exact = smfBytes(
    [{ name: 'Flute', notes: line([60, 1], [62, 1], [64, 1], [65, 1], [67, 4]) }],
    [tempo(0, 120)],
  );
  const written = () => {
    const desk = ScoreDesk.open([exact], NO_SETTINGS);
    return new TextEncoder().encode(writeMusicXml(desk.convert(NO_SETTINGS).printed));
  };
  it('goes to a sequencer with the notes of the score, the tempo and the strengths of the playing', () => {
    const desk = openSequence([written(), played]);
    const { files } = desk.files(NO_JOB_SETTINGS);
    const out = performanceFromSmf(readSmf(files[0]!.bytes));
    const [flute] = out.tracks.filter(({ notes }) => notes.length > 0);
    expect(flute!.notes.map(({ start, velocity }) => [start / out.ticksPerQuarter, velocity])).toEqual([
      [0, 40],
      [1, 55],
      [2, 70],
      [3, 85],
      [4, 100],
    ]);
    expect(
      out.tempo.events.map(({ tick, microsecondsPerQuarter }) => [tick, Math.round(6e7 / microsecondsPerQuarter)]),
    ).toEqual([
      [0, 90],
      [4 * out.ticksPerQuarter, 72],
    ]);
    expect(desk.make(NO_JOB_SETTINGS).queries).toEqual([]);
    const alone = desk.files({ ...NO_JOB_SETTINGS, timeFrom: 0 }).files[0]!.bytes;
    expect(performanceFromSmf(readSmf(alone)).tempo.events).toHaveLength(1);
  });
  it('has the values of the score, the tempo and the strengths of the playing', () => {
    const desk = ScoreDesk.open([written(), played], NO_SETTINGS);
    const { score, queries } = desk.convert(NO_SETTINGS);
    expect(queries).toEqual([]);
    expect(soundsOf(score.parts[0]!, score.bars).map(({ start, end }) => [start / QUARTER, end / QUARTER])).toEqual([
      [0, 1],
      [1, 2],
      [2, 3],
      [3, 4],
      [4, 8],
    ]);
    expect(score.tempos.map(({ at, bpm }) => [at / QUARTER, Math.round(bpm)])).toEqual([
      [0, 90],
      [4, 72],
    ]);
    // Held against the playing: what differs is what the score has decided.
    expect(desk.agreement().differences.filter(({ by }) => by === undefined)).toEqual([]);
    const notes = desk.performance.tracks[0]!.notes;
    expect(notes.map(({ velocity }) => velocity)).toEqual([40, 55, 70, 85, 100]);
    expect(notes[1]!.start / QUARTER).toBeCloseTo(0.94, 2);
    const plain = settingsOf(enter(EMPTY_LEDGER, { kind: 'takeTime', original: 0 }));
    expect(desk.convert(plain).score.tempos.map(({ bpm }) => bpm)).toEqual([120]);
    expect(desk.summary().parts[0]!.id).toBe(partId('t0'));
  });
});

function bytesOf({ tracks, ticksPerQuarter }: Performance): Uint8Array {
  const quarters = (tick: number) => tick / ticksPerQuarter;
  return smfBytes(
    tracks.map((track) => ({
      name: track.name,
      notes: track.notes.map(({ key, start, end, velocity }) => ({
        key,
        at: quarters(start),
        length: quarters(end - start),
        velocity,
      })),
    })),
  );
}
