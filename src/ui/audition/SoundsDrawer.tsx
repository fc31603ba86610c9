'use client';

import { say } from '@/core/words';
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
    <Drawer title={say('audition.sounds')} open={open} onClose={onClose} size={400}>
      <section className={styles.section} aria-label={say('audition.soundBank')}>
        <h3>{say('audition.soundBank')}</h3>
        <p>{bank ?? say('audition.builtInGeneralMIDIBankSimple')}</p>
        <div className={styles.row}>
          <Upload
            accept={BANKS}
            showUploadList={false}
            beforeUpload={receive(async (file) => takeBank(file.name, await file.arrayBuffer()))}
          >
            <Button size="small">{say('audition.chooseASoundBank')}</Button>
          </Upload>
          {bank && (
            <Button size="small" onClick={() => tell(takeOwnBank())}>
              {say('audition.builtInBank')}
            </Button>
          )}
        </div>
        <p className="soft">{say('audition.sF2SF3OrDLSItIsKeptInThisBrowser')}</p>
      </section>
      <section className={styles.section} aria-label={say('audition.mIDIOutput')}>
        <h3>{say('audition.mIDIOutput')}</h3>
        <div className={styles.row}>
          <Select<string>
            size="small"
            className={styles.port}
            aria-label={say('audition.playsTo')}
            value={port ?? ''}
            onChange={(id) => playTo(id || null)}
            options={[
              { value: '', label: say('audition.theSynthesizerOfThisPage') },
              ...ports.map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
          <Button size="small" onClick={() => tell(findPorts())}>
            {say('audition.lookForOutputs')}
          </Button>
        </div>
      </section>
      <section className={styles.section} aria-label={say('audition.recording')}>
        <h3>{say('audition.recordingToCompareWith')}</h3>
        <p>{reference ? reference.fileName : say('audition.thisJobHasNoRecording')}</p>
        <div className={styles.row}>
          <Upload accept={RECORDINGS} showUploadList={false} beforeUpload={receive(takeRecording)}>
            <Button size="small">{say('audition.replace', { reference: Boolean(reference) })}</Button>
          </Upload>
          {reference && (
            <Button size="small" onClick={() => tell(forgetReference(job!.id))}>
              {say('audition.remove')}
            </Button>
          )}
        </div>
        <p className="soft">{say('audition.playsTheSameBarsAsTheOtherVersions')}</p>
      </section>
    </Drawer>
  );
}
