/*
 * Cleaning: a MIDI file with what fights a sequencer's mixer taken out or made harmless. Notes, velocities, tempo,
 * meters, keys, markers and names stay event for event.
 */
import { say } from '../../words';
import type { Action, CleaningPlan } from '../../settings';
import { conductorName } from '../../performance';
import { encodeText, Message, Meta, type ChannelEvent, type SmfEvent, type SmfFile, type SmfTrack } from '../../smf';
import type { Ticks } from '../../time';
import { inventoryOf, kindOf } from './inventory';
import { switchKeysOf } from './switch-keys';
import { type NEUTRAL_VOLUMES, type Preset, DATA_KINDS, type DataKind } from '../../settings';

/** Kinds that there is a conversion for, and what it does in words. */
export const CONVERSIONS: Partial<Record<DataKind, string>> = {
  get program() {
    return say('toSequencer.oneAtTheStart');
  },
  get volume() {
    return say('toSequencer.oneNeutralValue');
  },
  get pan() {
    return say('toSequencer.oneInTheCentre');
  },
  get reverb() {
    return say('toSequencer.oneAt0');
  },
  get chorus() {
    return say('toSequencer.oneAt0');
  },
  get modulation() {
    return say('toSequencer.toController11');
  },
  get expression() {
    return say('toSequencer.toController1');
  },
  get sustain() {
    return say('toSequencer.intoLongerNotes');
  },
  get keyswitches() {
    return say('toSequencer.toText');
  },
};

const all = (action: Action) => Object.fromEntries(DATA_KINDS.map((kind) => [kind, action])) as CleaningPlan;

export const PRESET_PLANS: Record<Preset, CleaningPlan> = {
  // Whether low keys are switches is a guess: notes go only where somebody says so.
  bare: { ...all('drop'), keyswitches: 'carry' },
  expression: {
    ...all('drop'),
    keyswitches: 'carry',
    modulation: 'carry',
    expression: 'carry',
    sustain: 'carry',
    pitchBend: 'carry',
    aftertouch: 'carry',
    text: 'carry',
  },
  everything: all('carry'),
};

export interface CleaningSettings {
  plan: CleaningPlan;
  /** By track chunk, over the plan for the file. */
  tracks: Readonly<Record<number, Partial<CleaningPlan>>>;
  /** Track chunks left out. */
  leftOut: readonly number[];
  neutralVolume: (typeof NEUTRAL_VOLUMES)[number] | null;
}

export interface CleaningReport {
  /** Events by kind: in the file, and in the result. */
  before: Record<DataKind, number>;
  after: Record<DataKind, number>;
  /** Sentences about decisions that cost something. */
  warnings: string[];
}

export interface Cleaned {
  file: SmfFile;
  /** Which track chunk of the original each track of the result is. */
  kept: number[];
  report: CleaningReport;
}

export function cleanSmf(file: SmfFile, settings: CleaningSettings): Cleaned {
  const switches = switchKeysOf(file);
  const inventory = inventoryOf(file, switches);
  const warnings: string[] = [];
  const tracks = file.tracks.flatMap((track, t): SmfTrack[] => {
    if (settings.leftOut.includes(t)) {
      if (!inventory[t]!.conductor) return [];
      // Without it tempo and meter are gone: it stays, and that is said.
      warnings.push(say('toSequencer.trackTHasNoNotesButCarriesTheTempo', { t: t + 1 }));
    }
    const plan = { ...settings.plan, ...settings.tracks[t] };
    const cleaned = cleanTrack(track, plan, settings.neutralVolume, switches.get(t));
    return [
      inventory[t]!.conductor && inventory[t]!.name === ''
        ? {
            ...cleaned,
            events: [
              { kind: 'meta', tick: 0, type: Meta.trackName, data: encodeText(conductorName('')) },
              ...cleaned.events,
            ],
          }
        : cleaned,
    ];
  });
  const result: SmfFile = { ...file, tracks };
  const kept = file.tracks.map((_, t) => t).filter((t) => !settings.leftOut.includes(t) || inventory[t]!.conductor);
  return {
    file: result,
    kept,
    report: {
      before: totals(inventory),
      after: totals(inventoryOf(result, keptSwitches(kept, switches))),
      warnings,
    },
  };
}

/** Switches by the place their track has in the result. */
function keptSwitches(
  kept: readonly number[],
  switches: ReadonlyMap<number, ReadonlySet<number>>,
): ReadonlyMap<number, ReadonlySet<number>> {
  return new Map(kept.flatMap((t, i) => (switches.has(t) ? [[i, switches.get(t)!] as const] : [])));
}

function totals(inventory: ReturnType<typeof inventoryOf>): Record<DataKind, number> {
  return Object.fromEntries(
    DATA_KINDS.map((kind) => [kind, inventory.reduce((sum, track) => sum + track.counts[kind], 0)]),
  ) as Record<DataKind, number>;
}

