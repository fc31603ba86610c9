'use client';

import type { TrackId } from '@/core/base';
import { CloseOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { TrackDetail } from '@/core/performance';
import { keyInWords } from '@/core/score';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import { sentence } from '../shared/receive';
import { count, percent } from '../shared/words';
import { PianoRoll } from './PianoRoll';
import pane from '../shared/pane.module.css';
import styles from './intake.module.css';

const CONTROLLER_NAMES: Record<number, string> = {
  0: 'bank',
  1: 'modulation',
  7: 'channel volume',
  10: 'pan',
  11: 'expression',
  32: 'bank, fine',
  64: 'sustain',
  91: 'reverb send',
  93: 'chorus send',
  120: 'all sound off',
  121: 'reset all controllers',
  123: 'all notes off',
};

/** One track close up: its notes over the whole piece, its controllers, what the name was taken to mean. */
export function TrackDetailPane({ track, onClose }: { track: TrackId; onClose: () => void }) {
  const [detail, setDetail] = useState<TrackDetail | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const bars = useWorkspace((state) => state.summary!.bars);
  const survey = useWorkspace((state) => state.opened!.survey.tracks.find((candidate) => candidate.id === track));

  useEffect(() => {
    let current = true;
    engineWorker()
      .track(track)
      .then((result) => current && setDetail(result))
      .catch((error) => current && setFailure(sentence(error)));
    return () => {
      current = false;
    };
  }, [track]);

  if (!survey) return null;
  const best = survey.recognition.candidates[0];
  const end = bars.at(-1)!.start + bars.at(-1)!.length;
  const barOf = (at: number) => bars.findLast((bar) => bar.start <= at)?.number ?? 1;
  return (
    <section className={pane.pane} aria-label={`Track ${survey.index + 1}`}>
      <header className={pane.head}>
        <h2>{survey.name || `Track ${survey.index + 1}`}</h2>
        <span className={`soft ${pane.grow}`}>
          {count(survey.notes, 'note', 'notes')}
          {survey.firstBar !== null &&
            `, bars ${survey.firstBar}–${survey.lastBar}, sounding ${percent(survey.soundingShare)} of the time`}
          {survey.maxAtOnce > 1 && `, up to ${survey.maxAtOnce} notes at once`}
          {survey.velocity && `, velocity ${survey.velocity.lowest}–${survey.velocity.highest}`}
          {survey.notes > 0 &&
            `, on eighths ${percent(survey.onGrid.eighths)}, sixteenths ${percent(survey.onGrid.sixteenths)}, triplets ${percent(survey.onGrid.triplets)}`}
        </span>
        <Button type="text" size="small" aria-label="Close" icon={<CloseOutlined />} onClick={onClose} />
      </header>
      {best && <p className="soft">Recognized because: {best.evidence.join(' · ')}.</p>}
      {failure && <p className={styles.unsure}>{failure}</p>}
      {detail?.id === track && detail.notes.length > 0 && <PianoRoll detail={detail} bars={bars} />}
      {detail?.id === track && (
        <div className={styles.controllers}>
          {detail.controllers.map(({ controller, points }) => {
            const fact = survey.controllers.find((candidate) => candidate.controller === controller)!;
            return (
              <figure key={controller}>
                <figcaption>
                  <b>{controller}</b> {CONTROLLER_NAMES[controller] ?? ''}{' '}
                  <span className="soft">
                    {count(fact.count, 'event', 'events')},{' '}
                    {fact.lowest === fact.highest ? fact.lowest : `${fact.lowest}–${fact.highest}`}
                  </span>
                </figcaption>
                <ResponsiveContainer width="100%" height={64}>
                  <LineChart data={points} margin={{ top: 4, right: 4, bottom: 0, left: 0 }}>
                    <XAxis dataKey="at" type="number" domain={[0, end]} hide />
                    <YAxis domain={[0, 127]} hide />
                    <Tooltip
                      labelFormatter={(at) => `bar ${barOf(Number(at))}`}
                      formatter={(value) => [value, 'value']}
                    />
                    <Line
                      type="stepAfter"
                      dataKey="value"
                      stroke="var(--saffron)"
                      dot={points.length < 40 ? { r: 1.5 } : false}
                      isAnimationActive={false}
                    />
                  </LineChart>
                </ResponsiveContainer>
              </figure>
            );
          })}
          {survey.keyswitches.length > 0 && (
            <p>Perhaps keyswitches: {survey.keyswitches.map(keyInWords).join(', ')}.</p>
          )}
        </div>
      )}
    </section>
  );
}
