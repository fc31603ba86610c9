/* All parts laid over each other: who is off, who differs from whom in one place, who plays more than can be played. */
import { upperMedian, type PartId } from '../../base';
import { instrumentById } from '../../instruments';
import { soundsOf, type Part, type Score, type ScoreSound } from '../../score';
import { barIndexAt, type MidiKey, type Milliseconds, type Seconds, type WrittenUnits } from '../../time';
import { nearUnisons, type NearUnison } from './near-unisons';

export interface Overlay {
  rows: OnsetRow[];
  compass: PartCompass[];
  nearUnisons: NearUnison[];
}

/** The onsets of a part against their written places. */
export interface OnsetRow {
  part: PartId;
  name: string;
  onsets: {
    at: WrittenUnits;
    /** Index of the bar. */
    bar: number;
    /** Where it is written and where it was played, in bars: 4.5 is the middle of the fifth. */
    written: number;
    played: number;
    /** Played so much later than written; negative is early. */
    off: Milliseconds;
  }[];
  /** The middle of all, and the middle of how far they are from that. */
  usual: Milliseconds;
  spread: Milliseconds;
}

/** What a part asks of who plays it. */
export interface PartCompass {
  part: PartId;
  name: string;
  notes: number;
  /** Sounding, with the bar where they are first; null for what is struck. */
  lowest: { key: MidiKey; bar: number } | null;
  highest: { key: MidiKey; bar: number } | null;
  /** Notes a professional does not have. */
  outOfRange: number;
  /** Most notes at once, and where. */
  atOnce: { notes: number; bar: number };
  /** How many notes one player plays at once as a matter of course; null for any number. */
  playable: number | null;
}

export interface OverlaySource {
  score: Score;
  /** When a written place sounds as it is written. */
  writtenAt: (place: WrittenUnits) => Seconds;
  /** When a sound was played, or goes out; null where nobody knows. */
  playedAt: (part: PartId, sound: ScoreSound) => Seconds | null;
}

export function overlayOf({ score, writtenAt, playedAt }: OverlaySource): Overlay {
  const starts = score.bars.map((bar) => bar.start);
  const last = score.bars.at(-1)!;
  const clock = [...starts, last.start + last.length].map(writtenAt);
  const parts = score.parts.map((part) => ({ part, sounds: soundsOf(part, score.bars) }));
  const rows = parts.map(({ part, sounds }): OnsetRow => {
    const onsets = sounds.flatMap((sound) => {
      const played = playedAt(part.id, sound);
      if (played === null) return [];
      const bar = barIndexAt(starts, sound.start);
      const [begins, ends] = [clock[bar]!, clock[bar + 1]!];
      const inBars = (time: Seconds) => bar + (time - begins) / (ends - begins);
      const written = writtenAt(sound.start);
      const off = (played - written) * 1000;
      return [{ at: sound.start, bar, written: inBars(written), played: inBars(played), off }];
    });
    const usual = upperMedian(onsets.map(({ off }) => off));
    const spread = upperMedian(onsets.map(({ off }) => Math.abs(off - usual)));
    return { part: part.id, name: part.name, onsets, usual, spread };
  });
  return {
    rows,
    compass: parts.map(({ part, sounds }) => compassOf(part, sounds, starts)),
    nearUnisons: nearUnisons(
      parts.map(({ part, sounds }) => ({ part: part.id, onsets: sounds.map(({ start }) => start) })),
      score.bars,
    ),
  };
}

function compassOf(part: Part, sounds: readonly ScoreSound[], starts: readonly WrittenUnits[]): PartCompass {
  const instrument = instrumentById(part.instrument);
  const barOf = (sound: ScoreSound) => barIndexAt(starts, sound.start);
  const by = (better: (a: MidiKey, b: MidiKey) => boolean) => {
    if (part.unpitched || sounds.length === 0) return null;
    const found = sounds.reduce((best, sound) => (better(sound.key, best.key) ? sound : best));
    return { key: found.key, bar: barOf(found) };
  };
  const [low, high] = instrument.range;
  return {
    part: part.id,
    name: part.name,
    notes: sounds.length,
    lowest: by((a, b) => a < b),
    highest: by((a, b) => a > b),
    outOfRange: part.unpitched ? 0 : sounds.filter(({ key }) => key < low || key > high).length,
    atOnce: mostAtOnce(sounds, barOf),
    playable: instrument.polyphonic || instrument.section || part.unpitched ? null : 1,
  };
}

function mostAtOnce(sounds: readonly ScoreSound[], barOf: (sound: ScoreSound) => number): PartCompass['atOnce'] {
  let most = { notes: 0, bar: 0 };
  let held: ScoreSound[] = [];
  for (const sound of sounds) {
    held = held.filter((one) => one.end > sound.start);
    held.push(sound);
    if (held.length > most.notes) most = { notes: held.length, bar: barOf(sound) };
  }
  return most;
}
