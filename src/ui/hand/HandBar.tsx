'use client';

import { say } from '@/core/words';
import { sayRich } from '@/ui/shared/sayRich';
import { Button, Dropdown, Tooltip } from 'antd';
import { inParts, useWorkspace, type Picked } from '../workspace/workspace';
import { byHand, canByHand, HAND_ACTIONS } from './actions';
import { held } from './changes';
import { handMenu } from './handMenu';
import styles from './hand.module.css';

/** The commonest of what can be done; the rest is in the menu. */
const AT_HAND = ['earlier', 'later', 'shorter', 'longer', 'up', 'down', 'remove'];

/** "5 notes of Flute", "12 notes of 3 parts" */
export function PickedCount({ picked, name }: { picked: Picked; name: string }) {
  const parts = inParts(picked);
  const notes = parts.reduce((sum, one) => sum + one.notes.length, 0);
  return (
    <>
      {sayRich(
        'hand.noteOfParts',
        {
          notes,
          parts: parts.length === 1 ? name : say('hand.partsParts', { parts: parts.length }),
        },
        { b: (chunks) => <b>{chunks}</b> },
      )}
    </>
  );
}

/** What can be done with the notes picked in the interlinear view. */
export function HandBar() {
  // Both say when it has to be drawn again.
  const picked = useWorkspace((state) => state.picked);
  useWorkspace((state) => state.written);
  const pick = useWorkspace((state) => state.pick);
  const of = held();
  if (!picked || !of)
    return <span className={`soft ${styles.bar}`}>{say('hand.clickNotesOrDrawABoxToSelectThem')}</span>;
  const actions = HAND_ACTIONS.filter(({ id }) => AT_HAND.includes(id));
  return (
    <span className={styles.bar} role="toolbar" aria-label={say('hand.selectedNotes')}>
      <span>
        <PickedCount picked={picked} name={of.part.name} />
      </span>
      {actions.map((action) => (
        <Tooltip key={action.id} title={action.key && say('hand.keyKey', { key: action.key })}>
          <Button size="small" disabled={!canByHand(action)} onClick={() => byHand(action.id)}>
            {action.label}
          </Button>
        </Tooltip>
      ))}
      <Dropdown trigger={['click']} menu={{ items: handMenu(of) }}>
        <Button size="small">{say('hand.more')}</Button>
      </Dropdown>
      <Button size="small" type="text" onClick={() => pick(null, [])}>
        {say('hand.clearSelection')}
      </Button>
    </span>
  );
}
