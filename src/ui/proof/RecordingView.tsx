'use client';

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
      <Button size="small">{reference ? 'Replace …' : 'Add a recording …'}</Button>
    </Upload>
  );
  if (!reference || !job) {
    return (
      <div className={styles.nothing}>
        <h2>This job has no recording</h2>
        <p>A demo, a rough mix, a take: WAV, MP3 or OGG. It is shown over the bars and plays at the same place.</p>
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
    <section aria-label="Recording">
      <div className={styles.against}>
        <b>{reference.fileName}</b>
        {waveform && <span className="soft">{clock(waveform.seconds)}</span>}
        {offer}
        <Button size="small" disabled={!waveform} onClick={() => tell(fit())}>
          Align with the bars
        </Button>
        <label className={styles.offset}>
          The first bar begins after
          <CommittedNumber
            key={offset}
            value={Math.round(offset * 1000)}
            min={-600_000}
            max={3_600_000}
            suffix="ms"
            label="Offset of the recording"
            onCommit={(ms) => move(ms / 1000)}
          />
        </label>
      </div>
      {failure && <p className={styles.failure}>{failure}</p>}
      {!waveform && !failure && <Spin className={styles.spin} description="Reading the recording …" />}
      {waveform && bars && (
        <Waveform waveform={waveform} clock={bars} offset={offset} onMove={setMoving} onMoved={move} />
      )}
      <p className="soft">Drag the recording to align it. Choose it below to play it.</p>
    </section>
  );
}

/** As many bars as tell a place in a recording. */
const FITTED_BARS = 64;
