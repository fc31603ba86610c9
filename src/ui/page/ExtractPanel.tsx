'use client';

import { say } from '@/core/words';
import { Button, Checkbox, Segmented, Select } from 'antd';
import type { PartId } from '@/core/base';
import { settingsOf } from '@/core/documents';
import { EXTRACTS, type Extract, type ExtractKind } from '@/core/extracts';
import { useWorkspace } from '../workspace/workspace';
import { useTicks } from '../shared/ticks';
import styles from './page.module.css';

/** Which extract is looked at, and what it is made of. */
export function ExtractPanel({ extract, onExtract }: { extract: Extract; onExtract: (extract: Extract) => void }) {
  return (
    <>
      <Segmented<ExtractKind>
        size="small"
        block
        aria-label={say('page.extract')}
        value={extract.kind}
        onChange={(kind) => onExtract(EXTRACTS.find((one) => one.kind === kind)!)}
        options={EXTRACTS.map(({ kind, name }) => ({ value: kind, label: name }))}
      />
      <section className={styles.panel} aria-label={extract.name}>
        <h2>{extract.name}</h2>
        {extract.kind === 'lead-sheet' ? <Tune /> : <Reduced />}
        <p className="soft">{say('page.recipesThatIncludeItExportItSee')}</p>
      </section>
    </>
  );
}

function Tune() {
  const parts = useWorkspace((state) => state.summary!.parts).filter(({ unpitched }) => !unpitched);
  const found = useWorkspace((state) => state.summary!.melody);
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const foundName = parts.find(({ id }) => id === found)?.name ?? say('page.noPart');
  return (
    <>
      <p className="soft">{say('page.theHighestLineOfAPartAtConcert')}</p>
      <div className={styles.settings}>
        <label>
          {say('page.tune')}
          <Select<PartId | ''>
            size="small"
            aria-label={say('page.partWithTheTune')}
            value={settingsOf(ledger).extracts.melody ?? ''}
            onChange={(part) => decide({ kind: 'chooseMelody', part: part || null })}
            options={[
              { value: '', label: say('page.foundFoundName', { foundName }) },
              ...parts.map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
        </label>
      </div>
    </>
  );
}

function Reduced() {
  const parts = useWorkspace((state) => state.summary!.parts).filter(({ unpitched }) => !unpitched);
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const all = parts.map(({ id }) => id);
  const chosen = settingsOf(ledger).extracts.reduced ?? all;
  const ticks = useTicks(all, chosen, (ids) => {
    decide({ kind: 'chooseReduced', parts: ids.length < all.length ? ids : null });
  });
  return (
    <>
      <p className="soft">{say('page.melodyAndBassStayDoublingsBetween')}</p>
      <ul className={styles.parts} aria-label={say('page.reducedParts')}>
        {parts.map(({ id, name }) => (
          <li key={id}>
            <Checkbox
              checked={chosen.includes(id)}
              disabled={chosen.length === 1 && chosen[0] === id}
              onChange={(event) => ticks.tick(id, event)}
            >
              {name}
            </Checkbox>
          </li>
        ))}
      </ul>
      <Button size="small" disabled={chosen.length === all.length} onClick={ticks.all}>
        {say('page.ofAllParts')}
      </Button>
    </>
  );
}
