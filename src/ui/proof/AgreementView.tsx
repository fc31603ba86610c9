'use client';

import { Button, Segmented, Spin, Upload } from 'antd';
import { useState } from 'react';
import { useWorkspace } from '../job/workspace';
import { AgreementMap } from './AgreementMap';
import { Differences } from './Differences';
import { DriftChart } from './DriftChart';
import { PartCounts } from './PartCounts';
import { useAgreement, type OtherFile } from './useAgreement';
import styles from './proof.module.css';

const ENDINGS = '.mid,.midi,.smf,.kar,.rmi,.musicxml,.mxl,.xml';

/** What the original and what leaves the house have in common: in a sentence, on a map, note by note. */
export function AgreementView() {
  const direction = useWorkspace((state) => state.direction);
  const [other, setOther] = useState<OtherFile | null>(null);
  const [part, setPart] = useState<number | null>(null);
  const { agreement, failure } = useAgreement(other);
  const made = direction === 'to-score' ? 'The score, played' : 'What goes out';
  return (
    <>
      <header className={styles.head}>
        <div className={styles.against}>
          <span>The original against</span>
          <Segmented
            size="small"
            aria-label="What is held against the original"
            value={other ? 'other' : 'made'}
            onChange={(value) => value === 'made' && setOther(null)}
            options={[
              { value: 'made', label: made },
              { value: 'other', label: other ? other.name : 'Another file', disabled: !other },
            ]}
          />
          <Upload
            accept={ENDINGS}
            showUploadList={false}
            beforeUpload={(file) => {
              void file.arrayBuffer().then((buffer) => setOther({ name: file.name, bytes: new Uint8Array(buffer) }));
              return false;
            }}
          >
            <Button size="small">Hold a file against it …</Button>
          </Upload>
        </div>
        {failure && <p className={styles.failure}>{failure}</p>}
        {agreement && (
          <p className={styles.verdict} aria-label="Verdict">
            {agreement.words}
          </p>
        )}
      </header>
      {!agreement && !failure && <Spin className={styles.spin} description="Holding note against note …" />}
      {agreement && (
        <>
          <AgreementMap agreement={agreement} part={part} onPart={setPart} />
          <div className={styles.columns}>
            <div>
              <PartCounts agreement={agreement} part={part} onPart={setPart} />
              <DriftChart agreement={agreement} />
            </div>
            <Differences agreement={agreement} part={part} />
          </div>
        </>
      )}
    </>
  );
}
