import { ArrayMaxSize, IsIn, IsNotEmpty, IsObject, IsString, MaxLength } from 'class-validator';
import { TECHNIQUES, type TechniqueId } from '../../instruments';
import type { TechniqueSwitch } from '../../settings';
import { IsRecord, AreShapes } from '../validators';

export class SwitchDto {
  @IsIn([...TECHNIQUES, 'ordinary']) technique!: TechniqueId | 'ordinary';
  @IsObject() @IsSwitchRule() by!: TechniqueSwitch['by'];
}

export class ChartDto {
  @IsString() @IsNotEmpty() @MaxLength(120) name!: string;
  @ArrayMaxSize(64) @AreShapes(SwitchDto) entries!: SwitchDto[];
}

function IsSwitchRule() {
  const within = (value: unknown, low: number, high: number) =>
    Number.isInteger(value) && (value as number) >= low && (value as number) <= high;
  return IsRecord((_value, record) => {
    const by = record as TechniqueSwitch['by'];
    if (by.kind === 'key') return within(by.key, 0, 127);
    if (by.kind === 'channel') return within(by.channel, 1, 16);
    if (by.kind === 'program') return within(by.program, 1, 128);
    return by.kind === 'controller' && within(by.controller, 0, 127) && within(by.value, 0, 127);
  }, 3);
}
