'use client';

import { create } from 'zustand';
import type { Audition, AuditionVersion } from '@/core/engine';
import { play, type Playing } from '@/sound/player';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../job/workspace';
import { sentence } from '../shared/receive';

/** Hearing the job: what sounds, from where, in which version, how fast. */
interface Hearing {
  version: AuditionVersion;
  /** Share of the tempo. */
  rate: number;
  /** Only the parts that are in view. */
  inView: boolean;
  sounding: boolean;
  failure: string | null;
  /** Where it is, in bars of the score: 4.5 is the middle of the fifth; null while nothing sounds. */
  place: () => number | null;
  /** From the first bar in view, or stops. */
  toggle: () => Promise<void>;
  stop: () => void;
  /** Goes on at the same place. */
  change: (to: Partial<Pick<Hearing, 'version' | 'rate' | 'inView'>>) => Promise<void>;
}

export const useHearing = create<Hearing>()((set, get) => {
  let now: { playing: Playing; audition: Audition } | null = null;
  /** Of the latest start: an answer that comes after a newer one is not played. */
  let started = 0;

  function placeOf({ playing, audition: { bars, from } }: { playing: Playing; audition: Audition }): number {
    const seconds = playing.position();
    const after = bars.findIndex((begins) => begins > seconds);
    if (after < 0) return from + bars.length - 1;
    if (after === 0) return from;
    const [begins, ends] = [bars[after - 1]!, bars[after]!];
    return from + after - 1 + (seconds - begins) / (ends - begins);
  }

  async function start(place: number): Promise<void> {
    const mine = ++started;
    const { version, rate, inView } = get();
    const { passage } = useWorkspace.getState();
    try {
      const audition = await engineWorker().audition(version, Math.floor(place), inView ? passage.parts : []);
      if (mine !== started) return;
      const [begins, ends] = [audition.bars[0]!, audition.bars[1]!];
      const share = place - Math.floor(place);
      // A bar begins with what was played early before it.
      const from = share === 0 ? 0 : begins + share * (ends - begins);
      const playing = await play(audition.notes, {
        from,
        rate,
        onEnd: () => mine === started && (set({ sounding: false }), (now = null)),
      });
      now = { playing, audition };
      set({ sounding: true, failure: null });
    } catch (error) {
      set({ sounding: false, failure: sentence(error) });
    }
  }

  return {
    version: 'written',
    rate: 1,
    inView: false,
    sounding: false,
    failure: null,
    place: () => now && placeOf(now),
    toggle: async () => (get().sounding ? get().stop() : start(useWorkspace.getState().passage.from)),
    stop: () => {
      started++;
      now?.playing.stop();
      now = null;
      set({ sounding: false });
    },
    change: async (to) => {
      const place = get().sounding ? get().place() : null;
      set(to);
      if (place !== null) await start(place);
    },
  };
});
