import { IsInt, IsNumber, IsOptional, Max, Min, ValidateIf } from 'class-validator';

export class LooseningDto {
  @IsInt() @Min(0) @Max(1_000_000) seed!: number;
  @IsInt() @Min(0) @Max(40) velocity!: number;
  @IsInt() @Min(0) @Max(40) accent!: number;
  @IsNumber() @Min(0) @Max(60) onset!: number;
  @ValidateIf((one: LooseningDto) => one.swing !== 'even') @IsNumber() @Min(1) @Max(4) swing!: number | 'even';
  @IsNumber() @Min(0) @Max(200) legato!: number;
  /** Not said by decisions of earlier versions. */
  @IsOptional() @IsNumber() @Min(0) @Max(200) spread?: number;
}
