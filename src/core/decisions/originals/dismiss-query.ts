import { Equals, IsNotEmpty, IsString, MaxLength } from 'class-validator';
import type { QueryId } from '../../base';
import { decisionKind } from '../decision-kind';

export class DismissQuery {
  @Equals('dismissQuery') kind!: 'dismissQuery';
  @IsString() @IsNotEmpty() @MaxLength(300) query!: QueryId;
  @IsString() @MaxLength(500) reason!: string;
}

export const dismissQuery = decisionKind({
  kind: 'dismissQuery',
  dto: DismissQuery,
  apply: (settings) => settings,
  describe: (made) => (made.reason ? `Query set aside: ${made.reason}` : 'Query set aside'),
});
