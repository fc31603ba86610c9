'use client';

import { say } from '@/core/words';
import { Button, Checkbox, Select } from 'antd';
import { settingsOf } from '@/core/documents';
import { useWorkspace } from '../workspace/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import styles from '../shared/sequencing.module.css';

/** Of a job on its way to a sequencer: which bars and which parts go, and in how many files. */
export function OnlySome() {
  const sequence = useWorkspace((state) => state.sequence)!;
  const settings = settingsOf(useWorkspace((state) => state.ledger)!).sequencing;
  const decide = useWorkspace((state) => state.decide);
  const { bars } = sequence;
  const offset = bars[0]!.number;
  const range = settings.onlyBars ?? { from: 0, to: bars.length };
  const setRange = (from: number, to: number) =>
    decide({
      kind: 'setSequencing',
      onlyBars:
        from <= 0 && to >= bars.length
          ? null
          : { from: Math.max(0, from), to: Math.max(from + 1, Math.min(bars.length, to)) },
    });
  const parts: readonly {
    id: (typeof sequence.parts)[number]['id'];
    name: string;
    instrument: string;
    unpitched: boolean;
  }[] = sequence.parts;
  const wanted = settings.onlyParts ?? parts.map((part) => part.id);
  const drumsAndBass = parts
    .filter((part) => part.unpitched || /bass(?!oon)|contrabass/i.test(`${part.instrument} ${part.name}`))
    .map((part) => part.id);
  return (
    <>
      <h2>{say('timeline.rangeToExport')}</h2>
      <div className={styles.settings}>
        <label>
          {say('timeline.bars')}
          <span className={styles.group}>
            <CommittedNumber
              key={`a${range.from}`}
              value={range.from + offset}
              min={offset}
              max={bars.at(-1)!.number}
              label={say('timeline.firstBarWanted')}
              onCommit={(number) => setRange(number - offset, range.to)}
            />
            –
            <CommittedNumber
              key={`b${range.to}`}
              value={range.to - 1 + offset}
              min={offset}
              max={bars.at(-1)!.number}
              label={say('timeline.lastBarWanted')}
              onCommit={(number) => setRange(range.from, number - offset + 1)}
            />
            <Button
              size="small"
              disabled={settings.onlyBars === null}
              onClick={() => decide({ kind: 'setSequencing', onlyBars: null })}
            >
              {say('timeline.all')}
            </Button>
          </span>
        </label>
        <label>
          {say('timeline.files')}
          <Select
            size="small"
            aria-label={say('timeline.files')}
            value={settings.files}
            onChange={(files) => decide({ kind: 'setSequencing', files })}
            options={[
              { value: 'one', label: say('timeline.oneFile') },
              { value: 'parts', label: say('timeline.onePerPart') },
              { value: 'sections', label: say('timeline.onePerSection') },
            ]}
          />
        </label>
      </div>
      <p className="soft">{say('timeline.filesEndOnABarlineSoThatTheyLoop')}</p>
      <div className={styles.group}>
        <Button
          size="small"
          disabled={settings.onlyParts === null}
          onClick={() => decide({ kind: 'setSequencing', onlyParts: null })}
        >
          {say('timeline.allParts')}
        </Button>
        <Button
          size="small"
          disabled={drumsAndBass.length === 0}
          onClick={() => decide({ kind: 'setSequencing', onlyParts: drumsAndBass })}
        >
          {say('timeline.drumsAndBassOnly')}
        </Button>
      </div>
      <ul className={styles.wanted}>
        {parts.map((part) => (
          <li key={part.id}>
            <Checkbox
              checked={wanted.includes(part.id)}
              onChange={(event) =>
                decide({
                  kind: 'setSequencing',
                  onlyParts: event.target.checked ? [...wanted, part.id] : wanted.filter((id) => id !== part.id),
                })
              }
            >
              {part.name}
            </Checkbox>
          </li>
        ))}
      </ul>
    </>
  );
}
