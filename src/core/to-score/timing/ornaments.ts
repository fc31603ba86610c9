/*
 * Ornaments: what is played too fast to be counted is one note with a sign, not a string of 64ths.
 *
 *     played   xx  x     xyxyxyxyxy    xxxxxxxx     x
 *                                                  x
 *                                                 x
 *     written  grace     trill         tremolo      arpeggio
 *
 * Takes the timed notes of one part; gives fewer notes, those that stand for several with the sign and the notes behind
 * them. Anything slower than a sixteenth by a margin is left to the grid, and so is what the file has exactly on values
 * that can be written: exact thirty-seconds are thirty-seconds, unless they are a trill (`grid-trills`). Limits are common practice of what hands do, no source.
 */
import type { Instrument } from '../../instruments';
import type { NoteId } from '../../performance';
import { QUARTER, type Seconds, type WrittenUnits } from '../../time';
import { beatIndexAt, type BeatLine } from './beats';
import { gridTrills } from './grid-trills';
import type { Ornament, TimedNote } from './timed-note';

export interface OrnamentReport {
  trills: number;
  tremolos: number;
  graces: number;
  arpeggios: number;
}

/** Longest time between two notes of a trill or unmeasured tremolo. */
const FAST: Seconds = 0.095;
/** And as a share of a sixteenth: measured notes stay notes. */
const FASTER_THAN_SIXTEENTHS = 0.8;
const LEAST_STEP: Seconds = 0.02;
const LEAST_ALTERNATIONS = 6;
/** Seven times the same key may be a septuplet. */
const LEAST_REPETITIONS = 8;
const TRILL_INTERVAL = 2;
/**
 * Steps of a written-out alternation, and how closely hands keep to them: root mean square, in seconds and as a share
 * of the step.
 */
const COUNTED_STEPS: readonly WrittenUnits[] = [QUARTER / 8, QUARTER / 6, QUARTER / 12];
const EVEN_WITHIN: Seconds = 0.018;
const EVEN_SHARE = 0.2;
/** A grace note is this close before its note, this short, and its note this long. */
const GRACE_BEFORE: Seconds = 0.075;
const GRACE_LENGTH: Seconds = 0.115;
const GRACE_SHARE = 0.55;
const GRACE_LENGTH_SHARE = 0.6;
const MAIN_LENGTH: Seconds = 0.17;
const MOST_GRACES = 3;
/** Steps of a spread chord, and the whole of it; smaller spreads are a chord struck by hand. */
const SPREAD_STEP: Seconds = 0.09;
const SPREAD_LEAST: Seconds = 0.06;
const SPREAD_MOST: Seconds = 0.5;
const STRUCK_TOGETHER: Seconds = 0.024;

/** Time from the soft stroke of a flam to the loud one. */
const FLAM: Seconds = 0.05;
const FLAM_LEAST: Seconds = 0.012;

export const NO_ORNAMENTS: OrnamentReport = { trills: 0, tremolos: 0, graces: 0, arpeggios: 0 };

/** @param instrument polyphonic: spread chords are looked for; unpitched: only rolls are */
export function findOrnaments(
  notes: readonly TimedNote[],
  line: BeatLine,
  { polyphonic, unpitched }: Pick<Instrument, 'polyphonic' | 'unpitched'>,
): { notes: TimedNote[]; report: OrnamentReport } {
  const report = { ...NO_ORNAMENTS };
  const sorted = unpitched ? inOrder(notes) : withGridTrills(inOrder(notes), report);
  const alternating = unpitched ? rolls(sorted, line, report) : alternations(sorted, line, report);
  if (unpitched) return { notes: flams(alternating, report), report };
  const spread = polyphonic ? spreadChords(alternating, line, report) : alternating;
  return { notes: graceNotes(spread, line, report), report };
}

const inOrder = (notes: readonly TimedNote[]): TimedNote[] =>
  [...notes].sort((a, b) => a.onset - b.onset || a.key - b.key);

/** Trills that the file has on the grid, each as its lower note. */
function withGridTrills(notes: readonly TimedNote[], report: OrnamentReport): TimedNote[] {
  const runs = gridTrills(notes);
  if (runs.length === 0) return [...notes];
  report.trills += runs.length;
  const behind = new Set(runs.flat());
  return inOrder([...notes.filter((note) => !behind.has(note)), ...runs.map(trilled)]);
}

/** A trill is written on its lower note, wherever it begins. */
const trilled = (run: readonly TimedNote[]): TimedNote =>
  standingFor(
    run.reduce((a, b) => (b.key < a.key ? b : a)),
    run,
    { trill: true },
  );

/** Each thing struck has its own rolls. */
function rolls(notes: readonly TimedNote[], line: BeatLine, report: OrnamentReport): TimedNote[] {
  const keys = [...new Set(notes.map((note) => note.key))];
  return keys
    .flatMap((key) =>
      alternations(
        notes.filter((note) => note.key === key),
        line,
        report,
      ),
    )
    .sort((a, b) => a.onset - b.onset || a.key - b.key);
}

