/*
 * Seeded cases for dealing out: lines for several players are composed by rule, played by people, and merged into the
 * one track that arrives. The truth is who played each note.
 */
import type { Seconds } from '../src/core/time';
import { seeded, type Random } from './random';
import type { Deal } from '../src/core/settings';

export interface DealCase {
  name: string;
  instrument: string;
  deal: Deal;
  notes: { key: number; start: Seconds; end: Seconds; players: number[] }[];
}

interface Line {
  key: number;
  /** In beats. */
  start: number;
  end: number;
  player: number;
}

/** Pitch classes of the diatonic triads and sevenths over a major scale. */
const CHORDS = [
  [0, 4, 7],
  [2, 5, 9],
  [4, 7, 11],
  [5, 9, 0],
  [7, 11, 2],
  [9, 0, 4],
  [7, 11, 2, 5],
  [2, 5, 9, 0],
];

const SOLO_SEATS: { instrument: string; low: number; high: number }[] = [
  { instrument: 'horn-f', low: 46, high: 74 },
  { instrument: 'trumpet-bflat', low: 56, high: 80 },
  { instrument: 'trombone', low: 42, high: 70 },
  { instrument: 'clarinet-bflat', low: 52, high: 84 },
];

/** Middle of each string part's register. */
const CHOIR_CENTRES = [79, 71, 62, 52, 40];

export function dealCases(firstSeed: number, count: number): DealCase[] {
  return Array.from({ length: count }, (_, i) =>
    i % 4 === 3 ? stringChoir(firstSeed + i) : playersOfOneKind(firstSeed + i, i),
  );
}

function playersOfOneKind(seed: number, i: number): DealCase {
  const random = seeded(seed);
  const seat = SOLO_SEATS[i % SOLO_SEATS.length === 3 ? 0 : Math.floor(random.between(0, SOLO_SEATS.length))]!;
  const players = i % 3 === 0 ? 4 : 2 + Math.floor(random.between(0, 3.99));
  const spare: Deal['spare'] = i % 2 === 0 ? 'double' : 'rest';
  const middle = (seat.low + seat.high) / 2;
  const centres = Array.from({ length: players }, (_, p) => middle + ((players - 1) / 2 - p) * 5);
  // Players double in pairs; an odd number plays all in unison, since nothing would tell who joins whom.
  const unisons = centres.map((_, p) => (players % 2 === 0 ? p - (p % 2) : 0));
  const lines = compose(random, centres, seat.low, seat.high, spare, unisons);
  return {
    name: `${players} × ${seat.instrument}, ${spare === 'double' ? 'doubling' : 'resting'}, seed ${seed}`,
    instrument: seat.instrument,
    deal: { to: 'players', players, spare, lines: 'smooth', order: 'straight' },
    notes: play(lines, random),
  };
}

function stringChoir(seed: number): DealCase {
  const random = seeded(seed);
  const lines = compose(random, CHOIR_CENTRES, 28, 96, 'double', [0, 0, 2, 4, 4]);
  return {
    name: `string choir, seed ${seed}`,
    instrument: 'string-section',
    deal: { to: 'string-choir', players: 5, spare: 'double', lines: 'smooth', order: 'straight' },
    notes: play(lines, random),
  };
}

/**
 * Chords in close succession, every voice moving as little as it can; some passages in unison, some with moving tops,
 * some with rests.
 * @param unisons whose note each player has in a unison passage
 */
function compose(
  random: Random,
  centres: readonly number[],
  low: number,
  high: number,
  spare: Deal['spare'],
  unisons: readonly number[],
): Line[] {
  const tonic = Math.floor(random.between(0, 12));
  const lines: Line[] = [];
  let voices = centres.map((centre) => Math.round(centre));
  let at = 0;
  for (let phrase = 0; phrase < 5; phrase++) {
    const texture = random.between(0, 1);
    const playing =
      spare === 'rest' && phrase > 0 && texture < 0.4
        ? choosePlayers(random, centres.length)
        : centres.map((_, p) => p);
    for (let step = 0; step < 8; step++) {
      const chord = CHORDS[Math.floor(random.between(0, CHORDS.length))]!.map((tone) => (tone + tonic) % 12);
      voices = lead(voices, centres, chord, low, high);
      const unison = spare === 'double' && texture > 0.7;
      const length = random.between(0, 1) < 0.3 ? 2 : 1;
      const moving = texture > 0.4 && texture < 0.6 && !unison;
      for (const p of playing) {
        const key = unison ? voices[unisons[p]!]! : voices[p]!;
        if (moving && p === playing[0] && playing.length > 1) {
          const passing = Math.min(high, key + (random.between(0, 1) < 0.5 ? 2 : 1));
          lines.push(
            { key, start: at, end: at + length / 2, player: p },
            { key: passing, start: at + length / 2, end: at + length, player: p },
          );
        } else lines.push({ key, start: at, end: at + length, player: p });
      }
      at += length;
    }
    at += 1;
  }
  return lines;
}

/** Neighbouring players, the first ones more often. */
function choosePlayers(random: Random, count: number): number[] {
  const size = 1 + Math.floor(random.between(0, count - 0.01));
  const first = random.between(0, 1) < 0.7 ? 0 : Math.floor(random.between(0, count - size + 0.99));
  return Array.from({ length: size }, (_, k) => first + k);
}

function lead(
  voices: readonly number[],
  centres: readonly number[],
  chord: readonly number[],
  low: number,
  high: number,
): number[] {
  const next: number[] = [];
  voices.forEach((voice, p) => {
    const above = p > 0 ? next[p - 1]! : high;
    const choices: number[] = [];
    for (let key = Math.max(low, voice - 7); key <= Math.min(above, high, voice + 7); key++)
      if (chord.includes(key % 12)) choices.push(key);
    const cost = (key: number) =>
      Math.abs(key - voice) +
      0.6 * Math.abs(key - centres[p]!) +
      (key === above && p > 0 ? 2.5 : 0) +
      (p > 0 && next.some((other) => other % 12 === key % 12) ? 1 : 0);
    next.push(choices.length > 0 ? choices.reduce((a, b) => (cost(b) < cost(a) ? b : a)) : Math.min(above, voice));
  });
  return next;
}

/** Jitter, late releases, and one note in the track where several players have the same. */
function play(lines: readonly Line[], random: Random): DealCase['notes'] {
  const beat: Seconds = 60 / random.between(60, 130);
  const overlap: Seconds = random.between(0, 1) < 0.5 ? 0 : random.between(0.03, 0.09);
  const merged = new Map<string, { line: Line; players: number[] }>();
  for (const line of lines) {
    const slot = `${line.start}/${line.key}`;
    const known = merged.get(slot);
    if (known) {
      known.players.push(line.player);
      known.line = { ...known.line, end: Math.max(known.line.end, line.end) };
    } else merged.set(slot, { line, players: [line.player] });
  }
  return [...merged.values()].map(({ line, players }) => ({
    key: line.key,
    start: line.start * beat + random.normal(0.01),
    end: (line.start + (line.end - line.start) * (overlap > 0 ? 1 : 0.92)) * beat + overlap + random.normal(0.008),
    players: [...players].sort((a, b) => a - b),
  }));
}
