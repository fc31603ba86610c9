'use client';

import { say } from '@/core/words';
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
    <aside className={styles.panel} aria-label={say('timeline.bars')}>
      <h2>{say('timeline.bars')}</h2>
      <label>
        {say('timeline.startingAtBar')}
        <CommittedNumber
          key={place.index}
          value={place.number}
          min={bars[0]!.number}
          max={bars.at(-1)!.number}
          label={say('timeline.startingAtBar')}
          onCommit={(number) => setChosen(bars.find((bar) => bar.number === number)?.index ?? null)}
        />
      </label>
      {!metersFixed && (
        <>
          <label>
            {say('timeline.meterSequence')}
            <MeterInput
              key={`${place.index}/${meterInWords(place.meter)}`}
              value={[]}
              label={say('timeline.meterSequence')}
              onCommit={(meters) => decide({ kind: 'setMeters', from: place.written, to: null, meters: [...meters] })}
            />
          </label>
          <div className={styles.buttons}>
            <Button size="small" onClick={() => shift(-beat)}>
              {say('timeline.barlinesABeatEarlier')}
            </Button>
            <Button size="small" onClick={() => shift(beat)}>
              {say('timeline.barlinesABeatLater')}
            </Button>
          </div>
          <p className="soft">{say('timeline.notesStayWhereTheyAreOnlyTheBars')}</p>
        </>
      )}
      <h2>{say('timeline.barNumbers')}</h2>
      <label>
        {say('timeline.barPlaceIsCalled', { place: place.number })}
        <CommittedNumber
          key={`n${place.index}/${place.number}`}
          value={place.number}
          min={-999}
          max={99_999}
          label={say('timeline.barNumber')}
          onCommit={(number) => decide({ kind: 'numberBar', at: place.written, number })}
        />
      </label>
      <div className={styles.buttons}>
        <Button
          size="small"
          onClick={() => decide({ kind: 'numberBar', at: bars[0]!.written, number: 1 - place.index })}
        >
          {say('timeline.makeThisBar1')}
        </Button>
        <Button size="small" onClick={() => decide({ kind: 'numberBar', at: place.written, number: null })}>
          {say('timeline.continueNumbering')}
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
      <h2>{say('timeline.printedTempos')}</h2>
      <Select<TempoPrint>
        size="small"
        aria-label={say('timeline.metronomeMarks')}
        value={tempoPrint}
        onChange={(which) => decide({ kind: 'printTempo', which })}
        options={[
          { value: 'all', label: say('timeline.simplified') },
          { value: 'sections', label: say('timeline.firstInEachSection') },
          { value: 'first', label: say('timeline.firstOnly') },
          { value: 'none', label: say('timeline.none') },
        ]}
      />
      <label>
        {say('timeline.tolerance')}
        <CommittedNumber
          key={tempoTolerance}
          value={tempoTolerance}
          min={0}
          max={1000}
          suffix={say('timeline.ms')}
          label={say('timeline.toleranceOfPrintedTempos')}
          onCommit={(tolerance) => decide({ kind: 'printTempo', tolerance })}
        />
      </label>
      <p className="soft">{say('timeline.shownOfTemposTempoChangesIsPrinted', { shown, tempos: tempos.length })}</p>
    </>
  );
}
