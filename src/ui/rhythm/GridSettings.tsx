'use client';

import type { PartId } from '@/core/base';
import { SettingOutlined } from '@ant-design/icons';
import { Button, Checkbox, Popover, Segmented, Select, Switch } from 'antd';
import { useState } from 'react';
import { instrumentById } from '@/core/instruments';
import { keyInWords } from '@/core/score';
import { clefChoices } from '@/core/to-score';
import { LeadSetting } from './LeadSetting';
import { count } from '../shared/words';
import { useWorkspace } from '../workspace/workspace';
import styles from './rhythm.module.css';
import {
  FURTHER_TUPLETS,
  SMALLEST_VALUES,
  type FurtherTuplet,
  type LengthChoice,
  type Lengths,
  type SmallestValue,
} from '@/core/settings';
import { settingsOf } from '@/core/documents';
import { valueName, type Decision } from '@/core/decisions';
import type { PartSummary } from '@/core/engine';

const FOUND = 'found';
const FREE = 'free';
type Reach = 'part' | 'family' | 'shown';

/** Rhythm settings of one part, each with what it did. */
export function GridSettings({ part }: { part: PartSummary }) {
  const [open, setOpen] = useState(false);
  // A hundred parts show a hundred of these: nothing is built before it is asked for.
  const [asked, setAsked] = useState(false);
  if (!asked) {
    return (
      <button
        type="button"
        className={styles.gear}
        aria-label={`Rhythm settings of ${part.name}`}
        onClick={() => (setAsked(true), setOpen(true))}
      >
        <SettingOutlined />
      </button>
    );
  }
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      placement="rightTop"
      title={`Rhythm of ${part.name}`}
      content={<Settings part={part} />}
      destroyOnHidden
    >
      <Button type="text" size="small" aria-label={`Rhythm settings of ${part.name}`} icon={<SettingOutlined />} />
    </Popover>
  );
}

