/*
 * Measures casting on generated cases: dealing out (who plays each note) and gathering (which technique stands where).
 */
import { trackId } from '../src/core/base';
import { cast, dealPlayers } from '../src/core/casting';
import { instrumentById, type TechniqueId } from '../src/core/instruments';
import type { Performance, PlayedNote, PlayedTrack } from '../src/core/performance';
import { buildTempoMap } from '../src/core/time';
import { dealCases, type DealCase } from './deal-cases';
import { seeded } from './random';
import { NO_CASTING_SETTINGS } from '../src/core/settings';

const TICKS = 480;
/** 120 quarter notes a minute: 960 ticks a second. */
const tempo = buildTempoMap([{ tick: 0, microsecondsPerQuarter: 500_000 }], TICKS);
const ticks = (seconds: number) => Math.max(0, Math.round(seconds * 2 * TICKS));

export interface CaseShare {
  right: number;
  notes: number;
}

/** Notes that went to exactly the players who played them. */
export function dealtRight({ instrument, deal, notes }: DealCase): CaseShare {
  const played = notes.map(({ key, start, end }, id): PlayedNote => ({
    id,
    key,
    velocity: 80,
    channel: 1,
    start: ticks(start),
    end: ticks(end),
  }));
  const { players } = dealPlayers(played, instrumentById(instrument), deal, tempo);
  const given = notes.map((_, id) =>
    players.flatMap((player, p) => (player.notes.some((note) => note.id === id) ? [p] : [])),
  );
  return { right: notes.filter((note, i) => note.players.join() === given[i]!.join()).length, notes: notes.length };
}

const TECHNIQUES: { word: string; technique: TechniqueId | null }[] = [
  { word: 'leg', technique: 'legato' },
  { word: 'pizz', technique: 'pizzicato' },
  { word: 'con sord', technique: 'muted' },
  { word: 'trem', technique: 'tremolo' },
  { word: 'stacc', technique: 'staccato' },
];

/**
 * A line of one player, recorded on a track for each technique, among tracks of another player: the part and its
 * techniques must come back.
 */
export function gatheredRight(seed: number): CaseShare {
  const random = seeded(seed);
  const [name, instrument] = random.pick([
    ['Vln 1', 'violin'],
    ['VLA', 'viola'],
    ['Vc.', 'cello'],
    ['Trp 2', 'trumpet-bflat'],
    ['Hn 3', 'horn-f'],
  ] as const);
  const used = [...TECHNIQUES].sort(() => random.next() - 0.5).slice(0, 2 + Math.floor(random.between(0, 2.99)));
  const centre = (instrumentById(instrument).range[0] + instrumentById(instrument).range[1]) / 2;
  const truth = new Map<number, TechniqueId | null>();
  const tracks: PlayedTrack[] = used.map(({ word }, i) => emptyTrack(`t${i}`, i, `${name} ${word}`));
  let id = 0;
  let at = 0;
  for (let passage = 0; passage < 8; passage++) {
    const t = Math.floor(random.between(0, used.length));
    const count = 2 + Math.floor(random.between(0, 8));
    for (let n = 0; n < count; n++) {
      const length = random.pick([0.25, 0.5, 0.5, 1]);
      truth.set(id, used[t]!.technique);
      tracks[t]!.notes.push({
        id: id++,
        key: Math.round(centre + random.between(-9, 9)),
        velocity: 80,
        channel: 1,
        start: ticks(Math.max(0, at + random.normal(0.01))),
        end: ticks(at + length * 0.95 + 0.02),
      });
      at += length;
    }
  }
  const other = emptyTrack('t9', 9, 'Fl 1 leg');
  for (let n = 0; n < 12; n++)
    other.notes.push({ id: id++, key: 74 + (n % 5), velocity: 80, channel: 2, start: ticks(n), end: ticks(n + 0.9) });
  const playing = tracks.filter((track) => track.notes.length > 0);
  const performance: Performance = {
    ticksPerQuarter: TICKS,
    tempo,
    meters: [],
    numbering: [],
    keys: [],
    markers: [],
    title: '',
    copyright: '',
    encoding: 'utf-8',
    tracks: [...playing, other],
    lastNoteEnd: ticks(at + 1),
    warnings: [],
  };
  const { output } = cast(performance, NO_CASTING_SETTINGS);
  const part = output.parts.find((candidate) => candidate.tracks.includes(playing[0]!.id))!;
  const inPart = new Set(part.notes.map((note) => note.id));
  const right =
    output.parts.length === 2 && part.instrument.id === instrument
      ? [...truth].filter(([note, technique]) => inPart.has(note) && (part.techniqueOf.get(note) ?? null) === technique)
          .length
      : 0;
  return { right, notes: truth.size };
}

function emptyTrack(id: string, chunk: number, name: string): PlayedTrack {
  return {
    id: trackId(id),
    chunk,
    name,
    channels: [1],
    port: null,
    programs: [],
    notes: [],
    controllers: [],
    bends: [],
    texts: [],
  };
}

/** Rows for docs/accuracy.md. */
export function castingTable(seed: number): string {
  const sum = (list: readonly CaseShare[]) =>
    list.reduce((a, b) => ({ right: a.right + b.right, notes: a.notes + b.notes }), { right: 0, notes: 0 });
  const cases = dealCases(seed, 100);
  const groups: [string, DealCase[]][] = [
    [
      'two to five players, doubling (a2) when there are fewer notes',
      cases.filter(({ deal }) => deal.to === 'players' && deal.spare === 'double'),
    ],
    ['of these, four horns', cases.filter(({ deal, instrument }) => instrument === 'horn-f' && deal.players === 4)],
    [
      'two to five players, resting when there are fewer notes',
      cases.filter(({ deal }) => deal.to === 'players' && deal.spare === 'rest'),
    ],
    ['string choir of five out of one track', cases.filter(({ deal }) => deal.to === 'string-choir')],
  ];
  const row = (name: string, count: number, { right, notes }: CaseShare) =>
    `| ${name} | ${count} | ${notes} | ${((100 * right) / notes).toFixed(1)} % |`;
  const gathered = Array.from({ length: 40 }, (_, i) => gatheredRight(seed + i));
  return [
    '| casting | cases | notes | right |',
    '|---|---|---|---|',
    ...groups.map(([name, list]) => row(name, list.length, sum(list.map(dealtRight)))),
    row('techniques on several tracks gathered into one part', gathered.length, sum(gathered)),
  ].join('\n');
}
