import { say } from '../../words';
import { Equals, IsInt, Max, Min } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';
import { entered } from '../records';

/** Where a further original begins: so many bars after the first one does. */
export class PlaceOriginal {
  @Equals('placeOriginal') kind!: 'placeOriginal';
  /** 2 is the second original. */
  @IsInt() @Min(2) @Max(99) original!: number;
  @IsInt() @Min(0) @Max(9999) bars!: number;
}

export const placeOriginal = decisionKind({
  kind: 'placeOriginal',
  points: NOWHERE,
  dto: PlaceOriginal,
  apply: (settings, made) => ({
    ...settings,
    offsets: entered(settings.offsets, made.original, made.bars),
  }),
  describe: (made) =>
    made.bars === 0
      ? say('decisions.originalOriginalBeginsAtBar1', { original: made.original })
      : say('decisions.originalOriginalBeginsBarsBars', { original: made.original, bars: made.bars }),
});
