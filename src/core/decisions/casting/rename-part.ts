import { say } from '../../words';
import { Equals, IsNotEmpty, IsString, Matches, MaxLength } from 'class-validator';
import { type PartId, isFurtherPlayer, leadingTrack } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered } from '../records';
import { PART } from '../validators';

export class RenamePart {
  @Equals('renamePart') kind!: 'renamePart';
  @Matches(PART) part!: PartId;
  @IsString() @IsNotEmpty() @MaxLength(200) name!: string;
}

export const renamePart = decisionKind({
  kind: 'renamePart',
  points: A_PART,
  dto: RenamePart,
  apply: (settings, made) => ({
    ...settings,
    partNames: entered(settings.partNames, made.part, made.name),
  }),
  describe: (made, nameOf) => say('decisions.nameOfNamedMade', { nameOf: nameOf(made.part), made: made.name }),
  learns: ({ part, name }) => (isFurtherPlayer(part) ? [] : [{ track: leadingTrack(part), partName: name }]),
});
