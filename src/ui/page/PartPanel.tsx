'use client';

import { say } from '@/core/words';
import { Button, Segmented, Select, Switch } from 'antd';
import { useState } from 'react';
import { CLEF_NAMES, clefName, instrumentById, tuningsOf, type Clef } from '@/core/instruments';
import { keyName, type Tablature } from '@/core/score';
import { CommittedNumber } from '../shared/CommittedNumber';
import { useWorkspace } from '../workspace/workspace';
import { DrumMapDrawer } from './DrumMapDrawer';
import { MarksTable } from './MarksTable';
import styles from './page.module.css';
import { settingsOf } from '@/core/documents';
import type { Decision } from '@/core/decisions';
import type { PartSummary } from '@/core/engine';

const CUSTOM = 'custom';
const PITCHED_CLEFS = CLEF_NAMES.filter((clef) => clef !== 'percussion');

/** Page settings of one part. */
export function PartPanel({ part }: { part: PartSummary }) {
  const keys = useWorkspace((state) => state.summary!.keys);
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const settings = settingsOf(ledger);
  const instrument = instrumentById(part.instrument);
  const written = part.writtenKeys[0] ?? 0;
  const key = keyName({ fifths: written, mode: keys[0]!.mode });
  const reads =
    instrument.transposition % 12 === 0 ? say('page.readsInKey', { key }) : say('page.transposingReadsInKey', { key });
  return (
    <section className={styles.panel} aria-label={say('page.pageOfPart', { part: part.name })}>
      <h2>{part.name}</h2>
      <p className="soft">
        {part.unpitched ? say('page.unpitchedPercussion') : reads}
        {!part.unpitched &&
          instrument.transposition !== 0 &&
          instrument.transposition % 12 === 0 &&
          ` ${say('page.soundsInAnotherOctaveThanItIs')}`}
      </p>
      <MarksTable part={part} />
      <div className={styles.settings}>
        {instrument.polyphonic && !part.unpitched && (
          <label>
            {say('page.staves')}
            <Select<1 | 2 | 0>
              size="small"
              aria-label={say('page.stavesOfPart', { part: part.name })}
              value={settings.staves[part.id] ?? 0}
              onChange={(staves) => decide({ kind: 'setStaves', part: part.id, staves: staves || null })}
              options={[
                { value: 0, label: say('page.automaticOne', { clefs: part.clefs.length }) },
                { value: 1, label: say('page.one') },
                { value: 2, label: say('page.two') },
              ]}
            />
          </label>
        )}
        {!part.unpitched &&
          part.clefs.map((home, s) => (
            <label key={s}>
              {say('page.clef', { clefs: part.clefs.length, s: s + 1 })}
              <Select<Clef | typeof CUSTOM>
                size="small"
                aria-label={say('page.clefOfPart', { part: part.name, clefs: part.clefs.length, s: s + 1 })}
                value={settings.clefs[part.id]?.[s + 1] ?? CUSTOM}
                onChange={(clef) =>
                  decide({ kind: 'chooseClef', part: part.id, staff: s + 1, clef: clef === CUSTOM ? null : clef })
                }
                options={[
                  { value: CUSTOM, label: say('page.defaultClefWords', { clefWords: clefName(home) }) },
                  ...PITCHED_CLEFS.map((clef) => ({ value: clef, label: clefName(clef) })),
                ]}
              />
            </label>
          ))}
        {!part.unpitched && (
          <label>
            {say('page.n8vaForHighNotes')}
            <Switch
              size="small"
              aria-label={say('page.octaveLinesOfPart', { part: part.name })}
              checked={!settings.plainOctaves[part.id]}
              onChange={(on) => decide({ kind: 'setOctaveLines', part: part.id, on })}
            />
          </label>
        )}
        <label>
          {say('page.oneBarRepeats')}
          <Switch
            size="small"
            aria-label={say('page.repeatSignsOfPart', { part: part.name })}
            checked={settings.barRepeats[part.id] ?? false}
            onChange={(on) => decide({ kind: 'setBarRepeats', part: part.id, on })}
          />
        </label>
        {part.unpitched && <DrumMapRow part={part} />}
        {tuningsOf(part.instrument).length > 0 && (
          <TablatureRows part={part} tablature={settings.tablatures[part.id] ?? null} decide={decide} />
        )}
      </div>
    </section>
  );
}

function DrumMapRow({ part }: { part: PartSummary }) {
  const ledger = useWorkspace((state) => state.ledger)!;
  const [open, setOpen] = useState(false);
  const name =
    settingsOf(ledger).drumMaps[part.id]?.name ??
    (part.struck.length === 1 ? say('page.singleLine') : say('page.generalMIDI'));
  return (
    <div className={styles.row}>
      {say('page.drumMap')}
      <Button size="small" className={styles.wide} onClick={() => setOpen(true)}>
        {name} …
      </Button>
      <DrumMapDrawer part={part} open={open} onClose={() => setOpen(false)} />
    </div>
  );
}

/** Tablature: shown or not, tuning, capo. */
function TablatureRows({
  part,
  tablature,
  decide,
}: {
  part: PartSummary;
  tablature: Tablature | null;
  decide: (decision: Decision) => void;
}) {
  const tunings = tuningsOf(part.instrument);
  const now: Tablature = tablature ?? { show: 'notation', tuning: [...tunings[0]!.strings], capo: 0 };
  const known = tunings.find((tuning) => tuning.strings.join() === now.tuning.join());
  const set = (change: Partial<Tablature>) => decide({ kind: 'setTablature', part: part.id, ...now, ...change });
  return (
    <>
      <Segmented<Tablature['show']>
        size="small"
        block
        value={now.show}
        aria-label={say('page.tablatureOfPart', { part: part.name })}
        onChange={(show) => set({ show })}
        options={[
          { value: 'notation', label: say('page.notation') },
          { value: 'tablature', label: say('page.tablature') },
          { value: 'both', label: say('page.both') },
        ]}
      />
      {now.show !== 'notation' && (
        <>
          <label>
            {say('page.tuning')}
            <Select<string>
              size="small"
              aria-label={say('page.tuningOfPart', { part: part.name })}
              value={known?.id ?? 'own'}
              onChange={(id) => set({ tuning: [...tunings.find((tuning) => tuning.id === id)!.strings] })}
              options={[
                ...(known ? [] : [{ value: 'own', label: now.tuning.join(' '), disabled: true }]),
                ...tunings.map(({ id, name }) => ({ value: id, label: name })),
              ]}
            />
          </label>
          <label>
            {say('page.capoAtFret')}
            <CommittedNumber
              key={now.capo}
              value={now.capo}
              min={0}
              max={12}
              label={say('page.capoOfPart', { part: part.name })}
              onCommit={(capo) => set({ capo })}
            />
          </label>
          {part.report.impossibleChords > 0 && (
            <p className="soft">
              {say('page.impossibleChordsChordsCannotBeHeld', { impossibleChords: part.report.impossibleChords })}
            </p>
          )}
        </>
      )}
    </>
  );
}
