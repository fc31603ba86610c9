/*
 * Agreement of two musics: note against note, by part and bar.
 *
 *     original  ♩ ♩ ♩ ♩      same, moved (by how much), of another length, at another pitch,
 *     playback  ♩ ♩  ♪ ♩     missing, extra; of what differs: by decision, by conversion, or unexplained
 */
import { median } from '../../base';
import type { Milliseconds, Seconds } from '../../time';
import { fitTime, SAME_TIME, type TimeFit } from './fit-time';
import type { Agreement, Answer, Cell, Difference, DifferenceKind, PartAgreement } from './model';
import { pairNotes, type NotePair } from './pair-notes';
import { pairParts, type PartPair } from './pair-parts';
import type { SoundingMusic, SoundingNote } from './sounding-music';
import { verdictOf } from './verdict';

export interface AgreementOptions {
  /** Ids of parts mean the same on both sides, and so do their clocks. */
  oneJob?: boolean;
  /** Onsets this near are the same. */
  within?: Milliseconds;
  /** What answers for a difference: for this note, and for no more than it may do; nothing where nobody does. */
  explain?: (pair: NotePair, kind: DifferenceKind, found: FoundDifference) => Explanation | undefined;
}

/** A difference that is to be explained. */
export interface FoundDifference {
  /** Id of the part. */
  part: string;
  milliseconds: Milliseconds;
}

/** Who answers for a difference: somebody who decided it, or a stage of the conversion within what it allows itself. */
export interface Explanation {
  words: string;
  by: Answer;
}

/** Lengths differ when they do by more than this, and by more than a share of the note. */
const LENGTH: Milliseconds = 40;
const LENGTH_SHARE = 0.15;
const WITHIN: Milliseconds = 12;

export function agreementOf(a: SoundingMusic, b: SoundingMusic, options: AgreementOptions = {}): Agreement {
  const { oneJob = false, within = WITHIN, explain } = options;
  const fit = oneJob ? SAME_TIME : fitTime(a, b);
  const pairs = pairParts(a, b, fit, oneJob).filter(
    ([one, other]) => (one?.notes.length ?? 0) + (other?.notes.length ?? 0) > 0,
  );
  const bars = barsOf(a, b);
  const map = pairs.map(() => bars.map((): Cell => 0));
  const shifts = bars.map((): Milliseconds[] => []);
  const differences: Difference[] = [];
  const parts = pairs.map((pair, p): PartAgreement => {
    const part = emptyPart(pair);
    for (const notes of pairNotes(pair[0]?.notes ?? [], pair[1]?.notes ?? [], fit)) {
      const bar = Math.min(bars.length - 1, (notes.a ?? notes.b)!.bar);
      const found = differencesOf(notes, fit, within);
      if (notes.a && notes.b) shifts[bar]!.push(shiftOf(notes.a, notes.b, fit));
      let worst: Cell = 1;
      for (const { kind, milliseconds } of found) {
        const why = explain?.(notes, kind, { part: part.id, milliseconds });
        part.differing[kind]++;
        if (why) part[EXPLAINED[why.by]][kind]++;
        worst = why && worst < 3 ? 2 : 3;
        const { key, played, drum } = (notes.a ?? notes.b)!;
        differences.push({
          kind,
          part: p,
          bar,
          key,
          ...(kind === 'pitch' && { otherKey: notes.b!.key }),
          ...(drum && { drum }),
          milliseconds,
          played,
          ...(why && { why: why.words, by: why.by }),
        });
      }
      if (found.length === 0) part.same++;
      if (map[p]![bar]! < worst) map[p]![bar] = worst;
    }
    return part;
  });
  differences.sort((x, y) => x.bar - y.bar || x.part - y.part);
  const all = shifts.flat().map(Math.abs);
  const made = {
    fit,
    parts,
    bars: bars.map((number, i) => ({ number, drift: shifts[i]!.length > 0 ? median(shifts[i]!) : null })),
    map,
    differences,
    typical: all.length > 0 ? median(all) : 0,
    largest: all.reduce((most, one) => Math.max(most, one), 0),
  };
  return { ...made, words: verdictOf(made, within) };
}

/** Bars of the first side; where the second goes on, its own. */
function barsOf(a: SoundingMusic, b: SoundingMusic): number[] {
  const bars = [...a.bars, ...b.bars.slice(a.bars.length)];
  return bars.length > 0 ? bars : [1];
}

const EXPLAINED = { decision: 'decided', conversion: 'converted' } as const satisfies Record<Answer, string>;

const none = (): Record<DifferenceKind, number> => ({ moved: 0, length: 0, pitch: 0, missing: 0, extra: 0 });

function emptyPart([one, other]: PartPair): PartAgreement {
  return {
    id: (one ?? other)!.id,
    names: [one?.name ?? null, other?.name ?? null],
    notes: [one?.notes.length ?? 0, other?.notes.length ?? 0],
    same: 0,
    differing: none(),
    decided: none(),
    converted: none(),
  };
}

/** How much later the second begins than the first would have it. */
function shiftOf(a: SoundingNote, b: SoundingNote, { ratio, offset }: TimeFit): Milliseconds {
  return ms(b.onset - (ratio * a.onset + offset));
}

const ms = (seconds: Seconds): Milliseconds => Math.round(seconds * 1e6) / 1000;

function differencesOf(
  { a, b }: NotePair,
  fit: TimeFit,
  within: Milliseconds,
): { kind: DifferenceKind; milliseconds: Milliseconds }[] {
  if (!a) return [{ kind: 'extra', milliseconds: 0 }];
  if (!b) return [{ kind: 'missing', milliseconds: 0 }];
  const found: { kind: DifferenceKind; milliseconds: Milliseconds }[] = [];
  const shift = shiftOf(a, b, fit);
  if (a.key !== b.key) found.push({ kind: 'pitch', milliseconds: shift });
  if (Math.abs(shift) > within) found.push({ kind: 'moved', milliseconds: shift });
  const length = fit.ratio * (a.release - a.onset);
  const longer = ms(b.release - b.onset - length);
  if (Math.abs(longer) > Math.max(LENGTH, LENGTH_SHARE * 1000 * length))
    found.push({ kind: 'length', milliseconds: longer });
  return found;
}
