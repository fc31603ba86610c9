'use client';

import { Segmented, Select, Table } from 'antd';
import { useState } from 'react';
import { countDifferences, differenceInWords, type Difference, type ListedAgreement } from '@/core/proof';
import { rowKeys } from '../shared/rowKeys';
import { goToBar } from '../workspace/goToBar';
import styles from './proof.module.css';

/** Note by note what differs, those first that nobody answers for. */
export function Differences({ agreement, part }: { agreement: ListedAgreement; part: number | null }) {
  const here = agreement.differences.filter((one) => part === null || one.part === part);
  const places = new Map(here.map((one, i) => [one, i]));
  const open = here.filter((one) => one.by === undefined);
  const counts = countDifferences(part === null ? agreement.parts : [agreement.parts[part]!]);
  const [chosen, setChosen] = useState<'open' | 'all' | null>(null);
  // What nobody answers for is what one comes for; where there is none, everything.
  const shown = chosen ?? (open.length > 0 ? 'open' : 'all');
  const reasons = [...new Set(here.flatMap(({ why }) => why ?? []))].sort();
  const [reason, setReason] = useState<string | null>(null);
  const decided = reason === null ? here : here.filter((one) => one.why === reason);
  const listed = shown === 'open' ? open : decided;
  return (
    <section aria-label="Differences">
      <div className={styles.listHead}>
        <Segmented<'open' | 'all'>
          size="small"
          aria-label="Which differences"
          value={shown}
          onChange={setChosen}
          options={[
            { value: 'open', label: `Unexplained (${counts.open.toLocaleString('en')})` },
            { value: 'all', label: `All (${counts.all.toLocaleString('en')})` },
          ]}
        />
        {shown === 'all' && reasons.length > 1 && (
          <Select<string>
            size="small"
            aria-label="Differences by reason"
            value={reason ?? ''}
            popupMatchSelectWidth={false}
            onChange={(value) => setReason(value || null)}
            options={[
              { value: '', label: 'for any reason' },
              ...reasons.map((value) => ({
                value,
                label: `${value} (${here.filter((one) => one.why === value).length})`,
              })),
            ]}
          />
        )}
      </div>
      {agreement.unlisted > 0 && (
        <p className="soft">
          {agreement.unlisted.toLocaleString('en')} more are counted, but not listed. Open a bar on the map to see its
          notes.
        </p>
      )}
      <Table<Difference>
        size="small"
        virtual
        rowKey={(one) => places.get(one) ?? 0}
        pagination={false}
        scroll={{ y: 420, x: 400 }}
        rowClassName={styles.rowLink}
        onRow={({ part: p, bar }) => rowKeys(() => goToBar(agreement, p, bar))}
        dataSource={listed}
        locale={{
          emptyText: (
            <span className="soft">{shown === 'open' ? 'No unexplained differences.' : 'No differences.'}</span>
          ),
        }}
        columns={[
          {
            title: 'Bar',
            key: 'bar',
            width: 52,
            render: (_, { bar }) => agreement.bars[bar]!.number,
          },
          {
            title: 'Part',
            key: 'part',
            width: 120,
            ellipsis: true,
            render: (_, { part: p }) => agreement.parts[p]!.names[0] ?? agreement.parts[p]!.names[1],
          },
          { title: 'What', key: 'what', render: (_, one) => differenceInWords(one) },
        ]}
      />
    </section>
  );
}
