/*
 * Meters of a file, each brought to a place where a bar can begin.
 *
 *     ticks   0        1921            |4/4        |3/4           one tick behind the barline is the barline
 *
 * Programs that convert between resolutions, and people who draw, leave time signatures a few ticks beside the beat.
 * Such a one would cut a bar of a length that no symbols can fill. It is brought to the nearest beat of the meter
 * before it, and said.
 */
import { say } from '../words';
import { barBeat, layBars, QUARTER, COMMON_TIME, type MeterEvent, type Ticks, type WrittenUnits } from '../time';

export interface SettledMeters {
  meters: MeterEvent[];
  /** One sentence for each that was moved. */
  moved: { tick: Ticks; message: string }[];
}

/** Each of so many is said by itself: where the bars are is counted anew for each. */
const MOST_SAID = 20;

/** A bar may be cut at sixteenths. */
const CUT: WrittenUnits = QUARTER / 4;

/**
 * @param events in order; the last of several at one place counts
 * @param tickOf the file's tick of a place, for reading out
 */
export function settleMeters(events: readonly MeterEvent[], tickOf: (at: WrittenUnits) => Ticks): SettledMeters {
  const meters: MeterEvent[] = [];
  const moved: SettledMeters['moved'] = [];
  let more = 0;
  for (const event of [...events].sort((a, b) => a.at - b.at)) {
    const before = meters.at(-1) ?? { ...COMMON_TIME, at: 0 };
    const at = event.at % CUT === 0 ? event.at : nearestBeat(event.at, before);
    if (at !== event.at && moved.length === MOST_SAID) more++;
    else if (at !== event.at) {
      const place = barBeat(
        layBars([...meters, ...(meters[0]?.at === 0 ? [] : [{ ...COMMON_TIME, at: 0 }])], at + 1),
        at,
      );
      moved.push({
        tick: tickOf(event.at),
        message: say('performance.theTimeSignatureBeatsBeatTypeAt', {
          beats: event.beats,
          beatType: event.beatType,
          tickOf: tickOf(event.at),
          bar: place.bar,
          beat: place.beat,
        }),
      });
    }
    if (meters.at(-1)?.at === at) meters.pop();
    meters.push({ ...event, at });
  }
  if (more > 0)
    moved.push({
      tick: moved.at(-1)!.tick,
      message: say('performance.moreMoreTimeSignaturesAfterThat', { more }),
    });
  return { meters, moved };
}

function nearestBeat(at: WrittenUnits, { at: from, beatType }: MeterEvent): WrittenUnits {
  const beat = Math.max((4 * QUARTER) / beatType, CUT);
  return from + Math.round((at - from) / beat) * beat;
}
