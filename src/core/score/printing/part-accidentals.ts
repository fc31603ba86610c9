import type { Bar, WrittenUnits } from '../../time';
import type { Part, PartBar, Score, ScoreNote } from '../score';
import { barAccidentals, notesOnStaff, type PrintedAccidental } from './accidentals';

/** The accidentals of a part, bar after bar: each knows the signature in force and what the bar before had shown. */
export class PartAccidentals {
  private fifths: number;
  /** Accidentals shown in the last bar, by staff and place. */
  private shown: ReadonlyMap<string, number>[] = [];

  /** @param courtesy whether there are some that only remind */
  constructor(
    private readonly score: Score,
    private readonly part: Part,
    private readonly courtesy = true,
  ) {
    this.fifths = part.writtenKeys[0] ?? 0;
  }

  /** Of the next bar; strings and drums have none. */
  next({ index }: Bar, partBar: PartBar): ReadonlyMap<ScoreNote, PrintedAccidental> {
    const { part, score } = this;
    const accidentals = new Map<ScoreNote, PrintedAccidental>();
    if (part.unpitched || part.tablature?.show === 'tablature') return accidentals;
    const changes = score.keys.flatMap(({ bar, at = 0 }, k) =>
      bar === index ? [{ at, fifths: part.writtenKeys[k]! }] : [],
    );
    const before = this.fifths;
    const fifthsAt = (at: WrittenUnits) => changes.findLast((one) => one.at <= at)?.fifths ?? before;
    part.clefs.forEach((_, s) => {
      const lastBar = this.courtesy ? this.shown[s] : undefined;
      const { printed, shown } = barAccidentals(notesOnStaff(partBar, s + 1), fifthsAt, lastBar);
      for (const [note, sign] of printed) accidentals.set(note, sign);
      this.shown[s] = shown;
    });
    this.fifths = changes.at(-1)?.fifths ?? before;
    return accidentals;
  }
}
