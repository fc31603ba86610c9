'use client';

import { App, Button, Drawer, Select, Upload } from 'antd';
import { useEffect } from 'react';
import { forgetReference } from '@/storage/sounds';
import { useWorkspace } from '../workspace/workspace';
import { sentence } from '../shared/receive';
import { useOutput } from './output';
import { RECORDINGS, takeRecording } from './takeRecording';
import { useReference } from './useReference';
import styles from './audition.module.css';

const BANKS = '.sf2,.sf3,.dls,.sfogg';

/** What the job sounds with: the bank, a MIDI output, a recording to compare with. */
export function SoundsDrawer({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { bank, port, ports, look, takeBank, takeOwnBank, findPorts, playTo } = useOutput();
  const job = useWorkspace((state) => state.job);
  const reference = useReference();
  const { message } = App.useApp();
  useEffect(() => {
    if (open) void look();
  }, [open, look]);
  const tell = (work: Promise<unknown>) => void work.catch((error: unknown) => message.error(sentence(error)));
  const receive = (take: (file: File) => Promise<unknown>) => (file: File) => {
    tell(take(file));
    return false;
  };
  return (
    <Drawer title="Sounds" open={open} onClose={onClose} size={400}>
      <section className={styles.section} aria-label="Sound bank">
        <h3>Sound bank</h3>
        <p>{bank ?? 'Built-in General MIDI bank: simple synthetic sounds for checking.'}</p>
        <div className={styles.row}>
          <Upload
            accept={BANKS}
            showUploadList={false}
            beforeUpload={receive(async (file) => takeBank(file.name, await file.arrayBuffer()))}
          >
            <Button size="small">Choose a sound bank …</Button>
          </Upload>
          {bank && (
            <Button size="small" onClick={() => tell(takeOwnBank())}>
              Built-in bank
            </Button>
          )}
        </div>
        <p className="soft">SF2, SF3 or DLS. It is kept in this browser and goes nowhere else.</p>
      </section>
      <section className={styles.section} aria-label="MIDI output">
        <h3>MIDI output</h3>
        <div className={styles.row}>
          <Select<string>
            size="small"
            className={styles.port}
            aria-label="Plays to"
            value={port ?? ''}
            onChange={(id) => playTo(id || null)}
            options={[
              { value: '', label: 'the synthesizer of this page' },
              ...ports.map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
          <Button size="small" onClick={() => tell(findPorts())}>
            Look for outputs
          </Button>
        </div>
      </section>
      <section className={styles.section} aria-label="Recording">
        <h3>Recording to compare with</h3>
        <p>{reference ? reference.fileName : 'This job has no recording.'}</p>
        <div className={styles.row}>
          <Upload accept={RECORDINGS} showUploadList={false} beforeUpload={receive(takeRecording)}>
            <Button size="small">{reference ? 'Replace …' : 'Add a recording …'}</Button>
          </Upload>
          {reference && (
            <Button size="small" onClick={() => tell(forgetReference(job!.id))}>
              Remove
            </Button>
          )}
        </div>
        <p className="soft">
          Plays the same bars as the other versions; aligned with the bars at Proof. It stays in this browser and is not
          part of the archive.
        </p>
      </section>
    </Drawer>
  );
}
