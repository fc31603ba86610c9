/* What is asked where one original has the bars and another one the times. */
import { say } from '../words';
import { queryId } from '../base';
import type { Performance } from '../performance';
import { agreementOf, musicOfPerformance, type SoundingMusic } from '../proof';
import type { Query } from '../queries';
import { barIndexAt, tickAtSeconds, type Bar, type Milliseconds } from '../time';
import type { Prepared } from './prepare';

/** Whose times were taken, and how that went. */
export interface TimedInNumbers {
  original: number;
  /** Null where the two have too little in common. */
  found: { matched: number; missing: number; extra: number } | null;
  /** How far what was made, played, is from the playing; null before it was measured. */
  away: { typical: Milliseconds; largest: Milliseconds } | null;
}

export function timedInNumbers(
  timed: Pick<NonNullable<Prepared['timed']>, 'original' | 'versions'> | null,
): TimedInNumbers | null {
  if (!timed) return null;
  const { original, versions } = timed;
  if (!versions) return { original, found: null, away: null };
  const { matched, missing, extra } = versions;
  return { original, found: { matched, missing, extra: extra.length }, away: null };
}

/** Measured on what was made, note by note by time and key; not by the alignment it was made with. */
export function measuredAgainst(
  timed: TimedInNumbers | null,
  playing: Performance | undefined,
  made: SoundingMusic,
): TimedInNumbers | null {
  if (!timed?.found || !playing) return timed;
  const { typical, largest } = agreementOf(musicOfPerformance(playing), made);
  return { ...timed, away: { typical, largest } };
}

/** Of many bars so many are named. */
const MOST_NAMED = 6;

export function versionDoubts(
  {
    timed,
    performance,
  }: { timed: Pick<NonNullable<Prepared['timed']>, 'original' | 'versions'> | null; performance: Performance },
  bars: readonly Bar[],
): Query[] {
  if (!timed) return [];
  const { original, versions } = timed;
  const id = queryId(`two-versions/${original}`);
  if (!versions)
    return [
      {
        id,
        kind: 'two-versions',
        message: say('engine.originalOriginalIsHardlyAnother', { original }),
        facts: { original, strangers: true },
      },
    ];
  const { matched, missing, extra } = versions;
  if (missing === 0 && extra.length === 0) return [];
  const said = [
    missing > 0 && say('engine.oneNoteIsNotInItAndKeepsItsPlace', { missing }),
    extra.length > 0 &&
      say('engine.oneOfItsNotesIsNotWrittenPlacesOf', {
        extra: extra.length,
        placesOf: placesOf(extra, performance, bars),
      }),
  ].filter(Boolean);
  return [
    {
      id,
      kind: 'two-versions',
      message: say('engine.theTimesAreThoseOfOriginalOriginal', { original, matched, said: said.join('; ') }),
      facts: { original, strangers: false },
    },
  ];
}

function placesOf(seconds: readonly number[], { tempo }: Performance, bars: readonly Bar[]): string {
  const starts = bars.map((bar) => bar.start);
  // A tick of two versions is a written unit.
  const numbers = [...new Set(seconds.map((at) => bars[barIndexAt(starts, tickAtSeconds(tempo, at))]!.number))];
  const some = numbers.slice(0, MOST_NAMED).join(', ');
  const named = `${some}${numbers.length > MOST_NAMED ? ' …' : ''}`;
  return say('engine.barsNamed', { bars: numbers.length, named });
}
