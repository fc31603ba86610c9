'use client';

import { Button, Tooltip } from 'antd';
import { useWorkspace } from '../job/workspace';
import { count } from '../shared/words';
import { editPicked } from './editPicked';
import styles from './rhythm.module.css';

/** What can be done with the notes picked in the interlinear view. */
export function PickedBar() {
  const picked = useWorkspace((state) => state.picked);
  const part = useWorkspace((state) => state.summary!.parts.find((candidate) => candidate.id === picked?.part));
  const pick = useWorkspace((state) => state.pick);
  if (!picked || !part)
    return (
      <span className={`soft ${styles.picked}`}>
        Click a note to change it and to see why it is written so; Shift picks more.
      </span>
    );
  return (
    <span className={styles.picked}>
      <b>{count(picked.notes.length, 'note', 'notes')}</b> of {part.name}
      <Tooltip title="Key ,">
        <Button size="small" onClick={() => editPicked('earlier')}>
          A step earlier
        </Button>
      </Tooltip>
      <Tooltip title="Key .">
        <Button size="small" onClick={() => editPicked('later')}>
          A step later
        </Button>
      </Tooltip>
      <Tooltip title="Key J">
        <Button size="small" disabled={picked.notes.length < 2} onClick={() => editPicked('join')}>
          Join
        </Button>
      </Tooltip>
      <Tooltip title="Key K">
        <Button size="small" disabled={picked.notes.length !== 1} onClick={() => editPicked('cut')}>
          Strike again
        </Button>
      </Tooltip>
      <Button size="small" type="text" onClick={() => pick(null, [])}>
        Let go
      </Button>
    </span>
  );
}
