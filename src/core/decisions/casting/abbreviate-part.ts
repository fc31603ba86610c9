import { say } from '../../words';
import { Equals, IsString, Matches, MaxLength } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered } from '../records';
import { PART } from '../validators';

export class AbbreviatePart {
  @Equals('abbreviatePart') kind!: 'abbreviatePart';
  @Matches(PART) part!: PartId;
  @IsString() @MaxLength(60) abbreviation!: string;
}

export const abbreviatePart = decisionKind({
  kind: 'abbreviatePart',
  points: A_PART,
  dto: AbbreviatePart,
  apply: (settings, made) => ({
    ...settings,
    abbreviations: entered(settings.abbreviations, made.part, made.abbreviation),
  }),
  describe: (made, nameOf) =>
    say('decisions.nameOfShortenedToAbbreviation', { nameOf: nameOf(made.part), abbreviation: made.abbreviation }),
});
