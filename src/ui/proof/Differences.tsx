'use client';

import { say } from '@/core/words';
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
    <section aria-label={say('proof.differences')}>
      <div className={styles.listHead}>
        <Segmented<'open' | 'all'>
          size="small"
          aria-label={say('proof.whichDifferences')}
          value={shown}
          onChange={setChosen}
          options={[
            { value: 'open', label: say('proof.unexplainedOpen', { open: counts.open }) },
            { value: 'all', label: say('proof.allAll', { all: counts.all }) },
          ]}
        />
        {shown === 'all' && reasons.length > 1 && (
          <Select<string>
            size="small"
            aria-label={say('proof.differencesByReason')}
            value={reason ?? ''}
            popupMatchSelectWidth={false}
            onChange={(value) => setReason(value || null)}
            options={[
              { value: '', label: say('proof.forAnyReason') },
              ...reasons.map((value) => ({
                value,
                label: `${value} (${here.filter((one) => one.why === value).length})`,
              })),
            ]}
          />
        )}
      </div>
      {agreement.unlisted > 0 && (
        <p className="soft">{say('proof.unlistedMoreAreCountedButNotListed', { unlisted: agreement.unlisted })}</p>
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
          emptyText: <span className="soft">{say('proof.noUnexplainedDifferences', { shown })}</span>,
        }}
        columns={[
          {
            title: say('proof.bar'),
            key: 'bar',
            width: 52,
            render: (_, { bar }) => agreement.bars[bar]!.number,
          },
          {
            title: say('proof.part'),
            key: 'part',
            width: 120,
            ellipsis: true,
            render: (_, { part: p }) => agreement.parts[p]!.names[0] ?? agreement.parts[p]!.names[1],
          },
          { title: say('proof.what'), key: 'what', render: (_, one) => differenceInWords(one) },
        ]}
      />
    </section>
  );
}
