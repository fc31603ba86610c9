'use client';

import { say } from '@/core/words';
import { Switch, Table } from 'antd';
import { meterInWords } from '@/core/time';
import { useWorkspace } from '../workspace/workspace';
import { clock } from '../shared/words';
import { useScoreSequence } from '../workspace/useSequence';
import { OnlySome } from './OnlySome';
import { PickupSwitch } from './PickupSwitch';
import styles from '../shared/sequencing.module.css';

/** Bars in the order they are played, tempo changes, and what of the piece is wanted. */
export function PlayedOrder() {
  const { sequence, settings } = useScoreSequence();
  const decide = useWorkspace((state) => state.decide);
  const { bars, order } = sequence;
  return (
    <div className={styles.sheet}>
      <div className={styles.columns}>
        <section aria-label={say('timeline.orderOfBars')}>
          <h2>{say('timeline.playingOrder')}</h2>
          <p>
            {say('timeline.barSecondsRepeatsAndJumpsCarried', {
              order: order.length,
              seconds: clock(sequence.seconds),
              sequenceSignsOver0: sequence.signs > 0,
            })}
          </p>
          <p className={styles.order}>
            {runs(order)
              .map(([from, to]) =>
                from === to ? String(bars[from]!.number) : `${bars[from]!.number}–${bars[to]!.number}`,
              )
              .join('  ·  ')}
          </p>
          <div className={styles.settings}>
            <label>
              {say('timeline.repeatsPlayed')}
              <Switch
                size="small"
                aria-label={say('timeline.repeatsPlayed')}
                checked={settings.playRepeats}
                onChange={(playRepeats) => decide({ kind: 'setSequencing', playRepeats })}
              />
            </label>
            <PickupSwitch />
          </div>
          <OnlySome />
        </section>
        <section aria-label={say('timeline.tempoMetersMarkers')}>
          <h2>{say('timeline.tempoMetersMarkers')}</h2>
          <Table
            size="small"
            rowKey="id"
            pagination={false}
            scroll={{ y: 560 }}
            dataSource={changes(sequence)}
            columns={[
              {
                title: say('timeline.bar2'),
                dataIndex: 'bar',
                width: 60,
                render: (bar: number) => <b className={styles.number}>{bar}</b>,
              },
              { title: say('timeline.beat'), dataIndex: 'beat', width: 60 },
              { title: say('timeline.what'), dataIndex: 'what' },
            ]}
          />
        </section>
      </div>
    </div>
  );
}

/** Runs of bars that follow each other. */
function runs(order: readonly number[]): [number, number][] {
  const found: [number, number][] = [];
  for (const bar of order) {
    const last = found.at(-1);
    if (last && last[1] === bar - 1) last[1] = bar;
    else found.push([bar, bar]);
  }
  return found;
}

function changes({ bars, tempos, markers, keys }: ReturnType<typeof useScoreSequence>['sequence']) {
  const place = (at: number) => {
    const bar = bars.findLast((one) => one.start <= at) ?? bars[0]!;
    return { bar: bar.number, beat: Math.round((1 + ((at - bar.start) * bar.meter.beatType) / 40320) * 100) / 100 };
  };
  const rows = [
    ...bars
      .filter(
        (bar, i) =>
          i === 0 || bar.meter.beats !== bars[i - 1]!.meter.beats || bar.meter.beatType !== bars[i - 1]!.meter.beatType,
      )
      .map((bar) => ({ at: bar.start, what: meterInWords(bar.meter) })),
    ...tempos.map((tempo) => ({
      at: tempo.at,
      what: `♩ = ${Math.round(tempo.bpm * 10) / 10}${tempo.words ? `, ${tempo.words}` : ''}`,
    })),
    ...markers.map((marker) => ({ at: marker.at, what: marker.text })),
    ...(keys[0] ? [{ at: 0, what: keys[0] }] : []),
  ];
  return rows.sort((a, b) => a.at - b.at).map((row, id) => ({ id, what: row.what, ...place(row.at) }));
}
