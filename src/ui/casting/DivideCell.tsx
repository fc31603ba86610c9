'use client';

import { say } from '@/core/words';
import { Button, Select } from 'antd';
import type { PartId } from '@/core/base';
import type { PartSequencing, Split } from '@/core/settings';
import { useWorkspace } from '../workspace/workspace';
import { SplitKeysInput } from './SplitKeysInput';
import styles from '../shared/sequencing.module.css';

export const SPLIT_WORDS: Record<Split, string> = {
  get none() {
    return say('casting.oneTrack');
  },
  get technique() {
    return say('casting.byTechnique');
  },
  get solo() {
    return say('casting.soloPassages');
  },
  get voice() {
    return say('casting.byVoice');
  },
  get staff() {
    return say('casting.byHand');
  },
  get lines() {
    return say('casting.singleLines');
  },
  get keys() {
    return say('casting.byKey');
  },
  get channel() {
    return say('casting.byChannel');
  },
};

interface Props {
  part: { id: PartId; lowest: number | null; highest: number | null };
  name: string;
  own: PartSequencing;
  splits: readonly Split[];
  onPassages: () => void;
}

/** How a part becomes several tracks. */
export function DivideCell({ part, name, own, splits, onPassages }: Props) {
  const decide = useWorkspace((state) => state.decide);
  return (
    <span className={styles.group}>
      <Select<Split>
        size="small"
        style={{ width: 112 }}
        aria-label={say('casting.divideName', { name })}
        value={own.split ?? 'none'}
        onChange={(split) =>
          decide({
            kind: 'setPartSequencing',
            part: part.id,
            split,
            ...(split === 'keys' && !own.splitKeys && { splitKeys: [middleOf(part)] }),
          })
        }
        options={splits.map((value) => ({ value, label: SPLIT_WORDS[value] }))}
      />
      {own.split === 'keys' && (
        <SplitKeysInput
          key={own.splitKeys?.join()}
          value={own.splitKeys ?? []}
          label={say('casting.keysAtWhichNameIsDivided', { name })}
          onCommit={(splitKeys) => decide({ kind: 'setPartSequencing', part: part.id, splitKeys })}
        />
      )}
      <Button size="small" aria-label={say('casting.passagesOfName', { name })} onClick={onPassages}>
        {say('casting.soloPassagesOfTrack', {
          ownPassages: Boolean(own.passages?.length),
          passages: own.passages?.length,
        })}
      </Button>
    </span>
  );
}

/** Where a keyboard would be divided: in the middle of what it plays. */
function middleOf({ lowest, highest }: Props['part']): number {
  return Math.round(((lowest ?? 48) + (highest ?? 72)) / 2);
}
