import { say } from '../../words';
import type { PartId, TrackId } from '../../base';
import { instrumentById, type InstrumentId, spokenName } from '../../instruments';
import { queryKind, type Doubt } from '../query-kind';

/** The house list and the file disagree. */
export interface HouseList extends Doubt<'house-list'> {
  track: TrackId;
  part: PartId;
  facts: {
    houseSays: InstrumentId;
    fileSays: InstrumentId;
  };
}

export const houseList = queryKind<HouseList>({
  kind: 'house-list',
  effect: 'pitch',
  station: 'casting',
  remedies: ({ track, facts: { houseSays, fileSays } }) => [
    {
      label: say('queries.useEnHouseList', { en: spokenName(instrumentById(houseSays)) }),
      decision: { kind: 'assignInstrument', tracks: [track], instrument: houseSays },
    },
    {
      label: say('queries.useEnFile', { en: spokenName(instrumentById(fileSays)) }),
      decision: { kind: 'assignInstrument', tracks: [track], instrument: fileSays },
    },
  ],
});
