'use client';

import { Select } from 'antd';
import type { ByHand } from '@/core/settings';
import { useWorkspace } from '../workspace/workspace';
import { useMidiSequence } from '../workspace/useSequence';
import { count } from '../shared/words';

const CHOICES: { value: ByHand; label: string }[] = [
  { value: 'pitches', label: 'notes, pitches' },
  { value: 'all', label: 'times too' },
  { value: 'none', label: 'nothing' },
];

/** What of the changes that were made by hand goes out. */
export function ChangedByHand() {
  const { sequence, settings } = useMidiSequence();
  const decide = useWorkspace((state) => state.decide);
  const { changed, along } = sequence.byHand;
  if (changed === 0)
    return <p className="soft">None. Notes edited by hand on the way to a score are exported here with those edits.</p>;
  return (
    <>
      <label>
        Include
        <Select<ByHand>
          size="small"
          style={{ width: 148 }}
          aria-label="What was changed by hand"
          value={settings.arranging.byHand}
          options={CHOICES}
          onChange={(byHand) => decide({ kind: 'setArranging', byHand })}
        />
      </label>
      <p className="soft">
        {along === changed ? count(changed, 'note', 'notes') : `${along} of ${count(changed, 'note', 'notes')}`} changed
        by hand {along === 1 ? 'is' : 'are'} exported with these edits.
        {settings.arranging.byHand === 'pitches' && ' Times on the page are often only a matter of writing.'}
      </p>
    </>
  );
}
