import { say } from '../../words';
import { NO_LOOSENING, USUAL_TREATMENTS } from '../../settings';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Every note is as strong as every other. */
export type OneVelocity = Doubt<'one-velocity'>;

export const oneVelocity = queryKind<OneVelocity>({
  kind: 'one-velocity',
  effect: 'rhythm',
  station: 'rhythm',
  remedies: (query) => [
    {
      label: say('queries.addAccentsByBeatAndSomeVariation'),
      decision: { kind: 'treat', part: null, bars: null, does: USUAL_TREATMENTS.accents },
      also: [
        {
          kind: 'treat',
          part: null,
          bars: null,
          does: { kind: 'loosen', loosening: { ...NO_LOOSENING, velocity: 5 } },
        },
      ],
    },
    itIsRight(query, say('queries.keepEqualVelocities')),
  ],
});
