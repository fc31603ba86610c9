import { IsIn, IsInt, IsNotEmpty, IsString, Max, MaxLength, Min } from 'class-validator';
import { NOTEHEADS, type DrumSound, type Notehead } from '../../instruments';
import { STEPS, type Step } from '../../score';

export class DrumSoundDto implements DrumSound {
  @IsInt() @Min(0) @Max(127) key!: number;
  @IsString() @IsNotEmpty() @MaxLength(80) name!: string;
  @IsIn(STEPS) step!: Step;
  @IsInt() @Min(2) @Max(7) octave!: number;
  @IsIn(NOTEHEADS) notehead!: Notehead;
  @IsIn(['hands', 'feet']) limb!: 'hands' | 'feet';
}
