'use client';

import { say } from '@/core/words';
import { AutoComplete, type RefSelectProps } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { goToStation } from '../workspace/goToStation';
import { STATIONS, type StationId } from '../workspace/stations';
import { headingsOf, useManual } from '../manual/manual';
import { barsOnDesk, madeOnDesk, openQueries, partsOnDesk, useWorkspace } from '../workspace/workspace';
import { targetsFor, type Target } from './targets';
import styles from './jump.module.css';

export const JUMP_EVENT = 'dragoman-jump';

/** Stations that show the music. */
const WITH_MUSIC: readonly StationId[] = ['rhythm', 'page'];

const KIND_NAMES: Record<Target['kind'], string> = {
  get bar() {
    return say('jump.bars');
  },
  get part() {
    return say('jump.parts');
  },
  get query() {
    return say('jump.queries');
  },
  get setting() {
    return say('jump.settings');
  },
  get manual() {
    return say('manual.manual');
  },
};

/** One field that leads to bars of parts, queries and settings. */
export function Jump({ station }: { station: StationId }) {
  const [typed, setTyped] = useState('');
  const field = useRef<RefSelectProps>(null);
  const direction = useWorkspace((state) => state.direction);
  const targets = useTargets(typed);

  useEffect(() => {
    const focus = () => field.current?.focus();
    window.addEventListener(JUMP_EVENT, focus);
    return () => window.removeEventListener(JUMP_EVENT, focus);
  }, []);

  const go = (index: number) => {
    const target = targets[index];
    setTyped('');
    field.current?.blur();
    if (target) void goTo(target, station);
  };
  const kinds = [...new Set(targets.map(({ kind }) => kind))];
  return (
    <AutoComplete
      ref={field}
      size="small"
      className={styles.field}
      value={typed}
      onChange={setTyped}
      onFocus={() => void useManual.getState().fetch()}
      defaultActiveFirstOption
      aria-label={say('jump.jumpToABarAPartAQueryASetting')}
      placeholder={say('jump.jumpTo')}
      popupMatchSelectWidth={360}
      notFoundContent={typed.trim() ? say('jump.noMatchesTryABarAPartOrQuantize') : null}
      onSelect={(value) => go(Number(value))}
      options={kinds.map((kind) => ({
        label: KIND_NAMES[kind],
        options: targets.flatMap((target, i) =>
          target.kind === kind ? [{ value: String(i), label: <TargetLine target={target} here={direction} /> }] : [],
        ),
      }))}
    />
  );
}

function TargetLine({ target, here }: { target: Target; here: string }) {
  if (target.kind !== 'setting') return <span className={styles.line}>{target.label}</span>;
  const { station, direction } = target.place;
  const name = STATIONS[direction].find(({ id }) => id === station)!.name;
  return (
    <span className={styles.line}>
      {target.label}{' '}
      <span className="soft">
        {direction === here ? name : say('jump.otherDirection', { station: name, toScore: direction === 'to-score' })}
      </span>
    </span>
  );
}

function useTargets(typed: string): Target[] {
  const parts = useWorkspace(partsOnDesk);
  const bars = useWorkspace(barsOnDesk);
  const made = useWorkspace(madeOnDesk);
  const ledger = useWorkspace((state) => state.ledger);
  const direction = useWorkspace((state) => state.direction);
  const texts = useManual((state) => state.texts);
  const headings = texts ? headingsOf(texts.pages) : [];
  return targetsFor(typed, { parts, bars, queries: openQueries(made, ledger), direction, headings });
}

async function goTo(target: Target, station: StationId): Promise<void> {
  const { job, show, point, passage, turn, direction } = useWorkspace.getState();
  if (!job) return;
  switch (target.kind) {
    case 'query':
      return point(target.query);
    case 'manual':
      return useManual.getState().read(target.heading.page, target.heading.section);
    case 'setting':
      if (target.place.direction !== direction) await turn(target.place.direction);
      return goToStation(job.id, target.place.station);
    case 'bar':
    case 'part': {
      const { part } = target;
      const parts = part === null || passage.parts.includes(part) ? passage.parts : [part, ...passage.parts];
      show({ parts, ...(target.kind === 'bar' && { from: target.bar }) });
      if (!WITH_MUSIC.includes(station)) goToStation(job.id, 'rhythm');
    }
  }
}
