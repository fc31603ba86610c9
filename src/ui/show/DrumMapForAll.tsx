'use client';

import { say } from '@/core/words';
import { App, Select } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { partId } from '@/core/base';
import { asOne } from '@/core/decisions';
import { enter } from '@/core/documents';
import { DRUM_LAYOUTS } from '@/core/instruments';
import { ownDrumMaps } from '@/storage/drum-maps';
import { changeLedger } from '@/storage/jobs';
import type { JobRecord } from '@/storage/schema';
import { sentence } from '../shared/receive';

const KIT = 'drum-kit';

/** Every drum kit of the show is read by one map; a line in the ledger of each cue. */
export function DrumMapForAll({ cues }: { cues: readonly JobRecord[] }) {
  const { message } = App.useApp();
  const own = useLiveQuery(ownDrumMaps, [], []);
  const maps = [...own, ...DRUM_LAYOUTS];
  const withKits = cues.filter(
    ({ facts, direction }) => direction !== 'to-sequencer' && facts?.parts.some(({ instrument }) => instrument === KIT),
  );
  if (withKits.length === 0) return null;
  const use = async (name: string) => {
    const map = maps.find((one) => one.name === name);
    if (!map) return;
    const sounds = map.sounds.map((sound) => ({ ...sound }));
    for (const { id, facts } of withKits) {
      const kits = facts!.parts.filter(({ instrument }) => instrument === KIT);
      const decisions = kits.map(({ id: part }) => ({ kind: 'useDrumMap' as const, part: partId(part), name, sounds }));
      await changeLedger(id, (ledger) => enter(ledger, asOne(decisions)));
    }
    void message.success(say('show.nameInCueEachCuesLedgerCanUndoIt', { name, withKits: withKits.length }));
  };
  return (
    <Select<string>
      size="small"
      aria-label={say('show.drumMapForAllCues')}
      placeholder={say('show.drumMapForAllCues')}
      value={null}
      onChange={(name) => void use(name).catch((error) => message.error(sentence(error)))}
      options={maps.map(({ name }) => ({ value: name, label: name }))}
    />
  );
}