const NEUTRAL: Partial<Record<DataKind, { controller: number; value: number }>> = {
  pan: { controller: 10, value: 64 },
  reverb: { controller: 91, value: 0 },
  chorus: { controller: 93, value: 0 },
};

function cleanTrack(
  track: SmfTrack,
  plan: CleaningPlan,
  neutralVolume: CleaningSettings['neutralVolume'],
  switches: ReadonlySet<number> | undefined,
): SmfTrack {
  const met = new Set<string>();
  let events = track.events.flatMap((event): SmfEvent[] => {
    const kind = kindOf(event, switches);
    if (kind === null || plan[kind] === 'carry') return [event];
    if (plan[kind] === 'drop' || event.kind !== 'channel') return [];
    return converted(event, kind);
  });
  if (plan.sustain === 'convert') events = withLongerNotes(events, track.endTick);
  // What is put at the start stands there in the order of ticks.
  const order = events.map((event, i) => ({ event, i })).sort((a, b) => a.event.tick - b.event.tick || a.i - b.i);
  return {
    events: withinReach(
      order.map(({ event }) => event),
      track.endTick,
    ),
    endTick: track.endTick,
  };

  function converted(event: ChannelEvent, kind: DataKind): SmfEvent[] {
    const channel = event.status & 0x0f;
    const once = (made: () => SmfEvent[]) => {
      const slot = `${kind}/${channel}/${event.status & 0xf0}/${kind === 'program' ? event.data1 * Number((event.status & 0xf0) === Message.controlChange) : ''}`;
      if (met.has(slot)) return [];
      met.add(slot);
      return made();
    };
    switch (kind) {
      case 'program':
        return once(() => [{ ...event, tick: 0 }]);
      case 'volume':
        return neutralVolume === null
          ? []
          : once(() => [
              { kind: 'channel', tick: 0, status: Message.controlChange | channel, data1: 7, data2: neutralVolume },
            ]);
      case 'pan':
      case 'reverb':
      case 'chorus':
        return once(() => [
          {
            kind: 'channel',
            tick: 0,
            status: Message.controlChange | channel,
            data1: NEUTRAL[kind]!.controller,
            data2: NEUTRAL[kind]!.value,
          },
        ]);
      case 'modulation':
        return [{ ...event, data1: 11 }];
      case 'expression':
        return [{ ...event, data1: 1 }];
      case 'keyswitches':
        return (event.status & 0xf0) === Message.noteOn && event.data2 > 0
          ? [
              {
                kind: 'meta',
                tick: event.tick,
                type: Meta.text,
                data: encodeText(say('toSequencer.keyswitchData1', { data1: event.data1 })),
              },
            ]
          : [];
      case 'sustain':
        // Kept for the lengths that are made of them, then taken out.
        return [event];
      default:
        return [];
    }
  }
}

/** Longest delta time of the standard: four bytes of seven bits. */
const LONGEST_DELTA: Ticks = 0x0fffffff;

/** Where what was dropped leaves a gap that no delta time can say, an empty text stands in it. */
function withinReach(events: readonly SmfEvent[], endTick: Ticks): SmfEvent[] {
  const result: SmfEvent[] = [];
  let tick = 0;
  const reach = (to: Ticks) => {
    while (to - tick > LONGEST_DELTA)
      result.push({ kind: 'meta', tick: (tick += LONGEST_DELTA), type: Meta.text, data: new Uint8Array() });
    tick = to;
  };
  for (const event of events) {
    reach(event.tick);
    result.push(event);
  }
  reach(endTick);
  return result;
}

/** Notes sound until the pedal is let go or their key is struck again; the pedal itself goes. */
function withLongerNotes(events: readonly SmfEvent[], endTick: Ticks): SmfEvent[] {
  const down = Array<boolean>(16).fill(false);
  const held = Array.from({ length: 16 }, () => new Map<number, ChannelEvent>());
  const result: SmfEvent[] = [];
  const release = (channel: number, tick: Ticks) => {
    for (const event of held[channel]!.values()) result.push({ ...event, tick });
    held[channel]!.clear();
  };
  for (const event of events) {
    if (event.kind !== 'channel') {
      result.push(event);
      continue;
    }
    const channel = event.status & 0x0f;
    const message = event.status & 0xf0;
    if (kindOf(event) === 'sustain') {
      down[channel] = event.data2 >= 64;
      if (!down[channel]) release(channel, event.tick);
    } else if (message === Message.noteOff || (message === Message.noteOn && event.data2 === 0)) {
      if (down[channel]) held[channel]!.set(event.data1, event);
      else result.push(event);
    } else {
      const before = message === Message.noteOn ? held[channel]!.get(event.data1) : undefined;
      if (before) {
        result.push({ ...before, tick: event.tick });
        held[channel]!.delete(event.data1);
      }
      result.push(event);
    }
  }
  for (let channel = 0; channel < 16; channel++) release(channel, endTick);
  return result;
}
