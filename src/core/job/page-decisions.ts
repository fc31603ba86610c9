import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayNotEmpty,
  Equals,
  IsArray,
  IsBoolean,
  IsDefined,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { CLEF_NAMES, NOTEHEADS, type Clef, type DrumSound, type Notehead } from '../instruments';
import {
  ARTICULATIONS,
  MARK_CLASSES,
  STEPS,
  type Articulation,
  type MarkClass,
  type Step,
  type Tablature,
} from '../score';
import {
  MARK_STRENGTHS,
  MARK_USES,
  MARKER_STYLES,
  type MarkerStyle,
  type MarkStrength,
  type MarkUse,
} from '../to-score';
import { BarRange } from './rhythm-decisions';
import { PART } from './validators';

/* Decisions about the page: keys, spelling, clefs, percussion, tablature, marks, repeats, words. */

export class SetKey {
  @Equals('setKey') kind!: 'setKey';
  @IsInt() @Min(-7) @Max(7) fifths!: number;
  @IsIn(['major', 'minor']) mode!: 'major' | 'minor';
  /** Bar index from which it holds; the whole piece when absent. */
  @IsOptional() @IsInt() @Min(0) bar?: number;
}

/** Single notes take their next name towards sharps or flats. */
export class RespellNotes {
  @Equals('respellNotes') kind!: 'respellNotes';
  @Matches(PART) part!: string;
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(10_000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: number[];
  @IsIn(['sharps', 'flats']) prefer!: 'sharps' | 'flats';
}

/** Chromatic notes of some bars; null means all parts. */
export class PreferNames {
  @Equals('preferNames') kind!: 'preferNames';
  @ValidateIf((one: PreferNames) => one.part !== null) @Matches(PART) part!: string | null;
  @IsDefined() @ValidateNested() @Type(() => BarRange) bars!: BarRange;
  @IsIn(['sharps', 'flats']) prefer!: 'sharps' | 'flats';
}

/** Clef of a staff throughout; null leaves it to custom again. */
export class ChooseClef {
  @Equals('chooseClef') kind!: 'chooseClef';
  @Matches(PART) part!: string;
  @IsInt() @Min(1) @Max(4) staff!: number;
  @ValidateIf((one: ChooseClef) => one.clef !== null) @IsIn(CLEF_NAMES) clef!: Clef | null;
}

export class SetOctaveLines {
  @Equals('setOctaveLines') kind!: 'setOctaveLines';
  @Matches(PART) part!: string;
  @IsBoolean() on!: boolean;
}

/** Notes sound some semitones higher: octaves, as a rule. */
export class ShiftNotes {
  @Equals('shiftNotes') kind!: 'shiftNotes';
  @Matches(PART) part!: string;
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(500_000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: number[];
  @IsInt() @Min(-60) @Max(60) semitones!: number;
}

export class DrumSoundDto implements DrumSound {
  @IsInt() @Min(0) @Max(127) key!: number;
  @IsString() @IsNotEmpty() @MaxLength(80) name!: string;
  @IsIn(STEPS) step!: Step;
  @IsInt() @Min(2) @Max(7) octave!: number;
  @IsIn(NOTEHEADS) notehead!: Notehead;
  @IsIn(['hands', 'feet']) limb!: 'hands' | 'feet';
}

/**
 * The whole map stands in the decision, so that the job means the same on another machine; null goes back to the usual
 * one.
 */
export class UseDrumMap {
  @Equals('useDrumMap') kind!: 'useDrumMap';
  @Matches(PART) part!: string;
  @IsString() @MaxLength(120) name!: string;
  @ValidateIf((one: UseDrumMap) => one.sounds !== null)
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(128)
  @ValidateNested({ each: true })
  @Type(() => DrumSoundDto)
  sounds!: DrumSoundDto[] | null;
}

/** A key of a percussion part means another key of its map. */
export class SetDrumKey {
  @Equals('setDrumKey') kind!: 'setDrumKey';
  @Matches(PART) part!: string;
  @IsInt() @Min(0) @Max(127) key!: number;
  @IsInt() @Min(0) @Max(127) as!: number;
}

export class SetTablature {
  @Equals('setTablature') kind!: 'setTablature';
  @Matches(PART) part!: string;
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

/** What becomes of a class of marks, in a part or in some of its bars. */
export class SetMarks {
  @Equals('setMarks') kind!: 'setMarks';
  @Matches(PART) part!: string;
  @IsIn(MARK_CLASSES) mark!: MarkClass;
  @IsIn(MARK_USES) use!: MarkUse;
  @IsIn(MARK_STRENGTHS) strength!: MarkStrength;
  @IsOptional() @ValidateNested() @Type(() => BarRange) bars?: BarRange;
}

export class SetArticulation {
  @Equals('setArticulation') kind!: 'setArticulation';
  @Matches(PART) part!: string;
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(10_000) @IsInt({ each: true }) @Min(0, { each: true }) notes!: number[];
  @IsIn(ARTICULATIONS) articulation!: Articulation;
  @IsBoolean() on!: boolean;
}

/** A slur from one note to another, or none there. */
export class SetSlur {
  @Equals('setSlur') kind!: 'setSlur';
  @Matches(PART) part!: string;
  @IsInt() @Min(0) from!: number;
  @IsInt() @Min(0) to!: number;
  @IsBoolean() on!: boolean;
}

/** Articulations and slurs of a bar go to all bars of the same rhythm in a range. */
export class CopyPattern {
  @Equals('copyPattern') kind!: 'copyPattern';
  @Matches(PART) part!: string;
  @IsInt() @Min(0) bar!: number;
  @IsDefined() @ValidateNested() @Type(() => BarRange) bars!: BarRange;
}

/** A stretch that comes again is written once; with `times` 1 it is written out again. */
export class FoldRepeat {
  @Equals('foldRepeat') kind!: 'foldRepeat';
  @IsInt() @Min(0) from!: number;
  @IsInt() @Min(1) @Max(1000) length!: number;
  @IsInt() @Min(1) @Max(64) times!: number;
  @IsInt() @Min(0) @Max(64) endings!: number;
}

/** Equal bars of a part as repeat signs. */
export class SetBarRepeats {
  @Equals('setBarRepeats') kind!: 'setBarRepeats';
  @Matches(PART) part!: string;
  @IsBoolean() on!: boolean;
}

export class SetTitle {
  @Equals('setTitle') kind!: 'setTitle';
  @IsString() @MaxLength(300) title!: string;
}

export class SetComposer {
  @Equals('setComposer') kind!: 'setComposer';
  @IsString() @MaxLength(300) composer!: string;
}

export class SetMarkerStyle {
  @Equals('setMarkerStyle') kind!: 'setMarkerStyle';
  @IsIn(MARKER_STYLES) style!: MarkerStyle;
}

export type PageDecision =
  | SetKey
  | RespellNotes
  | PreferNames
  | ChooseClef
  | SetOctaveLines
  | ShiftNotes
  | UseDrumMap
  | SetDrumKey
  | SetTablature
  | SetMarks
  | SetArticulation
  | SetSlur
  | CopyPattern
  | FoldRepeat
  | SetBarRepeats
  | SetTitle
  | SetComposer
  | SetMarkerStyle;

export const PAGE_DECISIONS: Record<PageDecision['kind'], new () => PageDecision> = {
  setKey: SetKey,
  respellNotes: RespellNotes,
  preferNames: PreferNames,
  chooseClef: ChooseClef,
  setOctaveLines: SetOctaveLines,
  shiftNotes: ShiftNotes,
  useDrumMap: UseDrumMap,
  setDrumKey: SetDrumKey,
  setTablature: SetTablature,
  setMarks: SetMarks,
  setArticulation: SetArticulation,
  setSlur: SetSlur,
  copyPattern: CopyPattern,
  foldRepeat: FoldRepeat,
  setBarRepeats: SetBarRepeats,
  setTitle: SetTitle,
  setComposer: SetComposer,
  setMarkerStyle: SetMarkerStyle,
};
