'use client';

import { Button, Input, Select, Switch } from 'antd';
import type { PartId } from '@/core/base';
import type { PartSummary } from '@/core/engine';
import { keyName } from '@/core/score';
import { useWorkspace } from '../workspace/workspace';
import { KEY_OPTIONS, keyOfValue, keyValue } from '../shared/keyOptions';
import styles from './page.module.css';
import {
  MARK_USES,
  MARKER_STYLES,
  type AnewAspect,
  type ChordSymbolRule,
  type MarkerStyle,
  type MarkUse,
} from '@/core/settings';
import { settingsOf } from '@/core/documents';

const MARKER_WORDS: Record<MarkerStyle, string> = { auto: 'automatic', rehearsal: 'rehearsal marks', text: 'words' };

/** Page settings of the whole piece: words, keys, markers, preferred names, repeats. */
export function PiecePanel() {
  const summary = useWorkspace((state) => state.summary)!;
  const ledger = useWorkspace((state) => state.ledger)!;
  const passage = useWorkspace((state) => state.passage);
  const decide = useWorkspace((state) => state.decide);
  const settings = settingsOf(ledger);
  const { bars, keys } = summary;
  const from = Math.min(passage.from, bars.length - 1);
  const to = Math.min(bars.length, from + passage.bars);
  const here = keys.findLast((key) => key.bar <= from) ?? keys[0]!;
  const range = `bars ${bars[from]!.number}–${bars[to - 1]!.number}`;
  return (
    <section className={styles.panel} aria-label="Page of the whole piece">
      <div className={styles.settings}>
        <label>
          Title
          <Words
            key={`t${summary.title}`}
            label="Title"
            value={summary.title}
            onCommit={(title) => decide({ kind: 'setTitle', title })}
          />
        </label>
        <label>
          Composer
          <Words
            key={`c${settings.composer ?? ''}`}
            label="Composer"
            value={settings.composer ?? ''}
            onCommit={(composer) => decide({ kind: 'setComposer', composer })}
          />
        </label>
        <label>
          Markers as
          <Select<MarkerStyle>
            size="small"
            aria-label="Markers as"
            value={settings.markerStyle}
            onChange={(style) => decide({ kind: 'setMarkerStyle', style })}
            options={MARKER_STYLES.map((value) => ({ value, label: MARKER_WORDS[value] }))}
          />
        </label>
      </div>
      <h2>Keys</h2>
      <ul className={styles.keys}>
        {keys.map((key) => (
          <li key={key.bar}>
            bar {bars[key.bar]!.number}: {keyName(key)}
          </li>
        ))}
      </ul>
      <div className={styles.settings}>
        <label>
          Whole piece
          <Select<string>
            size="small"
            showSearch={{ optionFilterProp: 'label' }}
            aria-label="Key of the whole piece"
            value={keyValue(keys[0]!)}
            onChange={(value) => decide({ kind: 'setKey', ...keyOfValue(value) })}
            options={KEY_OPTIONS}
          />
        </label>
        <label>
          Starting at bar {bars[from]!.number}
          <Select<string>
            size="small"
            showSearch={{ optionFilterProp: 'label' }}
            aria-label={`Key starting at bar ${bars[from]!.number}`}
            value={keyValue(here)}
            onChange={(value) => decide({ kind: 'setKey', ...keyOfValue(value), bar: from })}
            options={KEY_OPTIONS}
          />
        </label>
      </div>
      <ChordSymbols />
      <AsReceived />
      <h2>Enharmonic spelling</h2>
      <p className="soft">Chosen by context; in {range} prefer</p>
      <div className={styles.buttons}>
        <Button
          size="small"
          onClick={() => decide({ kind: 'preferNames', part: null, bars: { from, to }, prefer: 'flats' })}
        >
          ♭ flats
        </Button>
        <Button
          size="small"
          onClick={() => decide({ kind: 'preferNames', part: null, bars: { from, to }, prefer: 'sharps' })}
        >
          ♯ sharps
        </Button>
      </div>
      <h2>Repeats</h2>
      {settings.folds.length === 0 && summary.repeats.length === 0 && (
        <p className="soft">No passage of two bars or more repeats immediately in all parts.</p>
      )}
      {settings.folds.map((fold) => (
        <p key={fold.from}>
          Bars {bars[fold.from]?.number}–{bars[fold.from + fold.length - 1]?.number} are written once, played{' '}
          {fold.times} times.{' '}
          <Button size="small" onClick={() => decide({ kind: 'foldRepeat', ...fold, times: 1 })}>
            Write out
          </Button>
        </p>
      ))}
      {summary.repeats
        .filter(
          (one) =>
            !settings.folds.some(
              (fold) =>
                one.from < fold.from + fold.length * fold.times && fold.from < one.from + one.length * one.times,
            ),
        )
        .map((one) => (
          <p key={one.from}>
            Bars {bars[one.from]!.number}–{bars[one.from + one.length - 1]!.number} come {one.times} times
            {one.endings > 0 ? ', with different endings' : ''}.{' '}
            <Button size="small" onClick={() => decide({ kind: 'foldRepeat', ...one })}>
              Repeat signs
            </Button>
          </p>
        ))}
    </section>
  );
}

