import { say } from '../../words';
import { Equals, IsInt, Max, Min } from 'class-validator';
import { decisionKind } from '../decision-kind';

/** A stretch that comes again is written once; with `times` 1 it is written out again. */
export class FoldRepeat {
  @Equals('foldRepeat') kind!: 'foldRepeat';
  @IsInt() @Min(0) from!: number;
  @IsInt() @Min(1) @Max(1000) length!: number;
  @IsInt() @Min(1) @Max(64) times!: number;
  @IsInt() @Min(0) @Max(64) endings!: number;
}

export const foldRepeat = decisionKind({
  kind: 'foldRepeat',
  points: { from: 'bar' },
  dto: FoldRepeat,
  apply: (settings, made) => {
    const { from, length, times, endings } = made;
    const others = settings.folds.filter(
      (fold) => from >= fold.from + fold.length * fold.times || fold.from >= from + length * Math.max(2, times),
    );
    return { ...settings, folds: times < 2 ? others : [...others, { from, length, times, endings }] };
  },
  describe: (made) =>
    made.times < 2
      ? say('decisions.aRepeatWrittenOut')
      : say('decisions.madeBarsWrittenOnceWithRepeatSigns', { made: made.length, madeEndingsOver0: made.endings > 0 }),
});
