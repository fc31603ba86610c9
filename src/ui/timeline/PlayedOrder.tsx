'use client';

import { Button, Checkbox, Select, Switch, Table } from 'antd';
import { useWorkspace } from '../job/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import { clock, count } from '../shared/words';
import { useScoreSequence } from '../shared/useSequence';
import styles from '../shared/sequencing.module.css';

/** Bars in the order they are played, tempo changes, and what of the piece is wanted. */
export function PlayedOrder() {
  const { sequence, settings } = useScoreSequence();
  const decide = useWorkspace((state) => state.decide);
  const { bars, order } = sequence;
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
  const wanted = settings.onlyParts ?? sequence.parts.map((part) => part.id);
  const drumsAndBass = sequence.parts
    .filter((part) => part.unpitched || /bass|kontrabass|contrabass/i.test(`${part.instrument} ${part.name}`))
    .map((part) => part.id);
  return (
    <div className={styles.sheet}>
      <div className={styles.columns}>
        <section aria-label="Order of bars">
          <h2>As it is played</h2>
          <p>
            {count(order.length, 'bar', 'bars')}, {clock(sequence.seconds)}
            {sequence.signs > 0 ? ', repeats and jumps carried out' : ', no repeats or jumps'}
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
              Repeats played
              <Switch
                size="small"
                aria-label="Repeats played"
                checked={settings.playRepeats}
                onChange={(playRepeats) => decide({ kind: 'setSequencing', playRepeats })}
              />
            </label>
            <label>
              Pickup padded to a full bar
              <Switch
                size="small"
                aria-label="Pickup padded"
                disabled={!bars[0]!.implicit}
                checked={settings.padPickup}
                onChange={(padPickup) => decide({ kind: 'setSequencing', padPickup })}
              />
            </label>
          </div>
          <h2>Only some of it</h2>
          <div className={styles.settings}>
            <label>
              Bars
              <span className={styles.group}>
                <CommittedNumber
                  key={`a${range.from}`}
                  value={range.from + offset}
                  min={offset}
                  max={bars.at(-1)!.number}
                  label="First bar wanted"
                  onCommit={(number) => setRange(number - offset, range.to)}
                />
                –
                <CommittedNumber
                  key={`b${range.to}`}
                  value={range.to - 1 + offset}
                  min={offset}
                  max={bars.at(-1)!.number}
                  label="Last bar wanted"
                  onCommit={(number) => setRange(range.from, number - offset + 1)}
                />
                <Button
                  size="small"
                  disabled={settings.onlyBars === null}
                  onClick={() => decide({ kind: 'setSequencing', onlyBars: null })}
                >
                  all
                </Button>
              </span>
            </label>
            <label>
              Files
              <Select
                size="small"
                aria-label="Files"
                value={settings.files}
                onChange={(files) => decide({ kind: 'setSequencing', files })}
                options={[
                  { value: 'one', label: 'one file' },
                  { value: 'parts', label: 'one for each part' },
                  { value: 'sections', label: 'one for each section' },
                ]}
              />
            </label>
          </div>
          <p className="soft">A file always ends on a barline, so that it loops.</p>
          <div className={styles.group}>
            <Button
              size="small"
              disabled={settings.onlyParts === null}
              onClick={() => decide({ kind: 'setSequencing', onlyParts: null })}
            >
              All parts
            </Button>
            <Button
              size="small"
              disabled={drumsAndBass.length === 0}
              onClick={() => decide({ kind: 'setSequencing', onlyParts: drumsAndBass })}
            >
              Drums and bass only
            </Button>
          </div>
          <ul className={styles.wanted}>
            {sequence.parts.map((part) => (
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
        </section>
        <section aria-label="Tempo, meters, markers">
          <h2>Tempo, meters, markers</h2>
          <Table
            size="small"
            rowKey="id"
            pagination={false}
            scroll={{ y: 560 }}
            dataSource={changes(sequence)}
            columns={[
              {
                title: 'Bar',
                dataIndex: 'bar',
                width: 60,
                render: (bar: number) => <b className={styles.number}>{bar}</b>,
              },
              { title: 'Beat', dataIndex: 'beat', width: 60 },
              { title: 'What', dataIndex: 'what' },
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
      .map((bar) => ({ at: bar.start, what: `${bar.meter.beats}/${bar.meter.beatType}` })),
    ...tempos.map((tempo) => ({
      at: tempo.at,
      what: `♩ = ${Math.round(tempo.bpm * 10) / 10}${tempo.words ? `, ${tempo.words}` : ''}`,
    })),
    ...markers.map((marker) => ({ at: marker.at, what: marker.text })),
    ...(keys[0] ? [{ at: 0, what: keys[0] }] : []),
  ];
  return rows.sort((a, b) => a.at - b.at).map((row, id) => ({ id, what: row.what, ...place(row.at) }));
}
