import { say } from '../../words';
import { ArrayNotEmpty, Equals, IsIn, IsNotEmpty, IsOptional, IsString, Matches, MaxLength } from 'class-validator';
import type { TrackId } from '../../base';
import { TECHNIQUES, type InstrumentId, type TechniqueId } from '../../instruments';
import type { HouseAnswer } from '../../settings';
import { decisionKind, namesOf } from '../decision-kind';
import { A_TRACK } from '../roles';
import { DealDto } from '../shapes/deal';
import { TRACK, IsInstrumentId, IsShape, AreShapes } from '../validators';

export class HouseAnswerDto implements HouseAnswer {
  @Matches(TRACK) track!: TrackId;
  @IsOptional() @IsInstrumentId() instrument?: InstrumentId;
  @IsOptional() @IsIn(TECHNIQUES) technique?: TechniqueId;
  @IsOptional() @IsString() @IsNotEmpty() @MaxLength(200) partName?: string;
  @IsOptional() @IsShape(DealDto) deal?: DealDto;
  @IsOptional() @Equals(true) leftOut?: true;
}

/** What the house list said when the job was opened: kept with the job, so that it gives the same score everywhere. */
export class UseHouseList {
  @Equals('useHouseList') kind!: 'useHouseList';
  @ArrayNotEmpty() @AreShapes(HouseAnswerDto) answers!: HouseAnswerDto[];
}

export const useHouseList = decisionKind({
  kind: 'useHouseList',
  points: { answers: A_TRACK },
  dto: UseHouseList,
  apply: (settings, made) => ({
    ...settings,
    house: {
      ...settings.house,
      ...Object.fromEntries(made.answers.map(({ track, ...answer }) => [track, answer])),
    },
  }),
  describe: (made, nameOf) =>
    say('decisions.fromYourHouseListNamesOf', {
      namesOf: namesOf(
        made.answers.map(({ track }) => track),
        nameOf,
      ),
    }),
});
