import { say } from '../../words';
import { Equals, IsIn, Matches } from 'class-validator';
import type { TrackId } from '../../base';
import type { SoundChangeRule } from '../../settings';
import { decisionKind } from '../decision-kind';
import { A_TRACK } from '../roles';
import { entered, without } from '../records';
import { TRACK } from '../validators';

const RULES = ['taken-up', 'one', 'usual'] as const;

/** What another program in the middle of a track means: another instrument of its player, or nothing. */
export class ReadSoundChanges {
  @Equals('readSoundChanges') kind!: 'readSoundChanges';
  @Matches(TRACK) track!: TrackId;
  @IsIn(RULES) as!: SoundChangeRule | 'usual';
}

export const readSoundChanges = decisionKind({
  kind: 'readSoundChanges',
  points: A_TRACK,
  dto: ReadSoundChanges,
  apply: (settings, { track, as }) => ({
    ...settings,
    soundChanges: as === 'usual' ? without(settings.soundChanges, track) : entered(settings.soundChanges, track, as),
  }),
  describe: ({ track, as }, nameOf) => {
    const said = {
      'taken-up': say('decisions.onePlayerDoublesOnEveryInstrument'),
      one: say('decisions.oneInstrumentThroughoutWhateverThe'),
      usual: say('decisions.programsReadAutomatically'),
    };
    return `${nameOf(track)}: ${said[as]}`;
  },
});
