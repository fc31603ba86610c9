'use client';

import { say } from '@/core/words';
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
        aria-label={say('rhythm.rhythmSettingsOfPart', { part: part.name })}
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
      title={say('rhythm.rhythmOfPart', { part: part.name })}
      content={<Settings part={part} />}
      destroyOnHidden
    >
      <Button
        type="text"
        size="small"
        aria-label={say('rhythm.rhythmSettingsOfPart', { part: part.name })}
        icon={<SettingOutlined />}
      />
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
          { value: 'part', label: say('rhythm.thisPart') },
          { value: 'family', label: say('rhythm.itsFamily') },
          { value: 'shown', label: say('rhythm.partsInView') },
        ]}
      />
      <Checkbox checked={someBars} onChange={(event) => setSomeBars(event.target.checked)}>
        {say('rhythm.valuesOnlyInBarsBarsBars2', {
          bars: bars[passage.from]?.number ?? '',
          bars2: bars[to - 1]?.number ?? '',
        })}
      </Checkbox>
      <label>
        {say('rhythm.quantizeTo')}
        <Select<SmallestValue | typeof FOUND>
          size="small"
          value={pin?.smallest ?? FOUND}
          onChange={(value) =>
            value === FOUND
              ? forAll((id) => ({ kind: 'freeGrid', part: id }))
              : setGrid(value, pin?.triplets ?? report.tupletBeats > 0, pin?.also ?? [])
          }
          options={[
            { value: FOUND, label: say('rhythm.automatic') },
            ...SMALLEST_VALUES.map((value) => ({ value, label: valueName(value) })),
          ]}
        />
      </label>
      {pin && (
        <>
          <label>
            {say('rhythm.triplets')}
            <Switch
              size="small"
              checked={pin.triplets}
              onChange={(triplets) => setGrid(pin.smallest, triplets, pin.also)}
            />
          </label>
          <label>
            {say('rhythm.furtherTuplets')}
            <Checkbox.Group<FurtherTuplet>
              value={[...pin.also]}
              options={FURTHER_TUPLETS.map((value) => ({ value, label: String(value) }))}
              onChange={(also) => setGrid(pin.smallest, pin.triplets, also)}
            />
          </label>
        </>
      )}
      <p className="soft">
        {say('rhythm.exactlyOnAGridTupletBeat', {
          reportExact: Boolean(report.exact),
          jitter: (report.jitter * 1000).toFixed(0),
          tupletBeats: report.tupletBeats,
        })}
      </p>
      {!part.unpitched && (
        <>
          <label>
            {say('rhythm.closeGaps')}
            <Select<SmallestValue | typeof FOUND>
              size="small"
              value={settings.closeGaps[part.id] ?? FOUND}
              onChange={(value) =>
                forAll((id) => ({ kind: 'setGaps', part: id, upTo: value === FOUND ? null : value }))
              }
              options={[
                { value: FOUND, label: say('rhythm.notMeantAsRests') },
                ...SMALLEST_VALUES.map((value) => ({
                  value,
                  label: say('rhythm.upToValueName', { valueName: valueName(value) }),
                })),
              ]}
            />
          </label>
          <label>
            {say('rhythm.shortNotes')}
            <Select<Lengths>
              size="small"
              aria-label={say('rhythm.shortNotesOfPart', { part: part.name })}
              value={lengthsIn(settings.lengths[part.id], someBars ? passage.from : null)}
              onChange={(as) => forAll((id) => ({ kind: 'setLengths', part: id, as, ...range }))}
              options={[
                { value: 'read', label: say('rhythm.automatic2') },
                { value: 'played', label: say('rhythm.asLongAsPlayed') },
              ]}
            />
          </label>
          {report.shortNotes > 0 && (
            <p className="soft">{say('rhythm.noteIsWrittenLongerWithAStaccato', { shortNotes: report.shortNotes })}</p>
          )}
          <p className="soft">
            {say('rhythm.gapClosedOverlapTrimmed', {
              gapsClosed: report.gapsClosed,
              overlapsTrimmed: report.overlapsTrimmed,
            })}
          </p>
          <label>
            {say('rhythm.voicesPerStaff')}
            <Select<number>
              size="small"
              value={settings.voices[part.id] ?? 2}
              onChange={(most) => forAll((id) => ({ kind: 'setVoices', part: id, most }))}
              options={[1, 2, 3, 4].map((most) => ({ value: most, label: say('rhythm.atMostMost', { most }) }))}
            />
          </label>
        </>
      )}
      {part.clefs.length > 1 && (
        <label>
          {say('rhythm.hands')}
          <Select<number | typeof FREE>
            size="small"
            value={settings.handSplits[part.id] ?? FREE}
            onChange={(value) => decide({ kind: 'setHandSplit', part: part.id, key: value === FREE ? null : value })}
            options={[
              { value: FREE, label: say('rhythm.moveFreely') },
              ...Array.from({ length: 25 }, (_, i) => ({
                value: 48 + i,
                label: say('rhythm.splitAtKeyInWords', { keyInWords: keyInWords(48 + i) }),
              })),
            ]}
          />
        </label>
      )}
      {instrument.clefs.some((_, s) => clefChoices(instrument, s + 1).length > 1) && (
        <label>
          {say('rhythm.clefChanges')}
          <Switch
            size="small"
            checked={!settings.fixedClefs[part.id]}
            aria-label={say('rhythm.clefChangesOfPart', { part: part.name })}
            onChange={(changes) => forAll((id) => ({ kind: 'setClefs', part: id, changes }))}
          />
        </label>
      )}
      <label>
        {say('rhythm.trillsGraces')}
        <Switch
          size="small"
          checked={!settings.plain[part.id]}
          aria-label={say('rhythm.ornamentsOfPart', { part: part.name })}
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
    [report.trills, say('rhythm.trill'), say('rhythm.trills')],
    [report.tremolos, say('rhythm.tremolo'), say('rhythm.tremolos')],
    [report.graces, say('rhythm.graceNote'), say('rhythm.graceNotes')],
    [report.arpeggios, say('rhythm.spreadChord'), say('rhythm.spreadChords')],
  ] as const;
  return (
    found
      .filter(([n]) => n > 0)
      .map(([n, one, many]) => count(n, one, many))
      .join(', ') || say('rhythm.noneFound')
  );
}
