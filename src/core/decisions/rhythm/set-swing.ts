import { inNumbers, say } from '../../words';
import { Equals, IsIn, IsNumber, IsOptional, Max, Min, ValidateIf } from 'class-validator';
import { SWING_UNITS, type SwingUnit } from '../../settings';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';

/** Long to short eighth; 1 keeps the eighths as played, null leaves it to the engine again. */
export class SetSwing {
  @Equals('setSwing') kind!: 'setSwing';
  @ValidateIf((one: SetSwing) => one.ratio !== null) @IsNumber() @Min(1) @Max(4) ratio!: number | null;
  /** Eighths when absent. */
  @IsOptional() @IsIn(SWING_UNITS) unit?: SwingUnit;
}

export const setSwing = decisionKind({
  kind: 'setSwing',
  points: NOWHERE,
  dto: SetSwing,
  apply: (settings, made) => {
    const { swing: _swing, ...rest } = settings;
    return made.ratio === null ? rest : { ...rest, swing: { ratio: made.ratio, unit: made.unit ?? 'eighth' } };
  },
  describe: (made) => {
    if (made.ratio === null) return say('decisions.swingAutomatic');
    if (made.ratio === 1) return say('decisions.noSwingOffBeatsAsPlayed');
    return say('decisions.swingOfRatioTo1WrittenEvenly', {
      ratio: inNumbers(made.ratio, 1),
      madeUnit16th: made.unit === '16th',
    });
  },
});
