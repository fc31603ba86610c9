import { IsBoolean, IsIn, IsInt, Max, Min, ValidateIf } from 'class-validator';
import { PRESETS, type Preset } from '../../settings';
import { TICKS, TICK_BOUNDS } from './ticks';
import type { Delivery } from './form';

/** Standard MIDI Files. */
export class MidiWish {
  /** What goes along; null: as the job has it. */
  @ValidateIf((one: MidiWish) => one.carry !== null) @IsIn(PRESETS) carry!: Preset | null;
  @IsBoolean() whole!: boolean;
  @IsBoolean() parts!: boolean;
  /** A file for each section between markers. */
  @IsBoolean() sections!: boolean;
  /** null: as the job has it. */
  @ValidateIf((one: MidiWish) => one.ticksPerQuarter !== null)
  @IsInt()
  @Min(TICK_BOUNDS.from)
  @Max(TICK_BOUNDS.to)
  ticksPerQuarter!: number | null;
  @IsIn([0, 1, null]) type!: 0 | 1 | null;
  /** Tracks of a MIDI file are named, and given sounds and channels, by the instruments they are. */
  @IsBoolean() byInstrument!: boolean;
}

export const USUAL_MIDI: MidiWish = {
  carry: null,
  whole: true,
  parts: false,
  sections: false,
  ticksPerQuarter: null,
  type: null,
  byInstrument: false,
};

const AS_THE_JOB = [null, 'As in the job'] as const;
const CARRIED = { bare: 'Bare: notes, velocities, tempo', expression: 'Keep expression', everything: 'Everything' };

export const midi: Delivery<MidiWish> = {
  name: 'MIDI',
  about: 'for sequencers, no mixer data unless it is carried',
  what: 'MIDI',
  usual: USUAL_MIDI,
  Shape: MidiWish,
  form: {
    whole: { tick: 'The whole piece', isFile: true },
    parts: { tick: 'Each part', isFile: true },
    sections: { tick: 'Each section', isFile: true },
    byInstrument: { tick: 'Named and sounding by instrument' },
    carry: { name: 'Carried', oneOf: [AS_THE_JOB, ...PRESETS.map((one) => [one, CARRIED[one]] as const)] },
    ticksPerQuarter: { name: 'Ticks per quarter', oneOf: [AS_THE_JOB, ...TICKS] },
    type: { name: 'SMF type', oneOf: [AS_THE_JOB, [1, '1, one track per part'], [0, '0, all in one track']] },
  },
};
