/*
 * Makes the demo's original from its true score: `npm run demo`. The file has the faults that real ones have; the true
 * score is kept beside it, so that what Dragoman makes of it can be measured.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { encodeText, Message, Meta, type SmfTrack } from '../src/core/smf';
import { MECHANICAL, perform, type Manner, type PlayedPart } from '../bench/performer';
import { seeded } from '../bench/random';
import { goose } from './goose';

const hand: Manner = { jitter: 10, lead: 0, release: 0.9, overlap: 0, spread: 0 };
const slowLegato: Manner = { jitter: 12, lead: 120, release: 0.95, overlap: 90, spread: 0, loudnessBy: 'modulation' };
const mixer = [
  { controller: 7, value: 96, everyQuarters: 4 },
  { controller: 10, value: 52, everyQuarters: 16 },
  { controller: 91, value: 40, everyQuarters: 16 },
];

/** Messy names as they arrive; the same order as the score's parts. */
export const players: PlayedPart[] = [
  { trackName: 'Flt 1 leg', channel: 1, program: 74, manner: { ...hand, jitter: 12, overlap: 25 }, junk: mixer },
  { trackName: 'CL Bb_close', channel: 2, program: 72, manner: { ...hand, jitter: 11 }, junk: mixer },
  { trackName: 'Fag. stacc', channel: 3, program: 71, manner: { ...hand, release: 0.85 } },
  {
    trackName: 'Hn in F (sus)',
    channel: 4,
    program: 61,
    manner: { ...slowLegato, lead: 70, overlap: 40 },
    junk: mixer,
  },
  { trackName: 'Glsp', channel: 5, program: 10, manner: { ...hand, jitter: 6 } },
  { trackName: 'Slagverk KIT', channel: 10, program: null, manner: { ...hand, jitter: 5, release: 0.4 } },
  { trackName: 'Grand pno', channel: 6, program: 1, manner: { ...hand, jitter: 9, spread: 8 } },
  { trackName: 'VLN 1 leg close', channel: 7, program: 49, manner: slowLegato, junk: mixer },
  { trackName: 'VLAS leg', channel: 8, program: 49, manner: { ...slowLegato, lead: 140 } },
  { trackName: 'Vc. leg 02', channel: 9, program: 49, manner: { ...slowLegato, lead: 110 } },
  { trackName: 'Kb pizz', channel: 11, program: 33, manner: { ...hand, jitter: 8, release: 0.8 } },
  { trackName: 'Gtr nylon DI', channel: 13, program: 25, manner: { ...hand, jitter: 8, spread: 14, release: 0.92 } },
];

/** A track somebody prepared and never used. */
function emptyTrack(name: string, channel: number): SmfTrack {
  return {
    events: [
      { kind: 'meta', tick: 0, type: Meta.trackName, data: encodeText(name) },
      { kind: 'channel', tick: 0, status: Message.controlChange | (channel - 1), data1: 7, data2: 100 },
      { kind: 'channel', tick: 0, status: Message.controlChange | (channel - 1), data1: 11, data2: 127 },
    ],
    endTick: 0,
  };
}

export function demoOriginal(): Uint8Array {
  // A lone C major: nobody set the key.
  const key = { fifths: 0, mode: 'major' } as const;
  return perform(goose, players, { ticksPerQuarter: 480, format: 1, key, random: seeded(1911) }, [
    emptyTrack('Tpt muted (spare)', 12),
  ]);
}

/** The same music exactly as written, as a machine would play it. */
export function demoMechanical(): Uint8Array {
  return perform(
    goose,
    players.map((player) => ({ ...player, manner: MECHANICAL })),
    { ticksPerQuarter: 480, format: 1, key: goose.key, random: seeded(1) },
  );
}

if (process.argv[1]?.endsWith('make.ts')) {
  const folder = join(import.meta.dirname, '..', 'public', 'demo');
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, 'clockmakers-goose-cue-3.mid'), demoOriginal());
  writeFileSync(join(import.meta.dirname, 'clockmakers-goose-cue-3.truth.json'), JSON.stringify(goose));
  console.log('demo written');
}
