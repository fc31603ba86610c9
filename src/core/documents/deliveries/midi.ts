import { say } from '../../words';
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

const asInTheJob = () => [null, say('documents.asInTheJob')] as const;
const CARRIED = {
  get bare() {
    return say('documents.bareNotesVelocitiesTempo');
  },
  get expression() {
    return say('documents.keepExpression');
  },
  get everything() {
    return say('documents.everything');
  },
};

export const midi: Delivery<MidiWish> = {
  name: 'MIDI',
  get about() {
    return say('documents.forSequencersNoMixerDataUnlessItIs');
  },
  get what() {
    return say('documents.kindsOfFiles', { kind: 'midi' });
  },
  usual: USUAL_MIDI,
  Shape: MidiWish,
  form: {
    whole: {
      get tick() {
        return say('documents.theWholePiece');
      },
      isFile: true,
    },
    parts: {
      get tick() {
        return say('documents.eachPart');
      },
      isFile: true,
    },
    sections: {
      get tick() {
        return say('documents.eachSection');
      },
      isFile: true,
    },
    byInstrument: {
      get tick() {
        return say('documents.namedAndSoundingByInstrument');
      },
    },
    carry: {
      get name() {
        return say('documents.carried');
      },
      get oneOf() {
        return [asInTheJob(), ...PRESETS.map((one) => [one, CARRIED[one]] as const)] as const;
      },
    },
    ticksPerQuarter: {
      get name() {
        return say('documents.ticksPerQuarter');
      },
      get oneOf() {
        return [asInTheJob(), ...TICKS] as const;
      },
    },
    type: {
      get name() {
        return say('documents.sMFType');
      },
      get oneOf() {
        return [asInTheJob(), [1, say('documents.n1OneTrackPerPart')], [0, say('documents.n0AllInOneTrack')]] as const;
      },
    },
  },
};
