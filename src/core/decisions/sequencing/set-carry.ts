import { say } from '../../words';
import { Equals, IsIn, IsInt, Max, Min, ValidateIf } from 'class-validator';
import { ACTIONS, DATA_KINDS, type Action, type DataKind } from '../../settings';
import { decisionKind } from '../decision-kind';
import { DATA_NAMES } from '../words';

/** What becomes of one kind of data in a MIDI file; null means the whole file. */
export class SetCarry {
  @Equals('setCarry') kind!: 'setCarry';
  @IsIn(DATA_KINDS) data!: DataKind;
  @IsIn(ACTIONS) action!: Action;
  @ValidateIf((one: SetCarry) => one.track !== null) @IsInt() @Min(0) @Max(10_000) track!: number | null;
}

const ACTION_NAMES: Record<Action, string> = {
  get carry() {
    return say('decisions.carried');
  },
  get drop() {
    return say('decisions.dropped');
  },
  get convert() {
    return say('decisions.converted');
  },
};

export const setCarry = decisionKind({
  kind: 'setCarry',
  points: { track: 'chunk' },
  dto: SetCarry,
  apply: (settings, { data, action, track }) => {
    const { sequencing } = settings;
    const { carry, carryTracks } = sequencing;
    const changed =
      track === null
        ? { carry: { ...carry, [data]: action } }
        : { carryTracks: { ...carryTracks, [track]: { ...carryTracks[track], [data]: action } } };
    return { ...settings, sequencing: { ...sequencing, ...changed } };
  },
  describe: ({ data, action, track }) =>
    `${track === null ? '' : say('decisions.trackTrack', { track: track + 1 })}${DATA_NAMES[data]} ${ACTION_NAMES[action]}`,
});
