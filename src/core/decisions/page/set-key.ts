import { say } from '../../words';
import { Equals, IsIn, IsInt, IsOptional, Max, Min } from 'class-validator';
import { keyName } from '../../score';
import { decisionKind } from '../decision-kind';

export class SetKey {
  @Equals('setKey') kind!: 'setKey';
  @IsInt() @Min(-7) @Max(7) fifths!: number;
  @IsIn(['major', 'minor']) mode!: 'major' | 'minor';
  /** Bar index from which it holds; the whole piece when absent. */
  @IsOptional() @IsInt() @Min(0) bar?: number;
}

export const setKey = decisionKind({
  kind: 'setKey',
  points: { bar: 'bar' },
  dto: SetKey,
  apply: (settings, made) => {
    const { fifths, mode, bar } = made;
    if (bar === undefined) return { ...settings, key: { fifths, mode }, keyChanges: [] };
    return {
      ...settings,
      keyChanges: [...settings.keyChanges.filter((change) => change.bar !== bar), { bar, fifths, mode }],
    };
  },
  describe: (made) =>
    say('decisions.keySignatureKeyName', {
      madeBar: made.bar === undefined,
      bar: (made.bar ?? 0) + 1,
      keyName: keyName(made),
    }),
});