function Settings({ part }: { part: PartSummary }) {
  const ledger = useWorkspace((state) => state.ledger)!;
  const parts = useWorkspace((state) => state.summary!.parts);
  const bars = useWorkspace((state) => state.summary!.bars);
  const passage = useWorkspace((state) => state.passage);
  const decide = useWorkspace((state) => state.decide);
  const [reach, setReach] = useState<Reach>('part');
  const [someBars, setSomeBars] = useState(false);
  const settings = settingsOf(ledger);
  const pin = settings.grids[part.id]?.at(-1);
  const { report } = part;
  const instrument = instrumentById(part.instrument);
  const reached =
    reach === 'part'
      ? [part]
      : parts.filter((other) =>
          reach === 'family'
            ? instrumentById(other.instrument).family === instrument.family
            : passage.parts.includes(other.id),
        );
  const to = Math.min(bars.length, passage.from + passage.bars);
  const range = someBars ? { bars: { from: passage.from, to } } : {};
  const forAll = (make: (id: PartId) => Decision) => decide(...reached.map(({ id }) => make(id)));
  const setGrid = (smallest: SmallestValue, triplets: boolean, also: readonly FurtherTuplet[]) =>
    forAll((id) => ({
      kind: 'setGrid',
      part: id,
      smallest,
      triplets,
      ...(also.length > 0 && { also: [...also] }),
      ...range,
    }));

  return (
    <div className={styles.settings}>
      <Segmented<Reach>
        size="small"
        block
        value={reach}
        onChange={setReach}
        options={[
          { value: 'part', label: 'this part' },
          { value: 'family', label: 'its family' },
          { value: 'shown', label: 'parts in view' },
        ]}
      />
      <Checkbox checked={someBars} onChange={(event) => setSomeBars(event.target.checked)}>
        values only in bars {bars[passage.from]?.number}–{bars[to - 1]?.number}
      </Checkbox>
      <label>
        Quantize to
        <Select<SmallestValue | typeof FOUND>
          size="small"
          value={pin?.smallest ?? FOUND}
          onChange={(value) =>
            value === FOUND
              ? forAll((id) => ({ kind: 'freeGrid', part: id }))
              : setGrid(value, pin?.triplets ?? report.tupletBeats > 0, pin?.also ?? [])
          }
          options={[
            { value: FOUND, label: 'Automatic' },
            ...SMALLEST_VALUES.map((value) => ({ value, label: valueName(value) })),
          ]}
        />
      </label>
      {pin && (
        <>
          <label>
            Triplets
            <Switch
              size="small"
              checked={pin.triplets}
              onChange={(triplets) => setGrid(pin.smallest, triplets, pin.also)}
            />
          </label>
          <label>
            Further tuplets
            <Checkbox.Group<FurtherTuplet>
              value={[...pin.also]}
              options={FURTHER_TUPLETS.map((value) => ({ value, label: String(value) }))}
              onChange={(also) => setGrid(pin.smallest, pin.triplets, also)}
            />
          </label>
        </>
      )}
      <p className="soft">
        {report.exact ? 'Exactly on a grid.' : `Jitter ${(report.jitter * 1000).toFixed(0)} ms.`}{' '}
        {count(report.tupletBeats, 'tuplet beat', 'tuplet beats')}.
      </p>
      {!part.unpitched && (
        <>
          <label>
            Close gaps
            <Select<SmallestValue | typeof FOUND>
              size="small"
              value={settings.closeGaps[part.id] ?? FOUND}
              onChange={(value) =>
                forAll((id) => ({ kind: 'setGaps', part: id, upTo: value === FOUND ? null : value }))
              }
              options={[
                { value: FOUND, label: 'not meant as rests' },
                ...SMALLEST_VALUES.map((value) => ({ value, label: `up to ${valueName(value)}` })),
              ]}
            />
          </label>
          <label>
            Short notes
            <Select<Lengths>
              size="small"
              aria-label={`Short notes of ${part.name}`}
              value={lengthsIn(settings.lengths[part.id], someBars ? passage.from : null)}
              onChange={(as) => forAll((id) => ({ kind: 'setLengths', part: id, as, ...range }))}
              options={[
                { value: 'read', label: 'automatic' },
                { value: 'played', label: 'as long as played' },
              ]}
            />
          </label>
          {report.shortNotes > 0 && (
            <p className="soft">
              {count(report.shortNotes, 'note is', 'notes are')} written longer, with a staccato dot: early releases are
              usual in this part.
            </p>
          )}
          <p className="soft">
            {count(report.gapsClosed, 'gap', 'gaps')} closed, {count(report.overlapsTrimmed, 'overlap', 'overlaps')}{' '}
            trimmed.
          </p>
          <label>
            Voices per staff
            <Select<number>
              size="small"
              value={settings.voices[part.id] ?? 2}
              onChange={(most) => forAll((id) => ({ kind: 'setVoices', part: id, most }))}
              options={[1, 2, 3, 4].map((most) => ({ value: most, label: `at most ${most}` }))}
            />
          </label>
        </>
      )}
      {part.clefs.length > 1 && (
        <label>
          Hands
          <Select<number | typeof FREE>
            size="small"
            value={settings.handSplits[part.id] ?? FREE}
            onChange={(value) => decide({ kind: 'setHandSplit', part: part.id, key: value === FREE ? null : value })}
            options={[
              { value: FREE, label: 'move freely' },
              ...Array.from({ length: 25 }, (_, i) => ({ value: 48 + i, label: `split at ${keyInWords(48 + i)}` })),
            ]}
          />
        </label>
      )}
      {instrument.clefs.some((_, s) => clefChoices(instrument, s + 1).length > 1) && (
        <label>
          Clef changes
          <Switch
            size="small"
            checked={!settings.fixedClefs[part.id]}
            aria-label={`Clef changes of ${part.name}`}
            onChange={(changes) => forAll((id) => ({ kind: 'setClefs', part: id, changes }))}
          />
        </label>
      )}
      <label>
        Trills, graces
        <Switch
          size="small"
          checked={!settings.plain[part.id]}
          aria-label={`Ornaments of ${part.name}`}
          onChange={(on) => forAll((id) => ({ kind: 'setOrnaments', part: id, on }))}
        />
      </label>
      <p className="soft">{ornamentsInWords(part)}</p>
      {part.tracks.map((track) => (
        <LeadSetting
          key={track}
          name={part.name}
          lead={report.leads[track]!}
          onSet={(milliseconds) => decide({ kind: 'setLead', track, milliseconds })}
        />
      ))}
    </div>
  );
}

/** What holds for short notes of the whole part, or from a bar on. */
function lengthsIn(choices: readonly LengthChoice[] = [], bar: number | null): Lengths {
  const holds = ({ bars }: LengthChoice) => !bars || (bar !== null && bar >= bars.from && bar < bars.to);
  return choices.findLast(holds)?.as ?? 'read';
}

function ornamentsInWords({ report }: PartSummary): string {
  const found = [
    [report.trills, 'trill', 'trills'],
    [report.tremolos, 'tremolo', 'tremolos'],
    [report.graces, 'grace note', 'grace notes'],
    [report.arpeggios, 'spread chord', 'spread chords'],
  ] as const;
  return (
    found
      .filter(([n]) => n > 0)
      .map(([n, one, many]) => count(n, one, many))
      .join(', ') || 'None found.'
  );
}
