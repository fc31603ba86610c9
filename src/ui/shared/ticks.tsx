'use client';

import { say } from '@/core/words';
import type { CheckboxChangeEvent } from 'antd';
import { useRef } from 'react';
import styles from './ticks.module.css';

/** A list that is ticked one by one, from the last tick on with Shift, and all or none at once. */
export interface Ticks<Id extends string> {
  tick: (id: Id, event: CheckboxChangeEvent) => void;
  all: () => void;
  none: () => void;
}

/** @param ids in the order they stand @param onTicked takes the ids that are ticked now, in that order */
export function useTicks<Id extends string>(
  ids: readonly Id[],
  ticked: readonly Id[],
  onTicked: (ids: Id[]) => void,
): Ticks<Id> {
  const last = useRef<Id | null>(null);
  const set = (change: ReadonlySet<Id>, on: boolean) =>
    onTicked(ids.filter((id) => (change.has(id) ? on : ticked.includes(id))));
  return {
    tick: (id, event) => {
      const [from, to] = [last.current === null ? -1 : ids.indexOf(last.current), ids.indexOf(id)];
      const range = event.nativeEvent.shiftKey && from >= 0;
      const reached = range ? ids.slice(Math.min(from, to), Math.max(from, to) + 1) : [id];
      last.current = id;
      set(new Set(reached), event.target.checked);
    },
    all: () => onTicked([...ids]),
    none: () => onTicked([]),
  };
}

export function AllOrNone({ ticks: { all, none } }: { ticks: Pick<Ticks<string>, 'all' | 'none'> }) {
  return (
    <span className={styles.pair}>
      <button type="button" className={styles.text} onClick={all}>
        {say('shared.all')}
      </button>
      <button type="button" className={styles.text} onClick={none}>
        {say('shared.none')}
      </button>
    </span>
  );
}
