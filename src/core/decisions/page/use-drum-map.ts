import { say } from '../../words';
import { ArrayMaxSize, ArrayMinSize, Equals, IsString, Matches, MaxLength, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { entered, without } from '../records';
import { DrumSoundDto } from '../shapes/drum-sound';
import { PART, AreShapes } from '../validators';

/**
 * The whole map stands in the decision, so that the job means the same on another machine; null goes back to the usual
 * one.
 */
export class UseDrumMap {
  @Equals('useDrumMap') kind!: 'useDrumMap';
  @Matches(PART) part!: PartId;
  @IsString() @MaxLength(120) name!: string;
  @ValidateIf((one: UseDrumMap) => one.sounds !== null)
  @ArrayMinSize(1)
  @ArrayMaxSize(128)
  @AreShapes(DrumSoundDto)
  sounds!: DrumSoundDto[] | null;
}

export const useDrumMap = decisionKind({
  kind: 'useDrumMap',
  points: A_PART,
  dto: UseDrumMap,
  apply: (settings, made) => ({
    ...settings,
    drumMaps:
      made.sounds === null
        ? without(settings.drumMaps, made.part)
        : entered(settings.drumMaps, made.part, { name: made.name, sounds: made.sounds }),
  }),
  describe: (made, nameOf) =>
    `${nameOf(made.part)}: ${made.sounds === null ? say('decisions.defaultDrumMap') : say('decisions.drumMapMade', { made: made.name })}`,
});
