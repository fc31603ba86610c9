'use client';

import { say } from '@/core/words';
import { Select } from 'antd';
import type { ByHand } from '@/core/settings';
import { useWorkspace } from '../workspace/workspace';
import { useMidiSequence } from '../workspace/useSequence';

const CHOICES: { value: ByHand; label: string }[] = [
  {
    value: 'pitches',
    get label() {
      return say('rhythm.notesPitches');
    },
  },
  {
    value: 'all',
    get label() {
      return say('rhythm.timesToo');
    },
  },
  {
    value: 'none',
    get label() {
      return say('rhythm.nothing');
    },
  },
];

/** What of the changes that were made by hand goes out. */
export function ChangedByHand() {
  const { sequence, settings } = useMidiSequence();
  const decide = useWorkspace((state) => state.decide);
  const { changed, along } = sequence.byHand;
  if (changed === 0) return <p className="soft">{say('rhythm.noneNotesEditedByHandOnTheWayToA')}</p>;
  return (
    <>
      <label>
        {say('rhythm.include')}
        <Select<ByHand>
          size="small"
          style={{ width: 148 }}
          aria-label={say('rhythm.whatWasChangedByHand')}
          value={settings.arranging.byHand}
          options={CHOICES}
          onChange={(byHand) => decide({ kind: 'setArranging', byHand })}
        />
      </label>
      <p className="soft">
        {say('rhythm.alongChangedByHandIsExportedWith', {
          along: along === changed ? say('rhythm.note', { changed }) : say('rhythm.alongOfNote', { along, changed }),
          along2: along,
          byHand: settings.arranging.byHand === 'pitches',
        })}
      </p>
    </>
  );
}
