/*
 * Bars that nobody meant: a file in 4/4 throughout whose music is in another meter, and a recording that was not played to
 * the file's beats at all.
 */
import { say } from '../../words';
import {
  barsBeside,
  barsOfEighths,
  changingBars,
  featuresOf,
  findBars,
  onsetsOf,
  type ChangingBars,
  type Onset,
} from '../../beats';
import { queryId } from '../../base';
import type { Performance } from '../../performance';
import type { MeterDoubt, Query } from '../../queries';
import { bandBegins, entriesSpeakForTheFile } from './entries';
import {
  groupedMeter,
  metersInWords,
  QUARTER,
  secondsAtTick,
  type Meter,
  type Seconds,
  type WrittenUnits,
} from '../../time';

/** So clear it must be before the file is doubted: measured on real scores whose meter was taken away (docs/accuracy.md). */
const CLEAR = 0.22;
/** Fewer beats say nothing. */
const FEWEST_BEATS = 24;
/** So many quarters, some hundreds of bars, say what the meter is. */
const ENOUGH_BEATS = 2000;
const FEWEST_NOTES = 48;
/** A beat is looked at in so many parts: where notes gather in none of them there is no beat. */
const DIVISIONS = [1, 2, 3, 4, 6];
/** How far onsets gather (0 evenly spread, 1 all in one place): less than this is by chance, the more so the fewer they are. */
const byChance = (notes: number) => 0.1 + 1.6 / Math.sqrt(notes);

/** @param bars of the file are its own: nothing was laid over them, nothing mended */
export function meterDoubts(performance: Performance, bars: 'own' | 'mended'): Query[] {
  if (bars === 'mended' || performance.tracks.length === 0) return [];
  const free = withoutBars(performance);
  if (free) return [free];
  const doubt = otherMeter(performance);
  return doubt ? [doubt] : [];
}

function withoutBars({ tracks, ticksPerQuarter, tempo }: Performance): Query | null {
  // A tempo that follows the playing has beats of its own.
  if (tempo.events.length > 1) return null;
  const starts = tracks.flatMap(({ notes }) => notes.map((note) => note.start));
  if (starts.length < FEWEST_NOTES) return null;
  const gathered = Math.max(
    ...DIVISIONS.map((parts) => {
      let [x, y] = [0, 0];
      for (const start of starts) {
        const angle = (2 * Math.PI * start * parts) / ticksPerQuarter;
        x += Math.cos(angle);
        y += Math.sin(angle);
      }
      return Math.hypot(x, y) / starts.length;
    }),
  );
  if (gathered > byChance(starts.length)) return null;
  return {
    id: queryId('no-bars'),
    kind: 'no-bars',
    message: say('doubts.theNotesFallEverywhereButOnThe'),
    facts: { notes: starts.length },
  };
}

function otherMeter(performance: Performance): Query | null {
  const { meters, ticksPerQuarter, lastNoteEnd } = performance;
  if (meters.some(({ beats, beatType }) => beats !== 4 || beatType !== 4)) return null;
  if (lastNoteEnd / ticksPerQuarter < FEWEST_BEATS) return null;
  const onsets = onsetsOf(beginningOf(performance));
  const said = eighthsSay(performance, onsets) ?? quartersSay(performance, onsets);
  if (!said || entriesSpeakForTheFile(performance, 4 * QUARTER, said.sections)) return null;
  const bars = metersInWords(said.sections);
  return {
    id: queryId('meter'),
    kind: 'meter',
    message:
      bars === '4/4'
        ? say('doubts.theFilesBarlinesDoNotFitTheMusicBy', { pickup: said.pickup / QUARTER + 1 })
        : say('doubts.theFileIsIn44WhichOftenMeansThat', { bars }),
    facts: said,
  };
}

type Said = MeterDoubt['facts'];

/** Bars of one length. */
const evenly = (meter: Meter, pickup: WrittenUnits): Said => ({
  pickup,
  sections: [{ from: pickup, meters: [meter] }],
});
const quarters = (beats: number): Meter => ({ beats, beatType: 4 });

/** Seconds of every so manieth of a quarter. */
function places({ tempo, ticksPerQuarter, lastNoteEnd }: Performance, perQuarter: number): Seconds[] {
  const step = ticksPerQuarter / perQuarter;
  const length = Math.min(Math.ceil(lastNoteEnd / step), ENOUGH_BEATS * perQuarter);
  return Array.from({ length }, (_, i) => secondsAtTick(tempo, i * step));
}

/** What is looked at of it. */
function beginningOf(performance: Performance): Performance {
  const end = ENOUGH_BEATS * performance.ticksPerQuarter;
  if (performance.lastNoteEnd <= end) return performance;
  const tracks = performance.tracks.map((track) => ({
    ...track,
    notes: track.notes.filter((note) => note.start < end),
  }));
  return { ...performance, tracks };
}

function quartersSay(performance: Performance, onsets: readonly Onset[]): Said | null {
  const beats = places(performance, 1);
  const features = featuresOf(beats, onsets);
  const changing = changingBars(features);
  if (changing) return changingSay(changing);
  const { beatsPerBar, downbeats, evidence } = findBars(beats, onsets);
  // Two to a bar and four are the same music.
  if (beatsPerBar === 4 || beatsPerBar === 2) {
    const beside = bandBegins(performance) ? 0 : barsBeside(features, 4);
    return beside > 0 ? evenly(quarters(4), beside * QUARTER) : null;
  }
  return evidence >= CLEAR ? evenly(quarters(beatsPerBar), ((downbeats[0] ?? 0) % beatsPerBar) * QUARTER) : null;
}

function changingSay({ downbeats, lengths, inTurn }: ChangingBars): Said {
  const pickup = downbeats[0]! * QUARTER;
  if (inTurn) return { pickup, sections: [{ from: pickup, meters: inTurn.map(quarters) }] };
  const sections = downbeats.slice(0, -1).flatMap((beat, bar) =>
    // A section begins where a bar is not as long as the one before.
    bar > 0 && lengths[bar] === lengths[bar - 1] ? [] : [{ from: beat * QUARTER, meters: [quarters(lengths[bar]!)] }],
  );
  return { pickup, sections };
}

/** Threes, fives and sevens of eighths, where what stands out on eighths comes back so. */
function eighthsSay(performance: Performance, onsets: readonly Onset[]): Said | null {
  const bars = barsOfEighths(places(performance, 2), onsets);
  if (!bars) return null;
  const { length, groups, first } = bars;
  return evenly(groupedMeter({ beats: length, beatType: 8 }, groups), ((first % length) * QUARTER) / 2);
}
