'use client';

import { Button, Select } from 'antd';
import { useState } from 'react';
import { settingsOf } from '@/core/documents';
import type { TimeLineSummary } from '@/core/engine';
import type { TempoPrint } from '@/core/settings';
import { meterInWords, QUARTER } from '@/core/time';
import { useWorkspace } from '../workspace/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import { MeterInput } from './MeterInput';
import { useMetersFixed } from './useTimeLine';
import styles from './timeline.module.css';

/** Where bars begin and how they are counted, from a bar on; which tempos are printed. */
export function BarsPanel({ line }: { line: TimeLineSummary }) {
  const direction = useWorkspace((state) => state.direction);
  const metersFixed = useMetersFixed();
  const decide = useWorkspace((state) => state.decide);
  const viewed = useWorkspace((state) => state.passage.from);
  const [chosen, setChosen] = useState<number | null>(null);
  const { bars } = line;
  const place = bars.find(({ index }) => index === (chosen ?? viewed)) ?? bars[0]!;
  const beat = (4 * QUARTER) / place.meter.beatType;
  const shift = (by: number) => decide({ kind: 'shiftBarlines', from: place.written, by });
  return (
    <aside className={styles.panel} aria-label="Bars">
      <h2>Bars</h2>
      <label>
        Starting at bar
        <CommittedNumber
          key={place.index}
          value={place.number}
          min={bars[0]!.number}
          max={bars.at(-1)!.number}
          label="Starting at bar"
          onCommit={(number) => setChosen(bars.find((bar) => bar.number === number)?.index ?? null)}
        />
      </label>
      {!metersFixed && (
        <>
          <label>
            Meter sequence
            <MeterInput
              key={`${place.index}/${meterInWords(place.meter)}`}
              value={[]}
              label="Meter sequence"
              onCommit={(meters) => decide({ kind: 'setMeters', from: place.written, to: null, meters: [...meters] })}
            />
          </label>
          <div className={styles.buttons}>
            <Button size="small" onClick={() => shift(-beat)}>
              Barlines a beat earlier
            </Button>
            <Button size="small" onClick={() => shift(beat)}>
              Barlines a beat later
            </Button>
          </div>
          <p className="soft">Notes stay where they are; only the bars around them change.</p>
        </>
      )}
      <h2>Bar numbers</h2>
      <label>
        Bar {place.number} is called
        <CommittedNumber
          key={`n${place.index}/${place.number}`}
          value={place.number}
          min={-999}
          max={99_999}
          label="Bar number"
          onCommit={(number) => decide({ kind: 'numberBar', at: place.written, number })}
        />
      </label>
      <div className={styles.buttons}>
        <Button
          size="small"
          onClick={() => decide({ kind: 'numberBar', at: bars[0]!.written, number: 1 - place.index })}
        >
          Make this bar 1
        </Button>
        <Button size="small" onClick={() => decide({ kind: 'numberBar', at: place.written, number: null })}>
          Continue numbering
        </Button>
      </div>
      {direction === 'to-score' && <Printed />}
    </aside>
  );
}

/** Which tempos stand on the page; all of them are played. */
function Printed() {
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const tempos = useWorkspace((state) => state.summary!.tempos);
  const { tempoPrint, tempoTolerance } = settingsOf(ledger);
  const shown = tempos.filter((mark) => mark.shown).length;
  return (
    <>
      <h2>Printed tempos</h2>
      <Select<TempoPrint>
        size="small"
        aria-label="Metronome marks"
        value={tempoPrint}
        onChange={(which) => decide({ kind: 'printTempo', which })}
        options={[
          { value: 'all', label: 'simplified' },
          { value: 'sections', label: 'first in each section' },
          { value: 'first', label: 'first only' },
          { value: 'none', label: 'none' },
        ]}
      />
      <label>
        Tolerance
        <CommittedNumber
          key={tempoTolerance}
          value={tempoTolerance}
          min={0}
          max={1000}
          suffix="ms"
          label="Tolerance of printed tempos"
          onCommit={(tolerance) => decide({ kind: 'printTempo', tolerance })}
        />
      </label>
      <p className="soft">
        {shown} of {tempos.length} tempo changes {shown === 1 ? 'is' : 'are'} printed; all are played.
      </p>
    </>
  );
}