const USE_WORDS: Record<MarkUse, string> = { off: 'off', suggest: 'suggested', on: 'included' };
/** No part: all of them, or the top one. */
const NONE = '';

/** Chord symbols found in the notes: from whose, over which part. */
function ChordSymbols() {
  const parts = useWorkspace((state) => state.summary)!.parts.filter(({ unpitched }) => !unpitched);
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const rule = settingsOf(ledger).chordSymbols;
  const set = (change: Partial<ChordSymbolRule>) => decide({ kind: 'setChordSymbols', ...rule, ...change });
  return (
    <>
      <h2>Chord symbols</h2>
      <div className={styles.settings}>
        <label>
          Found in the notes
          <Select<MarkUse>
            size="small"
            aria-label="Chord symbols"
            value={rule.use}
            onChange={(use) => set({ use })}
            options={MARK_USES.map((value) => ({ value, label: USE_WORDS[value] }))}
          />
        </label>
        {rule.use !== 'off' && (
          <>
            <PartChoice
              label="Heard in"
              none="all parts"
              parts={parts}
              value={rule.from}
              onChange={(from) => set({ from })}
            />
            <PartChoice
              label="Written over"
              none="the top part"
              parts={parts}
              value={rule.over}
              onChange={(over) => set({ over })}
            />
          </>
        )}
      </div>
    </>
  );
}

interface PartChoiceProps {
  label: string;
  /** What no part means. */
  none: string;
  parts: readonly PartSummary[];
  value: PartId | null;
  onChange: (part: PartId | null) => void;
}

function PartChoice({ label, none, parts, value, onChange }: PartChoiceProps) {
  return (
    <label>
      {label}
      <Select<string>
        size="small"
        aria-label={`Chord symbols ${label.toLowerCase()}`}
        value={value ?? NONE}
        onChange={(id) => onChange(parts.find((part) => part.id === id)?.id ?? null)}
        options={[{ value: NONE, label: none }, ...parts.map((part) => ({ value: String(part.id), label: part.name }))]}
      />
    </label>
  );
}

const ANEW: readonly [AnewAspect, string][] = [
  ['spelling', 'Keys and names of notes'],
  ['transposition', 'Transposition by instrument'],
];

/** Of a received score: what is kept, and what is written anew. */
function AsReceived() {
  const isScore = useWorkspace((state) => state.opened?.facts.format === null);
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  if (!isScore) return null;
  const { anew, keepBreaks } = settingsOf(ledger);
  return (
    <>
      <h2>The original score</h2>
      <p className="soft">Everything is kept as in the original. Rewrite:</p>
      <div className={styles.settings}>
        {ANEW.map(([aspect, label]) => (
          <label key={aspect}>
            {label}
            <Switch
              size="small"
              aria-label={`Rewrite ${label}`}
              checked={anew.some((one) => one.aspect === aspect && one.part === null)}
              onChange={(on) => decide({ kind: 'writeAnew', aspect, part: null, ...(!on && { off: true }) })}
            />
          </label>
        ))}
        <label>
          Keep line and page breaks
          <Switch
            size="small"
            aria-label="Keep line and page breaks"
            checked={keepBreaks}
            onChange={(keep) => decide({ kind: 'setBreaks', keep })}
          />
        </label>
      </div>
    </>
  );
}

function Words({ label, value, onCommit }: { label: string; value: string; onCommit: (value: string) => void }) {
  return (
    <Input
      size="small"
      aria-label={label}
      defaultValue={value}
      onPressEnter={(event) => event.currentTarget.blur()}
      onBlur={(event) => {
        const next = event.currentTarget.value.trim();
        if (next !== value) onCommit(next);
      }}
    />
  );
}
