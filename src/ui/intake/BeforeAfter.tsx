'use client';

import { say } from '@/core/words';
import { sayRich } from '@/ui/shared/sayRich';
import { useEffect, useState } from 'react';
import { Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { engineWorker } from '@/workers/engine-client';
import { AuditionBar } from '../audition/AuditionBar';
import { useHearing } from '../audition/useHearing';
import { useWorkspace } from '../workspace/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import styles from '../shared/sequencing.module.css';
import type { ControllerPair } from '@/core/engine';

/** The same bars as they arrived and as they leave, to be heard; a track's controllers before and after, to be seen. */
export function BeforeAfter({ track, bars }: { track: number | null; bars: number }) {
  const edition = useWorkspace((state) => state.edition);
  const startBar = useHearing((state) => state.startBar);
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
  return (
    <section aria-label={say('intake.beforeAndAfter')}>
      <label className={styles.row}>
        {say('intake.playFromBar')}
        <CommittedNumber
          key={startBar}
          value={startBar + 1}
          min={1}
          max={Math.max(1, bars)}
          label={say('intake.firstBarToPlay')}
          onCommit={(bar) => useHearing.setState({ startBar: bar - 1 })}
        />
      </label>
      <AuditionBar />
      {track !== null &&
        pairs.map(({ controller, before, after }) => (
          <figure key={controller} className={styles.pair}>
            <figcaption>
              {sayRich(
                'intake.controllerControllerBeforeAfter',
                {
                  controller,
                  before: before.length,
                  after: after.length,
                },
                { soft: (chunks) => <span className="soft">{chunks}</span> },
              )}
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
                <Tooltip labelFormatter={(at) => say('intake.quarterAt', { at: Math.round(Number(at)) })} />
                <Line
                  data={before}
                  name={say('intake.before')}
                  type="stepAfter"
                  dataKey="value"
                  stroke="var(--saffron)"
                  dot={before.length < 3}
                  isAnimationActive={false}
                />
                <Line
                  data={after}
                  name={say('intake.after')}
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
