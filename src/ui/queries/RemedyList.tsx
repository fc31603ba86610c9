'use client';

import { inList, say } from '@/core/words';
import { Button, Dropdown, Input, Popover, Space } from 'antd';
import { useRef, useState } from 'react';
import { likeOf, type OpenQuery, type Remedy } from '@/core/queries';
import type { Changes } from '@/core/proof';
import { useManual } from '../manual/manual';
import { TROUBLE_OF } from '../manual/pages';
import { alikeOf, markedRemedy, useWorkspace } from '../workspace/workspace';
import styles from './queries.module.css';

/** So long the pointer rests on a remedy before it is tried out. */
const REST_MS = 250;

/** What answers a query. Resting on a button shows in the music what it would do. */
export function RemedyList({ query }: { query: OpenQuery }) {
  const marked = useWorkspace((state) => markedRemedy(state, query));
  const usual = useWorkspace((state) => state.habits.get(query.kind));
  const tried = useWorkspace((state) => (state.tried?.query === query.id ? state.tried : null));
  return (
    <div className={styles.remedies}>
      {query.remedies.map((remedy, i) => (
        <RemedyButton
          key={remedy.label}
          query={query}
          remedy={remedy}
          index={i}
          marked={i === marked}
          asBefore={!remedy.lastResort && likeOf(remedy) === usual}
        />
      ))}
      <SetAside query={query} />
      <Why kind={query.kind} />
      {tried && (
        <p className={styles.tried} aria-live="polite">
          {tried.changes ? changesInWords(tried.changes) : say('queries.loadingThePreview')}
        </p>
      )}
    </div>
  );
}

/** The usual trouble that a query comes of, in the manual. */
function Why({ kind }: { kind: OpenQuery['kind'] }) {
  const read = useManual((state) => state.read);
  return (
    <Button
      size="small"
      type="link"
      aria-label={say('manual.whyThisIsAsked')}
      onClick={() => read('troubles', String(TROUBLE_OF[kind]))}
    >
      {say('manual.why')}
    </Button>
  );
}

function RemedyButton({
  query,
  remedy,
  index,
  marked,
  asBefore,
}: {
  query: OpenQuery;
  remedy: Remedy;
  index: number;
  marked: boolean;
  asBefore: boolean;
}) {
  const take = useWorkspace((state) => state.take);
  const tryOut = useWorkspace((state) => state.tryOut);
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined);
  const rest = () => {
    clearTimeout(resting.current);
    resting.current = setTimeout(() => tryOut(query, index), REST_MS);
  };
  const leave = () => {
    clearTimeout(resting.current);
    tryOut(query, null);
  };
  const alike = alikeOf(useWorkspace.getState(), query, remedy);
  const all = alike.at(-1);
  return (
    <Space.Compact size="small">
      <Button
        size="small"
        type={marked ? 'primary' : 'default'}
        onPointerEnter={rest}
        onPointerLeave={leave}
        onClick={() => {
          clearTimeout(resting.current);
          take(query, remedy);
        }}
      >
        {remedy.label}
        {asBefore && <span className={styles.asBefore}>{say('queries.asBefore')}</span>}
      </Button>
      {all && (
        <Dropdown
          trigger={['click']}
          menu={{
            items: alike.map((one) => ({
              key: one.reach,
              label: say('queries.allAnswersLikeThisWhere', { answers: one.answers.length + 1, where: one.where }),
              onClick: () => take(query, remedy, one),
            })),
          }}
        >
          <Button
            size="small"
            type={marked ? 'primary' : 'default'}
            aria-label={say('queries.remedyAllLikeThis', { remedy: remedy.label })}
            title={say('queries.answersMoreLikeThisInTheJob', { answers: all.answers.length })}
          >
            ×{all.answers.length + 1}
          </Button>
        </Dropdown>
      )}
    </Space.Compact>
  );
}

const MOST_NAMED = 2;

/** "12 notes change in Flute and Oboe; 2 queries answered." */
function changesInWords({ notes, parts, answered, asked }: Changes): string {
  const more = parts.length - MOST_NAMED;
  const where =
    more > 0 ? say('queries.partsAndMoreMore', { parts: parts.slice(0, MOST_NAMED).join(', '), more }) : inList(parts);
  const queries = [
    answered > 0 && say('queries.queryAnswered', { answered }),
    asked > 0 && `${say('queries.newQuery', { asked })}`,
  ].filter(Boolean);
  return `${[noteChanges(notes, where), ...queries].join('; ')}.`;
}

function noteChanges(notes: number, where: string): string {
  if (where === '') return say('queries.noNoteChangesItsPlaceLengthOrName');
  return notes === 0 ? say('queries.changesWhere', { where }) : say('queries.noteChangesInWhere', { notes, where });
}

/** Setting a query aside wants a reason, however short; it goes into the ledger. */
function SetAside({ query }: { query: OpenQuery }) {
  const setAside = useWorkspace((state) => state.setAside);
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const finish = () => {
    setOpen(false);
    setAside(query, reason.trim());
  };
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      content={
        <div className={styles.aside}>
          <Input
            autoFocus
            size="small"
            aria-label={say('queries.reason')}
            placeholder={say('queries.reasonOptional')}
            value={reason}
            maxLength={500}
            onChange={(event) => setReason(event.target.value)}
            onPressEnter={finish}
          />
          <Button size="small" type="primary" onClick={finish}>
            {say('queries.skip')}
          </Button>
        </div>
      }
    >
      <Button size="small" type="text">
        {say('queries.skip2')}
      </Button>
    </Popover>
  );
}