/** A softer stroke right before one on the same thing, neither of them part of a run. */
function flams(notes: readonly TimedNote[], report: OrnamentReport): TimedNote[] {
  const mainOf = new Map<TimedNote, TimedNote>();
  /** The last stroke on each thing and the one before it. */
  const last = new Map<number, { soft: TimedNote; before: TimedNote | undefined }>();
  for (const note of notes) {
    const { soft, before } = last.get(note.key) ?? {};
    last.set(note.key, { soft: note, before: soft });
    if (!soft || soft.ornament || note.ornament || soft.velocity > note.velocity) continue;
    const apart = note.onsetSeconds - soft.onsetSeconds;
    // What is alone has no stroke right before it, so a main stroke is never the grace of the next.
    const alone = !before || soft.onsetSeconds - before.onsetSeconds > 2 * FLAM;
    if (apart >= FLAM_LEAST && apart <= FLAM && alone && !counted(soft, note)) mainOf.set(soft, note);
  }
  const graceOf = new Map([...mainOf].map(([grace, main]) => [main, grace]));
  report.graces += mainOf.size;
  return notes.flatMap((note) => {
    if (mainOf.has(note)) return [];
    const grace = graceOf.get(note);
    return [
      grace ? { ...note, ornament: { graces: [grace] }, behind: [...(note.behind ?? []), ...idsOf(grace)] } : note,
    ];
  });
}

/** Two notes that the file has exactly on values one can count: sextuplets of thirty-seconds and slower. */
function counted(a: TimedNote, b: TimedNote): boolean {
  return a.meant !== undefined && b.meant !== undefined && b.meant - a.meant >= QUARTER / 12;
}

/** Longest interval that is too fast to be counted at a note's place. */
function uncounted(note: TimedNote, line: BeatLine, share: number, most: Seconds): Seconds {
  const beat = beatIndexAt(line, note.onset);
  const { length, compound } = line.beats[beat]!;
  const sixteenth = (length * line.secondsPerUnit[beat]!) / (compound ? 6 : 4);
  return Math.min(most, share * sixteenth);
}

/**
 * Runs over one key (tremolo) or two neighbouring keys in turn (trill); what sounds elsewhere meanwhile does not
 * disturb them.
 */
function alternations(notes: readonly TimedNote[], line: BeatLine, report: OrnamentReport): TimedNote[] {
  const kept: TimedNote[] = [];
  const taken = new Set<TimedNote>();
  notes.forEach((note, i) => {
    if (taken.has(note)) return;
    const run = runFrom(notes, i, taken, line);
    const same = run.every((one) => one.key === note.key);
    // Repeated notes with strokes through the stem are the notes themselves; a trill must be more than even
    // thirty-seconds.
    if (run.length < (same ? LEAST_REPETITIONS : LEAST_ALTERNATIONS) || (!same && isEven(run, line))) {
      kept.push(note);
      return;
    }
    for (const one of run) taken.add(one);
    if (same) report.tremolos++;
    else report.trills++;
    kept.push(same ? standingFor(note, run, { tremolo: true }) : trilled(run));
  });
  return kept;
}

/**
 * An alternation that fills consecutive places of a thirty-second or sextuplet grid, as closely as hands do:
 * written-out notes.
 */
function isEven(run: readonly TimedNote[], line: BeatLine): boolean {
  return COUNTED_STEPS.some((step) => {
    const places = run.map((note) => Math.round(note.onset / step));
    if (places.some((place, i) => i > 0 && place !== places[i - 1]! + 1)) return false;
    const squares = run.reduce((sum, note, i) => sum + (note.onset - places[i]! * step) ** 2, 0);
    const seconds = Math.sqrt(squares / run.length) * line.secondsPerUnit[beatIndexAt(line, run[0]!.onset)]!;
    return seconds <= EVEN_WITHIN && Math.sqrt(squares / run.length) <= EVEN_SHARE * step;
  });
}

function runFrom(
  notes: readonly TimedNote[],
  from: number,
  taken: ReadonlySet<TimedNote>,
  line: BeatLine,
): TimedNote[] {
  const first = notes[from]!;
  const fast = uncounted(first, line, FASTER_THAN_SIXTEENTHS, FAST);
  const run = [first];
  let other: number | null = null;
  for (let i = from + 1; i < notes.length; i++) {
    const note = notes[i]!;
    const step = note.onsetSeconds - run.at(-1)!.onsetSeconds;
    if (step > fast) break;
    if (taken.has(note) || Math.abs(note.key - first.key) > TRILL_INTERVAL) continue;
    other ??= note.key;
    const wanted = run.length % 2 === 0 ? first.key : other;
    if (note.key !== wanted || step < LEAST_STEP || counted(run.at(-1)!, note)) break;
    run.push(note);
  }
  return run;
}

/** One note for a run: it begins with the first and ends with the last. */
function standingFor(main: TimedNote, run: readonly TimedNote[], ornament: Ornament): TimedNote {
  const [first, last] = [run[0]!, run.at(-1)!];
  return {
    ...main,
    meant: first.meant,
    meantEnd: last.meantEnd,
    onset: first.onset,
    onsetSeconds: first.onsetSeconds,
    release: last.release,
    releaseSeconds: last.releaseSeconds,
    ornament,
    behind: run.filter((note) => note !== main).flatMap(idsOf),
  };
}

