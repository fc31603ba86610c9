'use client';

import { say } from '@/core/words';
import { App, Button, Spin, Upload } from 'antd';
import { useState } from 'react';
import { fitRecording } from '@/core/hearing';
import { moveReference } from '@/storage/sounds';
import { engineWorker } from '@/workers/engine-client';
import { RECORDINGS, takeRecording } from '../audition/takeRecording';
import { useReference } from '../audition/useReference';
import { useWorkspace } from '../workspace/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import { sentence } from '../shared/receive';
import { clock } from '../shared/words';
import { useWaveform } from './useWaveform';
import { Waveform } from './Waveform';
import styles from './proof.module.css';

/** A recording over the bars: moved until it fits, then heard in turn with the other versions. */
export function RecordingView() {
  const reference = useReference();
  const job = useWorkspace((state) => state.job);
  const direction = useWorkspace((state) => state.direction);
  const { message } = App.useApp();
  const { waveform, bars, failure } = useWaveform(reference);
  // While it is dragged.
  const [moving, setMoving] = useState<number | null>(null);
  const tell = (work: Promise<unknown>) => void work.catch((error: unknown) => message.error(sentence(error)));
  const offer = (
    <Upload
      accept={RECORDINGS}
      showUploadList={false}
      beforeUpload={(file) => {
        tell(takeRecording(file));
        return false;
      }}
    >
      <Button size="small">{say('proof.replace', { reference: Boolean(reference) })}</Button>
    </Upload>
  );
  if (!reference || !job) {
    return (
      <div className={styles.nothing}>
        <h2>{say('proof.thisJobHasNoRecording')}</h2>
        <p>{say('proof.aDemoARoughMixATakeWAVMP3OrOGGItIs')}</p>
        {offer}
      </div>
    );
  }
  const move = (offset: number) => tell(moveReference(job.id, offset).then(() => setMoving(null)));
  const fit = async () => {
    const { notes, bars: heard } = await engineWorker().hear(direction === 'to-score' ? 'received' : 'delivered', {
      from: { bar: 0, pass: 0 },
      bars: FITTED_BARS,
      parts: [],
      click: false,
    });
    const first = heard[0]!.at;
    const found = fitRecording(
      waveform!.strength,
      notes.map(({ at }) => at - first),
    );
    if (found === null) throw new Error('No clear match with these bars was found. Drag the recording to align it.');
    await moveReference(job.id, found);
  };
  const offset = moving ?? reference.offset;
  return (
    <section aria-label={say('proof.recording')}>
      <div className={styles.against}>
        <b>{reference.fileName}</b>
        {waveform && <span className="soft">{clock(waveform.seconds)}</span>}
        {offer}
        <Button size="small" disabled={!waveform} onClick={() => tell(fit())}>
          {say('proof.alignWithTheBars')}
        </Button>
        <label className={styles.offset}>
          {say('proof.theFirstBarBeginsAfter')}
          <CommittedNumber
            key={offset}
            value={Math.round(offset * 1000)}
            min={-600_000}
            max={3_600_000}
            suffix={say('proof.ms')}
            label={say('proof.offsetOfTheRecording')}
            onCommit={(ms) => move(ms / 1000)}
          />
        </label>
      </div>
      {failure && <p className={styles.failure}>{failure}</p>}
      {!waveform && !failure && <Spin className={styles.spin} description={say('proof.readingTheRecording')} />}
      {waveform && bars && (
        <Waveform waveform={waveform} clock={bars} offset={offset} onMove={setMoving} onMoved={move} />
      )}
      <p className="soft">{say('proof.dragTheRecordingToAlignItChooseIt')}</p>
    </section>
  );
}

/** As many bars as tell a place in a recording. */
const FITTED_BARS = 64;
