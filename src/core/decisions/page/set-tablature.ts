import { say } from '../../words';
import { ArrayMaxSize, ArrayMinSize, Equals, IsArray, IsIn, IsInt, Matches, Max, Min } from 'class-validator';
import type { PartId } from '../../base';
import type { Tablature } from '../../score';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered } from '../records';
import { PART } from '../validators';

export class SetTablature {
  @Equals('setTablature') kind!: 'setTablature';
  @Matches(PART) part!: PartId;
  @IsIn(['notation', 'tablature', 'both']) show!: Tablature['show'];
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(12)
  @IsInt({ each: true })
  @Min(0, { each: true })
  @Max(127, { each: true })
  tuning!: number[];
  @IsInt() @Min(0) @Max(12) capo!: number;
}

export const setTablature = decisionKind({
  kind: 'setTablature',
  points: A_PART,
  dto: SetTablature,
  apply: (settings, made) => {
    const { show, tuning, capo } = made;
    return { ...settings, tablatures: entered(settings.tablatures, made.part, { show, tuning, capo }) };
  },
  describe: ({ part, show, capo }, nameOf) => say('decisions.fretted', { part: nameOf(part), show, capo }),
});
