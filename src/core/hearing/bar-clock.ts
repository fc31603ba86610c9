/* From places in the bars to seconds and back. */
import type { Seconds } from '../time';
import type { BarClock, BarPlace } from './stretch';

/** Where something is heard: a bar, and how much of it has passed (0–1). */
export interface HeardPlace extends BarPlace {
  share: number;
}

/** Where in the bars a time is; before them the beginning, after them the end. */
export function placeAt({ bars, end }: BarClock, seconds: Seconds): HeardPlace {
  const i = Math.max(
    0,
    bars.findLastIndex((bar) => bar.at <= seconds),
  );
  const { bar, pass, at } = bars[i]!;
  const ends = bars[i + 1]?.at ?? end;
  return { bar, pass, share: ends > at ? Math.max(0, Math.min(1, (seconds - at) / (ends - at))) : 0 };
}

/** When a place is; the same bar in another pass, or the first, where it is not there. */
export function timeOf({ bars, end }: BarClock, { bar, pass, share }: HeardPlace): Seconds {
  const exactly = bars.findIndex((one) => one.bar === bar && one.pass === pass);
  const i = Math.max(0, exactly >= 0 ? exactly : bars.findIndex((one) => one.bar === bar));
  const ends = bars[i + 1]?.at ?? end;
  return bars[i]!.at + share * (ends - bars[i]!.at);
}
