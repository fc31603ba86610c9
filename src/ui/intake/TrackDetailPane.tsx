'use client';

import type { Opened } from '@/core/engine';
import { say } from '@/core/words';
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
import { percent } from '../shared/words';
import { PianoRoll } from './PianoRoll';
import pane from '../shared/pane.module.css';
import styles from './intake.module.css';

const CONTROLLER_NAMES: Record<number, string> = {
  get 0() {
    return say('intake.bank');
  },
  get 1() {
    return say('intake.modulation');
  },
  get 7() {
    return say('intake.channelVolume');
  },
  get 10() {
    return say('intake.pan');
  },
  get 11() {
    return say('intake.expression');
  },
  get 32() {
    return say('intake.bankFine');
  },
  get 64() {
    return say('intake.sustain');
  },
  get 91() {
    return say('intake.reverbSend');
  },
  get 93() {
    return say('intake.chorusSend');
  },
  get 120() {
    return say('intake.allSoundOff');
  },
  get 121() {
    return say('intake.resetAllControllers');
  },
  get 123() {
    return say('intake.allNotesOff');
  },
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
    <section className={pane.pane} aria-label={say('intake.trackIndex', { index: survey.index + 1 })}>
      <header className={pane.head}>
        <h2>{survey.name || say('intake.trackIndex', { index: survey.index + 1 })}</h2>
        <span className={`soft ${pane.grow}`}>{factsOf(survey).join(', ')}</span>
        <Button type="text" size="small" aria-label={say('intake.close')} icon={<CloseOutlined />} onClick={onClose} />
      </header>
      {best && (
        <p className="soft">{say('intake.recognizedBecauseEvidence', { evidence: best.evidence.join(' · ') })}</p>
      )}
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
                    {say('intake.event2', { count: fact.count })},{' '}
                    {fact.lowest === fact.highest ? fact.lowest : `${fact.lowest}–${fact.highest}`}
                  </span>
                </figcaption>
                <ResponsiveContainer width="100%" height={64}>
                  <LineChart data={points} margin={{ top: 4, right: 4, bottom: 0, left: 0 }}>
                    <XAxis dataKey="at" type="number" domain={[0, end]} hide />
                    <YAxis domain={[0, 127]} hide />
                    <Tooltip
                      labelFormatter={(at) => say('intake.barBarOf', { barOf: barOf(Number(at)) })}
                      formatter={(value) => [value, say('intake.value')]}
                    />
                    <Line
                      type="stepAfter"
                      dataKey={say('intake.value')}
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
            <p>
              {say('intake.perhapsKeyswitchesKeyswitches', {
                keyswitches: survey.keyswitches.map(keyInWords).join(', '),
              })}
            </p>
          )}
        </div>
      )}
    </section>
  );
}

/** One after the other: how many, where, how loud, on which grid. */
function factsOf(survey: Opened['survey']['tracks'][number]): string[] {
  const { notes, firstBar, lastBar, maxAtOnce, velocity, onGrid } = survey;
  const facts = [say('intake.note', { notes })];
  if (firstBar !== null)
    facts.push(
      say('intake.barsFirstBarLastBarSounding', {
        firstBar,
        lastBar: lastBar ?? '',
        soundingShare: percent(survey.soundingShare),
      }),
    );
  if (maxAtOnce > 1) facts.push(say('intake.upToMaxAtOnceNotesAtOnce', { maxAtOnce }));
  if (velocity) facts.push(say('intake.velocityLowestHighest', { lowest: velocity.lowest, highest: velocity.highest }));
  if (notes > 0)
    facts.push(
      say('intake.onEighthsEighthsSixteenths', {
        eighths: percent(onGrid.eighths),
        sixteenths: percent(onGrid.sixteenths),
        triplets: percent(onGrid.triplets),
      }),
    );
  return facts;
}
