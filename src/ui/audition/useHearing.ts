'use client';

import { create } from 'zustand';
import type { PartId } from '@/core/base';
import type { HearingVersion } from '@/core/engine';
import type { HeardPlace, Stretch } from '@/core/hearing';
import { SENT_AHEAD } from '@/sound/messages';
import { Player, secondsAt } from '@/sound/player';
import { engineWorker } from '@/workers/engine-client';
import { barsOnDesk, useWorkspace } from '../workspace/workspace';
import { sentence } from '../shared/receive';
import { outputSink } from './output';
import { playReference } from './reference';

/** What can be heard: a version of the job, or a recording laid beside it. */
export type HeardVersion = HearingVersion | 'reference';

/** Whose notes: everybody's, those of the parts in view, of parts that were chosen. */
export type Scope = 'all' | 'view' | readonly PartId[];

interface Chosen {
  version: HeardVersion;
  /** Share of the tempo. */
  rate: number;
  scope: Scope;
  click: boolean;
  /** Bars played again and again: index of the first, and of the one after the last. */
  loop: { from: number; to: number } | null;
}

/** Hearing the job: what sounds, from where, in which version, how fast. */
interface Hearing extends Chosen {
  /** Where a file without written bars begins to be heard: index of the bar. */
  startBar: number;
  sounding: boolean;
  /** Sounds are being fetched. */
  waiting: boolean;
  failure: string | null;
  /** Where it is; null while nothing sounds. */
  place: () => HeardPlace | null;
  /** From what is picked, or the first bar in view; or stops. */
  toggle: () => Promise<void>;
  /** From the beginning of a bar. */
  from: (bar: number) => Promise<void>;
  stop: () => void;
  /** Goes on at the same place. */
  change: (to: Partial<Chosen>) => Promise<void>;
}

/** What plays now. */
interface Sounding {
  place: (at?: number) => HeardPlace | null;
  /** From a time of the sink's clock on. */
  leave: (at?: number) => void;
  silence: () => void;
  now: () => number;
}

/** So many bars are asked for at once. */
const BARS_AT_ONCE = 8;
/** Seconds until a start can sound. */
const LATENCY = 0.06;

export const useHearing = create<Hearing>()((set, get) => {
  let sounding: Sounding | null = null;
  /** Of the latest start: an answer that comes after a newer one is not played. */
  let latest = 0;

  const ended = (mine: number) => () => {
    if (mine !== latest) return;
    sounding = null;
    set({ sounding: false });
  };

  async function begin(place: HeardPlace): Promise<void> {
    const mine = ++latest;
    const before = sounding;
    set({ waiting: true });
    try {
      const start = get().version === 'reference' ? startReference : startMusic;
      const now = await start(place, before, () => mine === latest, ended(mine));
      if (mine === latest && now) {
        sounding = now;
        set({ sounding: true, failure: null });
      }
    } catch (error) {
      if (mine === latest) {
        before?.silence();
        before?.leave();
        sounding = null;
        set({ sounding: false, failure: sentence(error) });
      }
    } finally {
      if (mine === latest) set({ waiting: false });
    }
  }

  async function startMusic(
    place: HeardPlace,
    before: Sounding | null,
    wanted: () => boolean,
    onEnd: () => void,
  ): Promise<Sounding | null> {
    const { rate, loop } = get();
    const sink = await outputSink();
    const first = await fetchBars(loop ? within(place, loop) : place);
    if (!wanted()) return null;
    if (!before) await sink.wake();
    if (!wanted()) return null;
    // What was sent ahead is still heard: the new version takes over right after it, where the old one is by then.
    const soon = LATENCY + (before ? SENT_AHEAD : 0);
    const at = sink.now() + soon;
    const there = before?.place(before.now() + soon) ?? place;
    before?.leave(before.now() + soon);
    const player = new Player(sink, {
      rate,
      onEnd,
      following: async ({ next, bars }) => {
        const { loop: again } = get();
        if (again && !insideLoop(next?.bar, again, bars.at(-1)!.bar))
          return { stretch: await fetchBars({ bar: again.from, pass: 0, share: 0 }), again: true };
        return next && { stretch: await fetchBars({ ...next, share: 0 }), again: false };
      },
    });
    player.start(first, { at, from: secondsAt(first, holds(first, there) ? there : place) });
    return {
      place: (time) => player.place(time),
      leave: (time) => player.leave(time),
      silence: () => sink.silence(),
      now: () => sink.now(),
    };
  }

  async function startReference(
    place: HeardPlace,
    before: Sounding | null,
    wanted: () => boolean,
    onEnd: () => void,
  ): Promise<Sounding | null> {
    const reference = await playReference(before?.place() ?? place, get().rate, onEnd);
    if (!wanted()) {
      reference.leave();
      return null;
    }
    before?.silence();
    before?.leave();
    return reference;
  }

  function partsHeard(): PartId[] {
    const { scope } = get();
    if (scope === 'all') return [];
    return scope === 'view' ? useWorkspace.getState().passage.parts : [...scope];
  }

  function fetchBars({ bar, pass }: HeardPlace): Promise<Stretch> {
    const { version, click, loop } = get();
    const bars = loop && bar < loop.to ? Math.min(BARS_AT_ONCE, loop.to - bar) : BARS_AT_ONCE;
    const of = version === 'reference' ? 'received' : version;
    return engineWorker().hear(of, { from: { bar, pass }, bars, parts: partsHeard(), click });
  }

  function stop(): void {
    latest++;
    sounding?.silence();
    sounding?.leave();
    sounding = null;
    set({ sounding: false, waiting: false });
  }

  return {
    version: 'written',
    rate: 1,
    scope: 'all',
    click: false,
    loop: null,
    startBar: 0,
    sounding: false,
    waiting: false,
    failure: null,
    place: () => sounding?.place() ?? null,
    toggle: async () => (get().sounding || get().waiting ? stop() : begin(whereToBegin(get().startBar))),
    from: async (bar) => {
      stop();
      await begin({ bar, pass: 0, share: 0 });
    },
    stop,
    change: async (to) => {
      const place = sounding?.place() ?? null;
      set(to);
      if (place) await begin(get().loop ? within(place, get().loop!) : place);
    },
  };
});

const within = (place: HeardPlace, { from, to }: { from: number; to: number }): HeardPlace =>
  place.bar >= from && place.bar < to ? place : { bar: from, pass: 0, share: 0 };

/** What follows is still to be played before it begins again: it lies in the loop, and behind what has been played. */
const insideLoop = (next: number | undefined, loop: { from: number; to: number }, last: number) =>
  next !== undefined && next >= loop.from && next < loop.to && last < loop.to - 1;

const holds = ({ bars }: Stretch, { bar, pass }: HeardPlace) =>
  bars.some((one) => one.bar === bar && one.pass === pass);

/** The first of the picked notes, or else the first bar in view. */
function whereToBegin(startBar: number): HeardPlace {
  const space = useWorkspace.getState();
  if (barsOnDesk(space).length === 0) return { bar: startBar, pass: 0, share: 0 };
  const starts = (space.picked?.notes ?? []).flatMap((note) => space.written.get(note)?.start ?? []);
  const first = Math.min(...starts);
  const bar = barsOnDesk(space).findLast((one) => one.start <= first);
  if (!Number.isFinite(first) || !bar) return { bar: space.passage.from, pass: 0, share: 0 };
  return { bar: bar.index, pass: 0, share: Math.min(1, (first - bar.start) / bar.length) };
}
