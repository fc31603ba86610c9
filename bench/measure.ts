import { lineOfFifths, soundsOf, type Score } from '../src/core/score';
import { instrumentById } from '../src/core/instruments';
import { barIndexAt } from '../src/core/time';
import type { TruePart, TrueScore } from './true-score';

/**
 * How many of the true notes came out right. Every share is of all true notes of the pitched and unpitched parts
 * together.
 */
export interface Measure {
  notes: number;
  /** Written at the right place. */
  onsets: number;
  /** Right place and right length (pitched parts only; strokes have no length of their own). */
  values: number;
  valued: number;
  staves: number;
  /** Right voice of its staff. */
  voices: number;
  /** Bars of parts in which every onset, value, staff and voice is right and nothing is too much. */
  fullBars: number;
  bars: number;
  spelled: number;
  pitched: number;
  /** Written notes that no true note accounts for. */
  extra: number;
}

export const NOTHING: Measure = {
  notes: 0,
  onsets: 0,
  values: 0,
  valued: 0,
  staves: 0,
  voices: 0,
  fullBars: 0,
  bars: 0,
  spelled: 0,
  pitched: 0,
  extra: 0,
};

export function add(a: Measure, b: Measure): Measure {
  return Object.fromEntries(
    Object.keys(a).map((key) => [key, a[key as keyof Measure] + b[key as keyof Measure]]),
  ) as unknown as Measure;
}

/** Compares part by part, in the order of the true score's instruments. */
export function measure(
  score: Score,
  truth: TrueScore,
): { total: Measure; parts: { name: string; measure: Measure }[] } {
  const waiting = [...score.parts];
  const parts = truth.parts.map((part) => {
    const i = waiting.findIndex((candidate) => candidate.instrument === part.instrument);
    const found = i >= 0 ? waiting.splice(i, 1)[0] : undefined;
    return {
      name: part.name,
      measure: found ? measurePart(score, found, part) : { ...NOTHING, notes: part.notes.length },
    };
  });
  return { parts, total: parts.reduce((sum, part) => add(sum, part.measure), NOTHING) };
}

function measurePart(score: Score, part: Score['parts'][number], truth: TruePart): Measure {
  const { unpitched } = instrumentById(part.instrument);
  const shift = 7 * part.transposition - 12 * part.transpositionSteps;
  const written = new Map<string, ReturnType<typeof soundsOf>>();
  for (const sound of soundsOf(part, score.bars)) {
    const slot = `${sound.start}/${sound.key}`;
    written.set(slot, [...(written.get(slot) ?? []), sound]);
  }
  const total = [...written.values()].reduce((sum, list) => sum + list.length, 0);
  const starts = score.bars.map((bar) => bar.start);
  const barOf = (at: number) => barIndexAt(starts, at);
  const wrong = new Set<number>();
  const result: Measure = { ...NOTHING, notes: truth.notes.length };
  for (const note of truth.notes) {
    const sound = written.get(`${note.start}/${note.key}`)?.shift();
    if (!unpitched) {
      result.valued++;
      result.pitched++;
    }
    if (!sound) {
      wrong.add(barOf(note.start));
      continue;
    }
    result.onsets++;
    // What has the same beginning and end may share a stem: a chord is as right as two voices.
    const rightVoice = truth.notes.some(
      (other) =>
        other.start === note.start &&
        other.end === note.end &&
        other.staff === note.staff &&
        (sound.voice - 1) % 4 === (other.voice ?? 0),
    );
    if (sound.staff === note.staff) result.staves++;
    if (rightVoice) result.voices++;
    if (sound.staff !== note.staff || !rightVoice || (!unpitched && sound.end !== note.end))
      wrong.add(barOf(note.start));
    if (unpitched) continue;
    if (sound.end === note.end) result.values++;
    if (lineOfFifths(sound.pitch) - shift === lineOfFifths(note.pitch)) result.spelled++;
  }
  result.extra = total - result.onsets;
  for (const list of written.values()) for (const sound of list) wrong.add(barOf(sound.start));
  result.bars = score.bars.length;
  result.fullBars = score.bars.length - wrong.size;
  return result;
}

export const percent = (part: number, whole: number) => (whole === 0 ? '–' : `${((100 * part) / whole).toFixed(1)} %`);
