import { say } from '../../words';
import { Equals, IsNotEmpty, IsOptional, IsString, MaxLength } from 'class-validator';
import type { QueryId } from '../../base';
import { decisionKind } from '../decision-kind';

export class DismissQuery {
  @Equals('dismissQuery') kind!: 'dismissQuery';
  @IsString() @IsNotEmpty() @MaxLength(300) query!: QueryId;
  @IsString() @MaxLength(500) reason!: string;
  /** What was asked, for the ledger. */
  @IsOptional() @IsString() @MaxLength(300) about?: string;
}

export const dismissQuery = decisionKind({
  kind: 'dismissQuery',
  points: { query: 'query' },
  dto: DismissQuery,
  apply: (settings) => settings,
  describe: ({ reason, about }) => {
    if (!about) return reason ? say('decisions.querySkippedReason', { reason }) : say('decisions.querySkipped');
    return say('decisions.queryAnswered', { about, answered: Boolean(reason), reason: reason ?? '' });
  },
});
