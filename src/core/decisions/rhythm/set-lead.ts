import { say } from '../../words';
import { Equals, IsNumber, Matches, Max, Min } from 'class-validator';
import type { TrackId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_TRACK } from '../roles';
import { entered } from '../records';
import { TRACK } from '../validators';

export class SetLead {
  @Equals('setLead') kind!: 'setLead';
  @Matches(TRACK) track!: TrackId;
  @IsNumber() @Min(-1000) @Max(1000) milliseconds!: number;
}

export const setLead = decisionKind({
  kind: 'setLead',
  points: A_TRACK,
  dto: SetLead,
  apply: (settings, made) => ({
    ...settings,
    leads: entered(settings.leads, made.track, made.milliseconds),
  }),
  describe: (made, nameOf) =>
    made.milliseconds === 0
      ? say('decisions.nameOfNoLeadRemoved', { nameOf: nameOf(made.track) })
      : say('decisions.nameOfLeadOfMillisecondsMsRemoved', {
          nameOf: nameOf(made.track),
          milliseconds: made.milliseconds,
        }),
});
