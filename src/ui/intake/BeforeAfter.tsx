'use client';

import { SoundOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { byStart, play, stopPlaying } from '@/sound/player';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../job/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import styles from '../shared/sequencing.module.css';
import type { ControllerPair } from '@/core/engine';

const BARS = 4;

/** The same bars as they arrived and as they leave, to be heard; a track's controllers before and after, to be seen. */
export function BeforeAfter({ track, bars }: { track: number | null; bars: number }) {
  const edition = useWorkspace((state) => state.edition);
  const [from, setFrom] = useState(1);
  const [sounding, setSounding] = useState<'received' | 'delivered' | null>(null);
  const [pairs, setPairs] = useState<ControllerPair[]>([]);
  useEffect(() => {
    let current = true;
    if (track !== null)
      void engineWorker()
        .controllersOf(track)
        .then((next) => current && setPairs(next));
    return () => {
      current = false;
    };
  }, [track, edition]);
  const hear = async (which: 'received' | 'delivered') => {
    if (sounding === which) {
      stopPlaying();
      setSounding(null);
      return;
    }
    const notes = await engineWorker().heardMidi(from - 1, from - 1 + BARS, which === 'delivered');
    setSounding(which);
    await play(byStart(notes), { onEnd: () => setSounding(null) });
  };
  return (
    <section aria-label="Before and after">
      <div className={styles.row}>
        <label>
          {BARS} bars from
          <CommittedNumber
            key={from}
            value={from}
            min={1}
            max={Math.max(1, bars)}
            label="First bar to hear"
            onCommit={setFrom}
          />
        </label>
        {(['received', 'delivered'] as const).map((which) => (
          <Button
            key={which}
            size="small"
            icon={<SoundOutlined />}
            type={sounding === which ? 'primary' : 'default'}
            onClick={() => void hear(which)}
          >
            as {which}
          </Button>
        ))}
      </div>
      {track !== null &&
        pairs.map(({ controller, before, after }) => (
          <figure key={controller} className={styles.pair}>
            <figcaption>
              controller {controller}{' '}
              <span className="soft">
                {before.length} → {after.length}
              </span>
            </figcaption>
            <ResponsiveContainer width="100%" height={62}>
              <LineChart margin={{ top: 4, right: 4, bottom: 0, left: 0 }}>
                <XAxis
                  dataKey="at"
                  type="number"
                  domain={['dataMin', 'dataMax']}
                  hide
                  allowDuplicatedCategory={false}
                />
                <YAxis domain={[0, 127]} hide />
                <Tooltip labelFormatter={(at) => `quarter ${Math.round(Number(at))}`} />
                <Line
                  data={before}
                  name="before"
                  type="stepAfter"
                  dataKey="value"
                  stroke="var(--saffron)"
                  dot={before.length < 3}
                  isAnimationActive={false}
                />
                <Line
                  data={after}
                  name="after"
                  type="stepAfter"
                  dataKey="value"
                  stroke="var(--teal)"
                  strokeDasharray="4 3"
                  dot={after.length < 3}
                  isAnimationActive={false}
                />
              </LineChart>
            </ResponsiveContainer>
          </figure>
        ))}
    </section>
  );
}
