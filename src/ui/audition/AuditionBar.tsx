'use client';

import { say } from '@/core/words';
import { CaretRightOutlined, PauseOutlined, SoundOutlined } from '@ant-design/icons';
import { Button, Checkbox, Segmented, Select, Tooltip } from 'antd';
import { useEffect, useState } from 'react';
import type { PartId } from '@/core/base';
import { barsOnDesk, kindOnDesk, partsOnDesk, useWorkspace } from '../workspace/workspace';
import { LoopChoice } from './LoopChoice';
import { SoundsDrawer } from './SoundsDrawer';
import { useHearing, type HeardVersion, type Scope } from './useHearing';
import { useReference } from './useReference';
import { VERSIONS, VERSION_WORDS } from './versions';
import styles from './audition.module.css';

const RATES = [0.25, 0.5, 0.75, 1, 1.25] as const;

/** At the foot of a station: hear the job, in each of its versions, from the picked note or the first bar in view. */
export function AuditionBar() {
  const { version, rate, click, sounding, waiting, failure, toggle, change, stop } = useHearing();
  const edition = useWorkspace((state) => state.edition);
  const kind = useWorkspace(kindOnDesk);
  const reference = useReference();
  const [drawer, setDrawer] = useState(false);
  // Another station, or another score, is heard anew.
  useEffect(() => stop, [stop, edition]);
  const versions: readonly HeardVersion[] = reference ? [...VERSIONS[kind], 'reference' as const] : VERSIONS[kind];
  const heard = versions.includes(version) ? version : versions[0]!;
  useEffect(() => {
    if (heard !== version) void change({ version: heard });
  }, [heard, version, change]);
  const on = sounding || waiting;
  return (
    <div className={styles.bar} role="group" aria-label={say('audition.audition')}>
      <Tooltip title={say('audition.space')}>
        <Button
          size="small"
          icon={on ? <PauseOutlined /> : <CaretRightOutlined />}
          aria-label={on ? say('audition.stop') : say('audition.play')}
          className={styles.hear}
          onClick={() => void toggle()}
        >
          {say('audition.stop2', { on: Boolean(on) })}
        </Button>
      </Tooltip>
      <span className={failure ? styles.failure : styles.where} aria-live="polite">
        {failure ?? (sounding ? <Where /> : <From />)}
      </span>
      <Segmented<HeardVersion>
        size="small"
        aria-label={say('audition.versionHeard')}
        value={heard}
        onChange={(to) => void change({ version: to })}
        options={versions.map((value) => ({
          value,
          label: <span title={VERSION_WORDS[value].title}>{VERSION_WORDS[value].label}</span>,
        }))}
      />
      <Select<number>
        size="small"
        aria-label={say('audition.tempo')}
        value={rate}
        onChange={(to) => void change({ rate: to })}
        options={RATES.map((value) => ({ value, label: value === 1 ? '100 %' : `${value * 100} %` }))}
      />
      <ScopeSelect />
      <LoopChoice />
      <Checkbox
        checked={click}
        disabled={heard === 'reference'}
        onChange={(event) => void change({ click: event.target.checked })}
      >
        {say('audition.click')}
      </Checkbox>
      <Tooltip title={say('audition.sounds')}>
        <Button
          size="small"
          type="text"
          icon={<SoundOutlined />}
          aria-label={say('audition.sounds')}
          onClick={() => setDrawer(true)}
        />
      </Tooltip>
      <SoundsDrawer open={drawer} onClose={() => setDrawer(false)} />
    </div>
  );
}

/** Whose notes are heard. */
function ScopeSelect() {
  const scope = useHearing((state) => state.scope);
  const change = useHearing((state) => state.change);
  const parts = useWorkspace(partsOnDesk);
  if (parts.length === 0) return null;
  const chosen = typeof scope === 'string' ? [scope] : [...scope];
  const choose = (values: string[]) => {
    const last = values.at(-1);
    if (last === 'all' || last === 'view') return void change({ scope: last });
    const ids = parts.map((part) => part.id).filter((id) => values.includes(id));
    void change({ scope: ids.length > 0 ? ids : 'all' });
  };
  return (
    <Select<string[]>
      mode="multiple"
      size="small"
      className={styles.scope}
      aria-label={say('audition.partsHeard')}
      maxTagCount={0}
      maxTagPlaceholder={scopeWords(scope, parts)}
      popupMatchSelectWidth={false}
      value={chosen}
      onChange={choose}
      options={[
        { value: 'all', label: say('audition.allParts') },
        { value: 'view', label: say('audition.partsInView') },
        ...parts.map(({ id, name }) => ({ value: id, label: say('audition.onlyName', { name }) })),
      ]}
    />
  );
}

function scopeWords(scope: Scope, parts: readonly { id: PartId; name: string }[]): string {
  if (scope === 'all') return say('audition.allParts');
  if (scope === 'view') return say('audition.inView');
  return scope.length === 1
    ? (parts.find((part) => part.id === scope[0])?.name ?? '')
    : say('audition.scopeParts', { scope: scope.length });
}

/** Where it will begin. */
function From() {
  const picked = useWorkspace((state) => state.picked !== null);
  const from = useWorkspace((state) => state.passage.from);
  const bars = useWorkspace(barsOnDesk);
  const startBar = useHearing((state) => state.startBar);
  if (picked) return say('audition.fromTheNote');
  if (bars.length === 0) return say('audition.fromBarStartBar', { startBar: startBar + 1 });
  return bars[from] ? say('audition.fromBarBars', { bars: bars[from].number }) : '';
}

/** The bar that sounds, by its number. */
function Where() {
  const bars = useWorkspace(barsOnDesk);
  const place = useHearing((state) => state.place);
  const [bar, setBar] = useState<number | null>(null);
  useEffect(() => {
    const timer = setInterval(() => setBar(place()?.bar ?? null), 100);
    return () => clearInterval(timer);
  }, [place]);
  if (bar === null) return '';
  return say('audition.barBars', { bars: bars[Math.min(bar, bars.length - 1)]?.number ?? bar + 1 });
}
