'use client';

import { SoundOutlined } from '@ant-design/icons';
import { App, Button, Progress, Segmented, Select } from 'antd';
import { useRef, useState } from 'react';
import type { HearingVersion } from '@/core/engine';
import { VERSIONS, VERSION_WORDS } from '../audition/versions';
import { useWorkspace } from '../job/workspace';
import { sentence } from '../shared/receive';
import { makeSound, type SoundFiles as What, type SoundWish } from './makeSound';
import styles from './dispatch.module.css';

/** The job as sound: a mix, one file a part, the click. */
export function SoundFiles() {
  const { message } = App.useApp();
  const kind = useWorkspace((state) =>
    state.direction === 'to-score' ? 'to-score' : (state.sequence?.kind ?? 'score'),
  );
  const [wish, setWish] = useState<SoundWish>({ what: 'mix', version: 'delivered', sampleRate: 48000 });
  const [progress, setProgress] = useState<{ words: string; share: number } | null>(null);
  const running = useRef<AbortController | null>(null);
  const change = (to: Partial<SoundWish>) => setWish((now) => ({ ...now, ...to }));
  const make = async () => {
    const controller = new AbortController();
    running.current = controller;
    try {
      const name = await makeSound(
        wish,
        (words, share) => {
          // What was on its way when it was stopped is not shown any more.
          if (!controller.signal.aborted) setProgress({ words, share });
        },
        controller.signal,
      );
      void message.success(`${name} handed to the browser`);
    } catch (error) {
      if (!controller.signal.aborted) void message.error(sentence(error));
    } finally {
      setProgress(null);
    }
  };
  return (
    <section className={styles.choice} aria-label="Sound files">
      <div>
        <h2>Sound</h2>
        <p>WAV, 16 bits in stereo, with the sound bank that is chosen under “Sounds”.</p>
        <div className={styles.group}>
          <Segmented<What>
            size="small"
            aria-label="Sound files wanted"
            value={wish.what}
            onChange={(what) => change({ what })}
            options={[
              { value: 'mix', label: 'Mix' },
              { value: 'parts', label: 'Mix and every part', disabled: kind === 'midi' },
              { value: 'click', label: 'Click' },
            ]}
          />
          <Select<HearingVersion>
            size="small"
            aria-label="Version of the sound"
            value={wish.version}
            onChange={(version) => change({ version })}
            options={VERSIONS[kind].map((value) => ({ value, label: `as ${VERSION_WORDS[value].label}` }))}
          />
          <Select<SoundWish['sampleRate']>
            size="small"
            aria-label="Sample rate"
            value={wish.sampleRate}
            onChange={(sampleRate) => change({ sampleRate })}
            options={[
              { value: 48000, label: '48 kHz' },
              { value: 44100, label: '44.1 kHz' },
            ]}
          />
        </div>
        {progress && (
          <div className={styles.making} aria-live="polite">
            <span className="soft">{progress.words}</span>
            <Progress percent={Math.round(progress.share * 100)} size="small" />
          </div>
        )}
      </div>
      <div className={styles.buttons}>
        {progress ? (
          <Button onClick={() => running.current?.abort()}>Stop</Button>
        ) : (
          <Button icon={<SoundOutlined />} onClick={() => void make()}>
            Make WAV
          </Button>
        )}
      </div>
    </section>
  );
}
