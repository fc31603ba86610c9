import { say } from '../../words';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Two originals are versions of one music, and differ; or they are not. */
export interface TwoVersionsDiffer extends Doubt<'two-versions'> {
  facts: {
    /** Whose times were taken, or not. */
    original: number;
    /** They have too little in common. */
    strangers: boolean;
  };
}

export const twoVersions = queryKind<TwoVersionsDiffer>({
  kind: 'two-versions',
  effect: 'piece',
  station: 'intake',
  remedies: (query) => [
    ...(query.facts.strangers ? [] : [itIsRight(query, say('queries.keepTheseDifferences'))]),
    { label: say('queries.doNotUseItsTimes'), decision: { kind: 'takeTime', original: 0 } },
  ],
});
