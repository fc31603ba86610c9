import { say } from '../../words';
import { IsBoolean, IsIn, IsInt, IsNumber, Max, Min, ValidateIf } from 'class-validator';
import {
  DYNAMIC_CONTROLLERS,
  SMALLEST_VALUES,
  TREATMENT_KINDS,
  type DynamicController,
  type SmallestValue,
  type Treatment,
} from '../../settings';
import { IsShape } from '../validators';
import { valueName } from '../words';
import { LooseningDto } from './loosening';

/** Only what the kind needs is looked at. */
const For = (...kinds: Treatment['kind'][]) => ValidateIf((one: TreatmentDto) => kinds.includes(one.kind));

export class TreatmentDto {
  @IsIn(TREATMENT_KINDS) kind!: Treatment['kind'];
  @For('quantize') @IsIn(SMALLEST_VALUES) grid?: SmallestValue;
  @For('quantize') @IsBoolean() triplets?: boolean;
  @For('quantize') @IsNumber() @Min(0) @Max(1) strength?: number;
  @For('quantize') @IsNumber() @Min(1) @Max(4) swing?: number;
  @For('quantize') @IsBoolean() ends?: boolean;
  @For('closeGaps') @IsIn(SMALLEST_VALUES) upTo?: SmallestValue;
  @For('level', 'toController') @IsInt() @Min(1) @Max(127) velocity?: number;
  @For('scale') @IsInt() @Min(1) @Max(127) weakest?: number;
  @For('scale') @IsInt() @Min(1) @Max(127) strongest?: number;
  @For('accents') @IsInt() @Min(-60) @Max(60) first?: number;
  @For('accents') @IsInt() @Min(-60) @Max(60) beats?: number;
  @For('accents') @IsInt() @Min(-60) @Max(60) between?: number;
  @For('loosen') @IsShape(LooseningDto) loosening?: LooseningDto;
  @For('toController', 'toVelocity') @IsIn(DYNAMIC_CONTROLLERS) controller?: DynamicController;
  @For('thin') @IsInt() @Min(0) @Max(32) within?: number;
}

const signed = (value: number) => (value < 0 ? `−${-value}` : `+${value}`);

/** A treatment in a ledger line. */
export function treatmentInWords(does: Treatment): string {
  switch (does.kind) {
    case 'quantize': {
      const grid = `${valueName(does.grid)}${does.triplets ? ' triplets' : ''}`;
      const how = does.strength < 1 ? `, ${Math.round(does.strength * 100)} %` : '';
      return say('decisions.quantizedToGridHow', { grid, how, swing: does.swing });
    }
    case 'closeGaps':
      return say('decisions.gapsUpToAUpToClosed', { upTo: does.upTo });
    case 'trimOverlaps':
      return say('decisions.overlapsTrimmed');
    case 'level':
      return say('decisions.allVelocitiesVelocity', { velocity: does.velocity });
    case 'scale':
      return say('decisions.velocitiesScaledToWeakestStrongest', { weakest: does.weakest, strongest: does.strongest });
    case 'accents':
      return say('decisions.accentsSignedOnTheFirstBeatSigned2', {
        signed: signed(does.first),
        signed2: signed(does.beats),
        signed3: signed(does.between),
      });
    case 'loosen':
      return say('decisions.loosened');
    case 'toController':
      return say('decisions.velocitiesToControllerController', {
        controller: does.controller,
        velocity: does.velocity,
      });
    case 'toVelocity':
      return say('decisions.controllerControllerToVelocities', { controller: does.controller });
    case 'thin':
      return say('decisions.controllersThinnedWithinWithin', { within: does.within });
  }
}
