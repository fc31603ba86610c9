import { say } from '../../words';
import { queryKind, type Doubt } from '../query-kind';

/** More tracks than a port has channels. */
export type SeveralPorts = Doubt<'several-ports'>;

export const severalPorts = queryKind<SeveralPorts>({
  kind: 'several-ports',
  effect: 'look',
  station: 'casting',
  remedies: () => [
    { label: say('queries.putAllTracksOnOneChannel'), decision: { kind: 'setSequencing', channels: 'one-channel' } },
  ],
});
