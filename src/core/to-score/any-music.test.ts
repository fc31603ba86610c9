import { trackId, partId } from '../base';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inFull, many } from '../../testing/tiers';
import { line, meta, meter, performanceOf, tempo } from '../../testing/music';
import { readMusicXml, writeMusicXml } from '../musicxml';
import { schemaErrors } from '../../testing/musicxml-schema';
import { Meta } from '../smf';
import { checkScore, soundsOf, type Score } from '../score';
import { toSequencer } from '../to-sequencer';
import { toScore } from './index';
import { USUAL_SEQUENCING, NO_SETTINGS, type ConversionSettings } from '../settings';

const METERS = [
  [4, 4],
  [3, 4],
  [6, 8],
  [5, 8],
  [7, 8],
  [2, 2],
  [12, 8],
  [5, 4],
] as const;
const DEALT: ConversionSettings = {
  ...NO_SETTINGS,
  deals: { [trackId('t1')]: { to: 'players', players: 3, spare: 'double', lines: 'smooth', order: 'straight' } },
  voices: { [partId('t1')]: 4, [partId('t2')]: 3 },
};

/** Played by hand: anywhere. */
const loose = fc.record({
  key: fc.integer({ min: 20, max: 100 }),
  at: fc.integer({ min: 0, max: 1400 }).map((n) => n / 97),
  length: fc.integer({ min: 1, max: 400 }).map((n) => n / 97),
});
/** Made by a machine: on every kind of subdivision, side by side. */
const exact = fc.record({
  key: fc.integer({ min: 40, max: 90 }),
  at: fc
    .tuple(
      fc.integer({ min: 0, max: 14 }),
      fc.constantFrom(0, 1 / 2, 1 / 3, 2 / 3, 1 / 4, 3 / 4, 1 / 5, 4 / 5, 1 / 7, 1 / 8, 1 / 6, 1 / 16),
    )
    .map(([whole, part]) => whole + part),
  length: fc.constantFrom(1 / 2, 1 / 3, 1 / 4, 1 / 5, 1 / 7, 1, 2, 1 / 8, 1 / 6, 1 / 16, 3 / 4),
});

describe('any music at all', () => {
  it('becomes a sound score: every bar full, every tie taken up, every tuplet closed', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(loose, exact), { minLength: 1, maxLength: 30 }),
        fc.array(exact, { minLength: 1, maxLength: 20 }),
        fc.constantFrom('Flute', 'Piano', 'Drums', 'Hns a4', 'Cello', 'Strings'),
        fc.constantFrom(...METERS),
        fc.boolean(),
        fc.integer({ min: 30, max: 240 }),
        (a, b, name, [beats, beatType], dealt, bpm) => {
          const performance = performanceOf(
            [
              { name, notes: a },
              { name: 'Viola pizz', notes: b },
            ],
            [meter(0, beats, beatType), tempo(0, bpm)],
          );
          const { score } = toScore(performance, dealt ? DEALT : NO_SETTINGS);
          expect(checkScore(score)).toEqual([]);
          expect(writeMusicXml(score)).toContain('</score-partwise>');
        },
      ),
      { numRuns: many(50, 250) },
    );
  });
  it('comes back from its MusicXML with every sound, and goes to a sequencer with every sound', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(loose, exact), { minLength: 1, maxLength: 20 }),
        fc.array(exact, { minLength: 1, maxLength: 20 }),
        fc.constantFrom('Flute', 'Piano', 'Hns a4', 'Cello', 'Clarinet in Bb'),
        fc.constantFrom(...METERS),
        (a, b, name, [beats, beatType]) => {
          const performance = performanceOf(
            [
              { name, notes: a },
              { name: 'Viola', notes: b },
            ],
            [meter(0, beats, beatType)],
          );
          // Swing would be played, away from where it is written.
          const { score } = toScore(performance, {
            ...NO_SETTINGS,
            plain: { [partId('t1')]: true, [partId('t2')]: true },
            swing: { ratio: 1, unit: 'eighth' },
          });
          const reading = readMusicXml(new TextEncoder().encode(writeMusicXml(score)));
          expect(reading.warnings).toEqual([]);
          expect(checkScore(reading.score)).toEqual([]);
          const words = (of: Score) =>
            of.parts.map((part) => soundsOf(part, of.bars).map(({ start, end, key }) => `${start}-${end} ${key}`));
          expect(words(reading.score)).toEqual(words(score));
          // Fine enough that no place falls between two ticks.
          const [sequenced] = toSequencer(reading.score, {
            ...USUAL_SEQUENCING,
            ticksPerQuarter: 10080,
            ornaments: false,
          });
          sequenced!.tracks.forEach((track, p) => {
            const sounding = new Set(soundsOf(score.parts[p]!, score.bars).map(({ start, key }) => `${start} ${key}`));
            expect(new Set(track.notes.map((note) => `${note.start} ${note.key}`))).toEqual(sounding);
          });
          expect(sequenced!.report.betweenTicks).toBe(0);
        },
      ),
      { numRuns: many(30, 120) },
    );
  });
  it('with a time signature at any tick', () => {
    const event = fc.tuple(
      fc.integer({ min: 0, max: 9000 }),
      fc.constantFrom([4, 2], [3, 2], [6, 3], [5, 3], [7, 4], [2, 1], [1, 6], [3, 5]),
    );
    fc.assert(
      fc.property(
        fc.array(event, { minLength: 1, maxLength: 4 }),
        fc.array(fc.oneof(loose, exact), { minLength: 1, maxLength: 12 }),
        (events, notes) => {
          const meters = events
            .map(([tick, [beats, power]]) => meta(tick, Meta.timeSignature, [beats, power, 24, 8]))
            .sort((a, b) => a.tick - b.tick);
          const { score } = toScore(performanceOf([{ name: 'Piano', notes }], meters), NO_SETTINGS);
          expect(checkScore(score)).toEqual([]);
        },
      ),
      { numRuns: many(40, 150) },
    );
  });
  it('and writes keys that the standard has no octave for', async () => {
    const { score, queries } = toScore(
      performanceOf([
        {
          name: 'Zz',
          notes: [
            { key: 3, at: 0, length: 1 },
            { key: 60, at: 1, length: 1 },
            { key: 127, at: 2, length: 2 },
          ],
        },
      ]),
      NO_SETTINGS,
    );
    expect(await schemaErrors(writeMusicXml(score))).toEqual([]);
    expect(queries.map(({ kind }) => kind)).toContain('out-of-range');
  });
  // More than a call can take as its arguments.
  inFull('of 140,000 notes in one track', () => {
    const notes = Array.from({ length: 140_000 }, (_, i) => ({
      key: 40 + (i % 48),
      at: Math.floor(i / 48) / 4,
      length: 0.2,
    }));
    expect(() => toScore(performanceOf([{ name: 'Piano', notes }]), NO_SETTINGS)).not.toThrow();
  });
  it('a septuplet over a dotted quarter too', () => {
    const notes = line(...Array.from({ length: 7 }, (_, i): [number, number] => [72 + i, 1.5 / 7]), [72, 1.5]);
    const { score } = toScore(performanceOf([{ name: 'Flute', notes }], [meter(0, 6, 8)]), NO_SETTINGS);
    expect(checkScore(score)).toEqual([]);
    expect(score.parts[0]!.bars[0]!.voices[0]!.symbols.filter((symbol) => symbol.tuplet?.actual === 7)).toHaveLength(7);
  });
});
