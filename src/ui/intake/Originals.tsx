'use client';

import { PlusOutlined } from '@ant-design/icons';
import { App, Button, Upload } from 'antd';
import { addOriginal } from '@/storage/jobs';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../job/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import { receivedFile, sentence } from '../shared/receive';
import { bytesInWords } from '../shared/words';
import styles from './intake.module.css';
import { settingsOf } from '@/core/documents';

/** The parts of a further score begin where the first one does. */
const isScoreName = (fileName: string) => /\.(?:musicxml|mxl|xml)$/i.test(fileName);

/** The job's originals, and where each further one begins. */
export function Originals() {
  const { message } = App.useApp();
  const job = useWorkspace((state) => state.job)!;
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const open = useWorkspace((state) => state.open);
  const { offsets } = settingsOf(ledger);

  async function take(file: File) {
    try {
      const received = await receivedFile(file);
      await engineWorker().check(received.bytes, file.name);
      await addOriginal(job.id, received);
      await open(job.id, true);
    } catch (error) {
      message.error(`${file.name}: ${sentence(error)}`, 8);
    }
  }

  return (
    <div className={styles.originals}>
      {job.originals.length > 1 &&
        job.originals.map((original, i) => (
          <div key={`${original.sha256}${i}`} className={styles.original}>
            <b>{i + 1}</b>
            <span>
              {original.fileName} <span className="soft">{bytesInWords(original.size)}</span>
            </span>
            {i === 0 || isScoreName(original.fileName) ? (
              <span className="soft">begins at bar 1</span>
            ) : (
              <label>
                begins at bar{' '}
                <CommittedNumber
                  key={offsets[i + 1] ?? 0}
                  value={(offsets[i + 1] ?? 0) + 1}
                  min={1}
                  max={10_000}
                  label={`First bar of ${original.fileName}`}
                  onCommit={(bar) => decide({ kind: 'placeOriginal', original: i + 1, bars: bar - 1 })}
                />
              </label>
            )}
          </div>
        ))}
      <Upload
        accept=".mid,.midi,.smf,.kar,.rmi,.musicxml,.mxl,.xml"
        showUploadList={false}
        beforeUpload={(file) => {
          void take(file);
          return false;
        }}
      >
        <Button size="small" icon={<PlusOutlined />}>
          Add a file to this job
        </Button>
      </Upload>
    </div>
  );
}