const idsOf = (note: TimedNote): NoteId[] => [note.id, ...(note.behind ?? [])];

/** Three notes or more, one after the other up or down, all still held when the last is struck. */
function spreadChords(notes: readonly TimedNote[], line: BeatLine, report: OrnamentReport): TimedNote[] {
  const kept: TimedNote[] = [];
  for (let i = 0; i < notes.length;) {
    let end = i + 1;
    const up = (notes[end]?.key ?? 0) > notes[i]!.key;
    while (
      end < notes.length &&
      notes[end]!.onsetSeconds - notes[end - 1]!.onsetSeconds <= SPREAD_STEP &&
      notes[end]!.onsetSeconds - notes[i]!.onsetSeconds <= SPREAD_MOST &&
      !counted(notes[end - 1]!, notes[end]!) &&
      (up ? notes[end]!.key > notes[end - 1]!.key : notes[end]!.key < notes[end - 1]!.key) &&
      notes[i]!.ornament === undefined
    )
      end++;
    const chord = notes.slice(i, end);
    const spread = chord.at(-1)!.onsetSeconds - chord[0]!.onsetSeconds;
    const held = chord.every((note) => note.releaseSeconds >= chord.at(-1)!.onsetSeconds + Math.max(spread, 0.08));
    if (chord.length < 3 || spread < STRUCK_TOGETHER || !held) {
      kept.push(notes[i++]!);
      continue;
    }
    // On the beat stands its first note or its last one, whichever lies closer to it.
    const anchor = [chord[0]!, chord.at(-1)!].reduce((a, b) => (awayFromBeat(b, line) < awayFromBeat(a, line) ? b : a));
    const spreadWide = spread >= SPREAD_LEAST;
    if (spreadWide) report.arpeggios++;
    for (const note of chord)
      kept.push({
        ...note,
        meant: anchor.meant,
        onset: anchor.onset,
        onsetSeconds: anchor.onsetSeconds,
        ...(spreadWide && { ornament: { arpeggio: up ? 'up' : 'down' } }),
      });
    i = end;
  }
  return kept.sort((a, b) => a.onset - b.onset || a.key - b.key);
}

/** Distance from the nearest half of a beat, as a share of the beat. */
function awayFromBeat(note: TimedNote, line: BeatLine): number {
  const beat = line.beats[beatIndexAt(line, note.onset)]!;
  const share = (2 * (note.onset - beat.start)) / beat.length;
  return Math.abs(share - Math.round(share));
}

function graceNotes(notes: readonly TimedNote[], line: BeatLine, report: OrnamentReport): TimedNote[] {
  const kept: TimedNote[] = [];
  for (let i = 0; i < notes.length;) {
    const end = graceEnd(notes, i, line);
    const main = notes[end];
    if (end === i || !main) {
      kept.push(notes[i++]!);
      continue;
    }
    const graces = notes.slice(i, end);
    report.graces += graces.length;
    // They take their time from the note before: the main note stays where it was struck.
    kept.push({
      ...main,
      ornament: { ...main.ornament, graces },
      behind: [...(main.behind ?? []), ...graces.flatMap(idsOf)],
    });
    i = end + 1;
  }
  return kept;
}

/** Index of the note that the notes from `from` are graces of; `from` itself when they are none. */
function graceEnd(notes: readonly TimedNote[], from: number, line: BeatLine): number {
  const first = notes[from]!;
  const before = notes[from - 1];
  const close = uncounted(first, line, GRACE_SHARE, GRACE_BEFORE);
  const short = uncounted(first, line, GRACE_LENGTH_SHARE, GRACE_LENGTH);
  // A line that was already running goes on running; and a note that stands for several is no grace.
  if (before && first.onsetSeconds - before.onsetSeconds < 1.5 * close) return from;
  let end = from;
  while (end < notes.length - 1 && end - from <= MOST_GRACES) {
    const [note, next] = [notes[end]!, notes[end + 1]!];
    const step = next.onsetSeconds - note.onsetSeconds;
    const grace =
      step <= close &&
      !counted(note, next) &&
      step >= STRUCK_TOGETHER &&
      note.releaseSeconds - note.onsetSeconds <= short &&
      note.key !== next.key &&
      note.ornament === undefined &&
      Math.abs(note.key - next.key) <= 12;
    if (!grace) break;
    end++;
  }
  if (end === from || end - from > MOST_GRACES) return from;
  const main = notes[end]!;
  const after = notes.slice(end + 1).find((note) => note.onsetSeconds - main.onsetSeconds > STRUCK_TOGETHER);
  const room = after ? after.onsetSeconds - main.onsetSeconds : Infinity;
  return main.releaseSeconds - main.onsetSeconds >= MAIN_LENGTH || room >= MAIN_LENGTH + close ? end : from;
}
