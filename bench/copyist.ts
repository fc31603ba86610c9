/*
 * What makes a copyist sigh, counted in a written score.
 */
import { clefsAt, diatonicNumber, soundsOf, type Part, type Score, type SymbolInBar } from '../src/core/score';
import { barIndexAt, QUARTER, type WrittenUnits } from '../src/core/time';
import { STAFF_LINES } from '../src/core/to-score/notation/clefs';

export interface Sighs {
  notes: number;
  /** Rests of a sixteenth or less. */
  shortRests: number;
  /** Notes that sound alone in a part of two staves, and how many of them change the staff of the line. */
  singles: number;
  hops: number;
  /** More than five places off the staff. */
  farOff: number;
  /** Two heads of a percussion part on one place at once. */
  doubleHeads: number;
  /** Bars that two parts have in unison or octaves, and those of them that are written differently. */
  doubledBars: number;
  doubledUnlike: number;
  tuplets: number;
}

export const NO_SIGHS: Sighs = {
  notes: 0,
  shortRests: 0,
  singles: 0,
  hops: 0,
  farOff: 0,
  doubleHeads: 0,
  doubledBars: 0,
  doubledUnlike: 0,
  tuplets: 0,
};

export function addSighs(a: Sighs, b: Sighs): Sighs {
  return Object.fromEntries(
    Object.keys(a).map((key) => [key, a[key as keyof Sighs] + b[key as keyof Sighs]]),
  ) as unknown as Sighs;
}

export function sighsOf(score: Score): Sighs {
  const parts = score.parts.map((part) => partSighs(score, part)).reduce(addSighs, NO_SIGHS);
  return addSighs(parts, doubledSighs(score));
}

function partSighs(score: Score, part: Part): Sighs {
  const sighs = { ...NO_SIGHS };
  part.bars.forEach((bar, b) => {
    const clefs = clefsAt(part, b);
    const heads = new Map<string, number>();
    for (const { staff, symbols } of bar.voices)
      for (const symbol of symbols) {
        if (symbol.notes.length === 0 && !symbol.wholeBar && symbol.duration <= QUARTER / 4) sighs.shortRests++;
        if (symbol.tuplet?.first) sighs.tuplets++;
        const at = score.bars[b]!.start + symbol.at;
        for (const note of symbol.notes) {
          sighs.notes++;
          const place = diatonicNumber(note.pitch);
          if (part.unpitched) heads.set(`${symbol.at}/${place}`, (heads.get(`${symbol.at}/${place}`) ?? 0) + 1);
          const lines = STAFF_LINES[clefs[staff - 1]!];
          const shift =
            part.lines.octaveLines.find((line) => line.staff === staff && at >= line.start && at <= line.end)
              ?.octaves ?? 0;
          if (!part.unpitched && lines && Math.max(lines[0] - (place - 7 * shift), place - 7 * shift - lines[1]) > 5)
            sighs.farOff++;
        }
      }
    for (const count of heads.values()) if (count > 1) sighs.doubleHeads += count - 1;
  });
  return addSighs(sighs, hopsOf(score, part));
}

/** A line changes staff between two notes that sound alone and follow within a quarter of silence. */
function hopsOf(score: Score, part: Part): Sighs {
  if (part.clefs.length < 2) return NO_SIGHS;
  const sounds = soundsOf(part, score.bars);
  const atStart = new Map<WrittenUnits, typeof sounds>();
  for (const sound of sounds) atStart.set(sound.start, [...(atStart.get(sound.start) ?? []), sound]);
  const groups = [...atStart.values()];
  let [singles, hops] = [0, 0];
  groups.forEach((group, i) => {
    if (group.length > 1) return;
    singles++;
    const before = groups[i - 1];
    if (before?.length === 1 && before[0]!.staff !== group[0]!.staff && group[0]!.start - before[0]!.end <= QUARTER)
      hops++;
  });
  return { ...NO_SIGHS, singles, hops };
}

function doubledSighs(score: Score): Sighs {
  const sighs = { ...NO_SIGHS };
  const bars = score.parts.map((part) =>
    part.unpitched
      ? []
      : part.bars.map((bar, b) => ({
          played: playedIn(score, part, b),
          written: bar.voices
            .flatMap((voice) => voice.symbols)
            .map(shapeOf)
            .join(' '),
        })),
  );
  for (let p = 0; p < bars.length; p++)
    for (let q = p + 1; q < bars.length; q++) {
      for (let b = 0; b < Math.min(bars[p]!.length, bars[q]!.length); b++) {
        const [one, other] = [bars[p]![b]!, bars[q]![b]!];
        if (one.played === '' || one.played !== other.played) continue;
        sighs.doubledBars++;
        if (one.written !== other.written) sighs.doubledUnlike++;
      }
    }
  return sighs;
}

/** Pitch classes in order of onset, when at least three notes begin in the bar, one at a time. */
function playedIn(score: Score, part: Part, b: number): string {
  const starts = score.bars.map((bar) => bar.start);
  const sounds = cachedSounds(score, part).filter((sound) => barIndexAt(starts, sound.start) === b);
  const single = sounds.every((sound, i) => i === 0 || sounds[i - 1]!.start < sound.start);
  return single && sounds.length >= 3 ? sounds.map((sound) => sound.key % 12).join(' ') : '';
}

const known = new WeakMap<Part, ReturnType<typeof soundsOf>>();

function cachedSounds(score: Score, part: Part): ReturnType<typeof soundsOf> {
  let sounds = known.get(part);
  if (!sounds) known.set(part, (sounds = soundsOf(part, score.bars)));
  return sounds;
}

function shapeOf({ at, duration, notes, marks, tuplet }: SymbolInBar): string {
  return `${at}+${duration}${notes.length > 0 ? '' : 'r'}${tuplet ? `t${tuplet.actual}` : ''}${(marks?.articulations ?? []).join('')}${marks?.trill ? 'tr' : ''}`;
}
