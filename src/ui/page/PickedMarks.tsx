'use client';

import { say } from '@/core/words';
import type { PartId } from '@/core/base';
import { Button, Input, Popover, Select, Tooltip } from 'antd';
import { useState } from 'react';
import { ARTICULATIONS, DYNAMICS, HAIRPINS, type Articulation, type Dynamic } from '@/core/score';
import { barIndexAt } from '@/core/time';
import { byHand, sayByHand } from '../hand/actions';
import { PickedCount } from '../hand/HandBar';
import { useWorkspace } from '../workspace/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import styles from './page.module.css';

const SIGNS: Record<Articulation, string> = { staccato: '·', tenuto: '–', accent: '>', marcato: '∧' };

/** What can be done to the look of the notes picked in the interlinear view. */
export function PickedMarks() {
  const picked = useWorkspace((state) => state.picked);
  const part = useWorkspace((state) => state.summary!.parts.find((candidate) => candidate.id === picked?.part));
  const written = useWorkspace((state) => state.written);
  const bars = useWorkspace((state) => state.summary!.bars);
  const pick = useWorkspace((state) => state.pick);
  if (!picked || !part)
    return (
      <div className={styles.tools}>
        <span className="soft">{say('page.orangeMarkingsAreSuggestionsClick')}</span>
      </div>
    );
  const notes = [...picked.notes].sort((a, b) => (written.get(a)?.start ?? 0) - (written.get(b)?.start ?? 0));
  const [first, last] = [notes[0]!, notes.at(-1)!];
  const place = written.get(first);
  const bar = place
    ? barIndexAt(
        bars.map((one) => one.start),
        place.start,
      )
    : null;
  const has = (articulation: Articulation) =>
    notes.every((note) => written.get(note)?.articulations.includes(articulation));
  return (
    <div className={styles.tools} role="toolbar" aria-label={say('page.selectedNotes')}>
      <span>
        <PickedCount picked={picked} name={part.name} />
      </span>
      {!part.unpitched && (
        <span className={styles.group}>
          <Tooltip title={say('page.cBecomesD')}>
            <Button size="small" aria-label={say('page.respellWithFlats')} onClick={() => byHand('flats')}>
              ♭
            </Button>
          </Tooltip>
          <Tooltip title={say('page.dBecomesC')}>
            <Button size="small" aria-label={say('page.respellWithSharps')} onClick={() => byHand('sharps')}>
              ♯
            </Button>
          </Tooltip>
          <Button size="small" onClick={() => byHand('octaveUp')}>
            {say('page.octaveUp')}
          </Button>
          <Button size="small" onClick={() => byHand('octaveDown')}>
            {say('page.octaveDown')}
          </Button>
        </span>
      )}
      <span className={styles.group}>
        {ARTICULATIONS.map((articulation) => (
          <Tooltip key={articulation} title={articulation}>
            <Button
              size="small"
              aria-label={articulation}
              aria-pressed={has(articulation)}
              type={has(articulation) ? 'primary' : 'default'}
              onClick={() => byHand(articulation)}
            >
              {SIGNS[articulation]}
            </Button>
          </Tooltip>
        ))}
        <Button size="small" disabled={first === last} onClick={() => byHand('slur')}>
          {say('page.slur')}
        </Button>
        <Button size="small" disabled={first === last} onClick={() => byHand('noSlur')}>
          {say('page.removeSlur')}
        </Button>
      </span>
      <Loudness key={`l${first}`} several={first !== last} />
      {bar !== null && <CopyPattern key={bar} bar={bar} part={part.id} />}
      <Button size="small" type="text" onClick={() => pick(null, [])}>
        {say('page.clearSelection')}
      </Button>
    </div>
  );
}

/** Dynamic signs, hairpins and words where the picked notes stand. */
function Loudness({ several }: { several: boolean }) {
  return (
    <span className={styles.group}>
      <Select<Dynamic | null>
        size="small"
        aria-label={say('page.dynamicAtTheFirstNote')}
        placeholder="p … f"
        popupMatchSelectWidth={false}
        onChange={(level) => byHand(level ?? 'noDynamic')}
        options={[
          ...DYNAMICS.map((value) => ({ value, label: value })),
          { value: null, label: say('page.removeDynamic') },
        ]}
      />
      {HAIRPINS.map((shape) => (
        <Tooltip key={shape} title={say('page.addHairpinShape', { shape })}>
          <Button size="small" aria-label={shape} disabled={!several} onClick={() => byHand(shape)}>
            {say('page.hairpin', { shape })}
          </Button>
        </Tooltip>
      ))}
      <Button size="small" onClick={() => byHand('noHairpin')}>
        {say('page.removeHairpin')}
      </Button>
      <Input
        size="small"
        className={styles.said}
        aria-label={say('page.wordsAtTheFirstNote')}
        placeholder={say('page.wordsEnter')}
        maxLength={200}
        onPressEnter={({ currentTarget }) => sayByHand(currentTarget.value)}
      />
    </span>
  );
}

/** One bar's articulation for all bars of the same rhythm. */
function CopyPattern({ bar, part }: { bar: number; part: PartId }) {
  const bars = useWorkspace((state) => state.summary!.bars);
  const decide = useWorkspace((state) => state.decide);
  const [open, setOpen] = useState(false);
  const [range, setRange] = useState({ from: 0, to: bars.length });
  const offset = bars[0]!.number;
  const copy = () => {
    setOpen(false);
    decide({ kind: 'copyPattern', part, bar, bars: range });
  };
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      content={
        <div className={styles.copy}>
          <p>{say('page.articulationAndSlursOfBarBarsGoTo', { bars: bars[bar]!.number })}</p>
          <label>
            {say('page.fromBar')}
            <CommittedNumber
              value={range.from + offset}
              min={offset}
              max={bars.at(-1)!.number}
              label={say('page.firstBarOfTheRange')}
              onCommit={(number) => setRange((now) => ({ ...now, from: number - offset }))}
            />
            {say('page.toBar')}
            <CommittedNumber
              value={range.to - 1 + offset}
              min={offset}
              max={bars.at(-1)!.number}
              label={say('page.lastBarOfTheRange')}
              onCommit={(number) => setRange((now) => ({ ...now, to: number - offset + 1 }))}
            />
          </label>
          <Button size="small" type="primary" disabled={range.to <= range.from} onClick={copy}>
            {say('page.copy')}
          </Button>
        </div>
      }
    >
      <Button size="small">{say('page.copyBarBarsSPattern', { bars: bars[bar]!.number })}</Button>
    </Popover>
  );
}
