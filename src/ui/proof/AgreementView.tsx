'use client';

import { dateLocale, say } from '@/core/words';
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

const dayAndTime = (at: number) =>
  new Date(at).toLocaleString(dateLocale(), { dateStyle: 'medium', timeStyle: 'short' });

const ENDINGS = '.mid,.midi,.smf,.kar,.rmi,.musicxml,.mxl,.xml';

/** What two musics have in common: in a sentence, on a map, note by note. */
export function AgreementView() {
  const direction = useWorkspace((state) => state.direction);
  const { comparison, deliveries, base, other, choose } = useComparison();
  const [part, setPart] = useState<number | null>(null);
  const { agreement, failure } = useAgreement(comparison);
  const made = direction === 'to-score' ? say('proof.scorePlayed') : say('proof.export');
  return (
    <>
      <header className={styles.head}>
        <div className={styles.against}>
          <span>{say('proof.compare')}</span>
          <Select<Base>
            size="small"
            aria-label={say('proof.compareWith')}
            value={base}
            popupMatchSelectWidth={false}
            onChange={(value) => choose({ base: value })}
            options={[
              { value: 'original', label: say('proof.theOriginal') },
              {
                value: 'made',
                label: direction === 'to-score' ? say('proof.theScore') : say('proof.theExport'),
                disabled: !other,
              },
              ...deliveries.map(({ at, version, recipe }) => ({
                value: at,
                label: say('proof.versionVersionRecipeDayAndTime', { version, recipe, dayAndTime: dayAndTime(at) }),
              })),
            ]}
          />
          <span>{say('proof.with')}</span>
          <Segmented
            size="small"
            aria-label={say('proof.whatIsCompared')}
            value={other ? 'other' : 'made'}
            onChange={(value) =>
              value === 'made' && choose({ other: null, ...(base === 'made' && { base: 'original' }) })
            }
            options={[
              { value: 'made', label: made },
              { value: 'other', label: other ? other.name : say('proof.aFile'), disabled: !other },
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
            <Button size="small">{say('proof.compareWithAFile')}</Button>
          </Upload>
        </div>
        {failure && <p className={styles.failure}>{failure}</p>}
        {agreement && (
          <p className={styles.verdict} aria-label={say('proof.verdict')}>
            {agreement.words}
          </p>
        )}
      </header>
      {!agreement && !failure && <Spin className={styles.spin} description={say('proof.comparingNotes')} />}
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
