'use client';

import { Button, Segmented, Select, Spin, Upload } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState } from 'react';
import { database } from '@/storage/schema';
import { useWorkspace } from '../workspace/workspace';
import { AgreementMap } from './AgreementMap';
import { Differences } from './Differences';
import { useCompared, type Base, type OtherFile } from './compared';
import { DriftChart } from './DriftChart';
import { PartCounts } from './PartCounts';
import { useAgreement, type Comparison } from './useAgreement';
import styles from './proof.module.css';

/** Deliveries that can be made again, and what of them was chosen. */
function useComparison() {
  const job = useWorkspace((state) => state.job)!;
  const compared = useCompared();
  const record = useLiveQuery(() => database.jobs.get(job.id), [job.id]);
  const deliveries = (record?.sent ?? [])
    .filter(({ ledger, at }) => ledger !== undefined && at >= (record?.versionAt ?? 0))
    .reverse();
  const mine = compared.job === job.id;
  const [other, chosen] = mine ? [compared.other, compared.base] : [null, 'original' as const];
  const delivery = deliveries.find(({ at }) => at === chosen);
  // A delivery that was forgotten meanwhile gives way to the original.
  const base: Base = typeof chosen === 'number' && !delivery ? 'original' : chosen;
  const comparison = useMemo(
    (): Comparison => ({ other, base: delivery ?? (base === 'made' ? 'made' : 'original') }),
    // The record is read anew whenever the job changes; the delivery stays the same.
    // oxlint-disable-next-line react/exhaustive-deps
    [other, base, delivery?.at],
  );
  const choose = (to: { other?: OtherFile | null; base?: Base }) => compared.choose(job.id, to);
  return { comparison, deliveries, base, other, choose };
}

const dayAndTime = (at: number) => new Date(at).toLocaleString('en', { dateStyle: 'medium', timeStyle: 'short' });

const ENDINGS = '.mid,.midi,.smf,.kar,.rmi,.musicxml,.mxl,.xml';

/** What two musics have in common: in a sentence, on a map, note by note. */
export function AgreementView() {
  const direction = useWorkspace((state) => state.direction);
  const { comparison, deliveries, base, other, choose } = useComparison();
  const [part, setPart] = useState<number | null>(null);
  const { agreement, failure } = useAgreement(comparison);
  const made = direction === 'to-score' ? 'Score, played' : 'Export';
  return (
    <>
      <header className={styles.head}>
        <div className={styles.against}>
          <span>Compare</span>
          <Select<Base>
            size="small"
            aria-label="Compare with"
            value={base}
            popupMatchSelectWidth={false}
            onChange={(value) => choose({ base: value })}
            options={[
              { value: 'original', label: 'the original' },
              { value: 'made', label: direction === 'to-score' ? 'the score' : 'the export', disabled: !other },
              ...deliveries.map(({ at, version, recipe }) => ({
                value: at,
                label: `version ${version}, ${recipe}, ${dayAndTime(at)}`,
              })),
            ]}
          />
          <span>with</span>
          <Segmented
            size="small"
            aria-label="What is compared"
            value={other ? 'other' : 'made'}
            onChange={(value) =>
              value === 'made' && choose({ other: null, ...(base === 'made' && { base: 'original' }) })
            }
            options={[
              { value: 'made', label: made },
              { value: 'other', label: other ? other.name : 'A file', disabled: !other },
            ]}
          />
          <Upload
            accept={ENDINGS}
            showUploadList={false}
            beforeUpload={(file) => {
              void file
                .arrayBuffer()
                .then((buffer) => choose({ other: { name: file.name, bytes: new Uint8Array(buffer) } }));
              return false;
            }}
          >
            <Button size="small">Compare with a file …</Button>
          </Upload>
        </div>
        {failure && <p className={styles.failure}>{failure}</p>}
        {agreement && (
          <p className={styles.verdict} aria-label="Verdict">
            {agreement.words}
          </p>
        )}
      </header>
      {!agreement && !failure && <Spin className={styles.spin} description="Comparing notes …" />}
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
