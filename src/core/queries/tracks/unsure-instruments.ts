import { say } from '../../words';
import type { TrackId } from '../../base';
import type { InstrumentId } from '../../instruments';
import { queryKind, type Doubt } from '../query-kind';

/** Several tracks are written for instruments of which nobody is sure. */
export interface UnsureInstruments extends Doubt<'unsure-instruments'> {
  facts: { written: { track: TrackId; instrument: InstrumentId }[] };
}

export const unsureInstruments = queryKind<UnsureInstruments>({
  kind: 'unsure-instruments',
  effect: 'pitch',
  station: 'casting',
  remedies: ({ facts: { written } }) => {
    const [first, ...more] = [...new Set(written.map(({ instrument }) => instrument))].map((instrument) => ({
      kind: 'assignInstrument' as const,
      instrument,
      tracks: written.filter((one) => one.instrument === instrument).map(({ track }) => track),
    }));
    return first ? [{ label: say('queries.keepAll'), decision: first, also: more }] : [];
  },
});
