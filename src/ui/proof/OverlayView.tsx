'use client';

import { inList, say } from '@/core/words';
import { Spin, Table } from 'antd';
import { useEffect, useState } from 'react';
import type { PartId } from '@/core/base';
import type { NearUnison, Overlay, PartCompass } from '@/core/proof';
import { keyInWords } from '@/core/score';
import { beatInWords, QUARTER } from '@/core/time';
import { engineWorker } from '@/workers/engine-client';
import { BarWalk } from '../interlinear/BarWalk';
import { barsOnDesk, useWorkspace } from '../workspace/workspace';
import { sentence } from '../shared/receive';
import { openBar } from '../workspace/goToBar';
import { OnsetsChart } from './OnsetsChart';
import styles from './proof.module.css';

/** All parts laid over each other: who is off, who differs in one place, who has more than can be played. */
export function OverlayView() {
  const { overlay, failure } = useOverlay();
  if (failure) return <p className={styles.failure}>{failure}</p>;
  if (!overlay) return <Spin className={styles.spin} description={say('proof.comparingTheParts')} />;
  return (
    <>
      <BarWalk />
      <OnsetsChart rows={overlay.rows} />
      <div className={styles.columns}>
        <Compass compass={overlay.compass} />
        <NearUnisons found={overlay.nearUnisons} names={new Map(overlay.rows.map(({ part, name }) => [part, name]))} />
      </div>
    </>
  );
}

function useOverlay(): { overlay: Overlay | null; failure: string | null } {
  const edition = useWorkspace((state) => state.edition);
  const direction = useWorkspace((state) => state.direction);
  const [state, setState] = useState<{ overlay: Overlay | null; failure: string | null }>({
    overlay: null,
    failure: null,
  });
  useEffect(() => {
    let current = true;
    engineWorker()
      .overlay()
      .then((overlay) => current && setState({ overlay, failure: null }))
      .catch((error: unknown) => current && setState({ overlay: null, failure: sentence(error) }));
    return () => {
      current = false;
    };
  }, [edition, direction]);
  return state;
}

function Compass({ compass }: { compass: readonly PartCompass[] }) {
  const bars = useWorkspace(barsOnDesk);
  const inBar = (bar: number) => say('proof.barBars', { bars: bars[bar]?.number ?? bar + 1 });
  const end = (note: PartCompass['lowest']) => note && <span title={inBar(note.bar)}>{keyInWords(note.key)}</span>;
  return (
    <section aria-label={say('proof.compass')}>
      <h3>{say('proof.rangeOfEachPart')}</h3>
      <Table<PartCompass>
        size="small"
        rowKey="part"
        pagination={false}
        dataSource={[...compass]}
        columns={[
          { title: say('proof.part'), dataIndex: 'name' },
          { title: say('proof.lowest'), render: (_, { lowest }) => end(lowest) },
          { title: say('proof.highest'), render: (_, { highest }) => end(highest) },
          {
            title: say('proof.outOfRange'),
            dataIndex: 'outOfRange',
            align: 'right',
            render: (n: number) => (n > 0 ? <b className={styles.doubt}>{n}</b> : ''),
          },
          {
            title: say('proof.maxPolyphony'),
            align: 'right',
            render: (_, { atOnce, playable }) => (
              <span
                className={playable !== null && atOnce.notes > playable ? styles.doubt : undefined}
                title={
                  playable === null
                    ? inBar(atOnce.bar)
                    : say('proof.onePlayerPlaysPlayableMostInBar', { playable, inBar: inBar(atOnce.bar) })
                }
              >
                {atOnce.notes}
              </span>
            ),
          },
        ]}
      />
    </section>
  );
}

function NearUnisons({ found, names }: { found: readonly NearUnison[]; names: ReadonlyMap<PartId, string> }) {
  const bars = useWorkspace(barsOnDesk);
  const beats = (places: readonly number[]) => places.map((place) => beatWords(place)).join(', ');
  const words = ({ part, from, only, missing }: NearUnison) => {
    const others = from.map((id) => names.get(id) ?? id).join(', ');
    const has = only.length > 0 ? say('proof.playsBeats', { beats: beats(only) }) : '';
    const lacks = missing.length > 0 ? say('proof.doesNotPlayBeats', { beats: beats(missing) }) : '';
    return say('proof.namesValueUnlikeOthers', {
      names: names.get(part) ?? part,
      value: inList([has, lacks].filter(Boolean)),
      others,
    });
  };
  return (
    <section aria-label={say('proof.nearlyTogether')}>
      <h3>{say('proof.almostTogether')}</h3>
      {found.length === 0 && <p className="soft">{say('proof.partsThatMoveTogetherDoSoInEvery')}</p>}
      <ul className={styles.unisons}>
        {found.map((one) => (
          <li key={`${one.bar}/${one.part}`}>
            <button type="button" onClick={() => openBar(one.bar, [one.part, ...one.from])}>
              {say('proof.barBars', { bars: bars[one.bar]?.number ?? '' })}
            </button>{' '}
            {words(one)}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Quarters of the bar from 1, to hundredths. */
function beatWords(place: number): string {
  const words = beatInWords(1 + place / QUARTER);
  return words.startsWith('beat') ? say('proof.onWords', { words }) : words;
}
