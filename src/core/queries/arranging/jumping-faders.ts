import { say } from '../../words';
import type { DataKind } from '../../settings';
import { itIsRight, queryKind, type Doubt } from '../query-kind';

/** Volume or pan that is set again in the middle: the fader jumps when the place is played. */
export interface JumpingFaders extends Doubt<'jumping-faders'> {
  facts: { data: Extract<DataKind, 'volume' | 'pan'> };
}

export const jumpingFaders = queryKind<JumpingFaders>({
  kind: 'jumping-faders',
  effect: 'rhythm',
  station: 'intake',
  remedies: (query) => [
    {
      label: say('queries.dropTheseEvents'),
      decision: { kind: 'setCarry', data: query.facts.data, action: 'drop', track: null },
    },
    ...(query.facts.data === 'pan'
      ? [
          {
            label: say('queries.setOnceInTheCentre'),
            decision: { kind: 'setCarry' as const, data: query.facts.data, action: 'convert' as const, track: null },
          },
        ]
      : []),
    itIsRight(query, say('queries.keepTheMix')),
  ],
});
