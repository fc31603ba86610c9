import { Equals, Matches } from 'class-validator';
import type { TrackId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_TRACK } from '../roles';
import { entered } from '../records';
import { DealDto, dealInWords } from '../shapes/deal';
import { TRACK, IsShape } from '../validators';

export class DealOut {
  @Equals('dealOut') kind!: 'dealOut';
  /** First track of the part. */
  @Matches(TRACK) track!: TrackId;
  @IsShape(DealDto) deal!: DealDto;
}

export const dealOut = decisionKind({
  kind: 'dealOut',
  points: A_TRACK,
  dto: DealOut,
  apply: (settings, made) => ({ ...settings, deals: entered(settings.deals, made.track, made.deal) }),
  describe: (made, nameOf) => `${nameOf(made.track)}: ${dealInWords(made.deal)}`,
  learns: ({ track, deal }) => [{ track, deal }],
});
