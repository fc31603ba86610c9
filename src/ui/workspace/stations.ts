import { say } from '@/core/words';
import { STATION_IDS, stationFor, type Query, type StationId } from '@/core/queries';
import type { Direction } from '@/storage/schema';

export type { StationId };

interface Station {
  id: StationId;
  name: string;
  about: string;
}

/** The stations of a job in working order, for each direction. */
export const STATIONS: Record<Direction, readonly Station[]> = {
  'to-score': [
    {
      id: 'intake',
      get name() {
        return say('workspace.intake');
      },
      get about() {
        return say('workspace.whatArrived');
      },
    },
    {
      id: 'casting',
      get name() {
        return say('workspace.casting');
      },
      get about() {
        return say('workspace.whichInstrumentEachTrackIs');
      },
    },
    {
      id: 'rhythm',
      get name() {
        return say('workspace.rhythm');
      },
      get about() {
        return say('workspace.whenNotesWereMeant');
      },
    },
    {
      id: 'page',
      get name() {
        return say('workspace.page');
      },
      get about() {
        return say('workspace.howItIsWritten');
      },
    },
    {
      id: 'timeline',
      get name() {
        return say('workspace.timeline');
      },
      get about() {
        return say('workspace.tempoMetersBars');
      },
    },
    {
      id: 'proof',
      get name() {
        return say('workspace.proof');
      },
      get about() {
        return say('workspace.compareWithTheOriginal');
      },
    },
    {
      id: 'dispatch',
      get name() {
        return say('workspace.dispatch');
      },
      get about() {
        return say('workspace.exportAndSend');
      },
    },
  ],
  'to-sequencer': [
    {
      id: 'intake',
      get name() {
        return say('workspace.intake');
      },
      get about() {
        return say('workspace.whatArrivedWhatToInclude');
      },
    },
    {
      id: 'casting',
      get name() {
        return say('workspace.casting');
      },
      get about() {
        return say('workspace.whichSoundEachPartHas');
      },
    },
    {
      id: 'rhythm',
      get name() {
        return say('workspace.rhythm');
      },
      get about() {
        return say('workspace.howItIsPlayed');
      },
    },
    {
      id: 'timeline',
      get name() {
        return say('workspace.timeline');
      },
      get about() {
        return say('workspace.tempoMetersBarsPlayingOrder');
      },
    },
    {
      id: 'proof',
      get name() {
        return say('workspace.proof');
      },
      get about() {
        return say('workspace.compareWithTheOriginal');
      },
    },
    {
      id: 'dispatch',
      get name() {
        return say('workspace.dispatch');
      },
      get about() {
        return say('workspace.exportAndSend');
      },
    },
  ],
};

export function isStation(id: string): id is StationId {
  return (STATION_IDS as readonly string[]).includes(id);
}

/** The station that looks after a kind of query; the first where the direction has none of that name. */
export function stationOf(kind: Query['kind'], direction: Direction): StationId {
  const own = stationFor(kind);
  return STATIONS[direction].some(({ id }) => id === own) ? own : 'intake';
}
