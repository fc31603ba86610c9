'use client';

import { say, withinASentence } from '@/core/words';
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

const MARKER_WORDS: Record<MarkerStyle, string> = {
  get auto() {
    return say('page.automatic');
  },
  get rehearsal() {
    return say('page.rehearsalMarks');
  },
  get text() {
    return say('page.words');
  },
};

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
  const range = say('page.barsBarsBars2', { bars: bars[from]!.number, bars2: bars[to - 1]!.number });
  return (
    <section className={styles.panel} aria-label={say('page.pageOfTheWholePiece')}>
      <div className={styles.settings}>
        <label>
          {say('page.title')}
          <Words
            key={`t${summary.title}`}
            label={say('page.title')}
            value={summary.title}
            onCommit={(title) => decide({ kind: 'setTitle', title })}
          />
        </label>
        <label>
          {say('page.composer')}
          <Words
            key={`c${settings.composer ?? ''}`}
            label={say('page.composer')}
            value={settings.composer ?? ''}
            onCommit={(composer) => decide({ kind: 'setComposer', composer })}
          />
        </label>
        <label>
          {say('page.markersAs')}
          <Select<MarkerStyle>
            size="small"
            aria-label={say('page.markersAs')}
            value={settings.markerStyle}
            onChange={(style) => decide({ kind: 'setMarkerStyle', style })}
            options={MARKER_STYLES.map((value) => ({ value, label: MARKER_WORDS[value] }))}
          />
        </label>
      </div>
      <h2>{say('page.keys')}</h2>
      <ul className={styles.keys}>
        {keys.map((key) => (
          <li key={key.bar}>{say('page.barBarsKeyName', { bars: bars[key.bar]!.number, keyName: keyName(key) })}</li>
        ))}
      </ul>
      <div className={styles.settings}>
        <label>
          {say('page.wholePiece')}
          <Select<string>
            size="small"
            showSearch={{ optionFilterProp: 'label' }}
            aria-label={say('page.keyOfTheWholePiece')}
            value={keyValue(keys[0]!)}
            onChange={(value) => decide({ kind: 'setKey', ...keyOfValue(value) })}
            options={KEY_OPTIONS}
          />
        </label>
        <label>
          {say('page.startingAtBarBars', { bars: bars[from]!.number })}
          <Select<string>
            size="small"
            showSearch={{ optionFilterProp: 'label' }}
            aria-label={say('page.keyStartingAtBarBars', { bars: bars[from]!.number })}
            value={keyValue(here)}
            onChange={(value) => decide({ kind: 'setKey', ...keyOfValue(value), bar: from })}
            options={KEY_OPTIONS}
          />
        </label>
      </div>
      <ChordSymbols />
      <AsReceived />
      <h2>{say('page.enharmonicSpelling')}</h2>
      <p className="soft">{say('page.chosenByContextInRangePrefer', { range })}</p>
      <div className={styles.buttons}>
        <Button
          size="small"
          onClick={() => decide({ kind: 'preferNames', part: null, bars: { from, to }, prefer: 'flats' })}
        >
          {say('page.flats')}
        </Button>
        <Button
          size="small"
          onClick={() => decide({ kind: 'preferNames', part: null, bars: { from, to }, prefer: 'sharps' })}
        >
          {say('page.sharps')}
        </Button>
      </div>
      <h2>{say('page.repeats')}</h2>
      {settings.folds.length === 0 && summary.repeats.length === 0 && (
        <p className="soft">{say('page.noPassageOfTwoBarsOrMoreRepeats')}</p>
      )}
      {settings.folds.map((fold) => (
        <p key={fold.from}>
          {say('page.barsBarsBars2AreWrittenOncePlayed', {
            bars: bars[fold.from]?.number ?? '',
            bars2: bars[fold.from + fold.length - 1]?.number ?? '',
            times: fold.times,
          })}{' '}
          <Button size="small" onClick={() => decide({ kind: 'foldRepeat', ...fold, times: 1 })}>
            {say('page.writeOut')}
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
            {say('page.barsBarsBars2ComeTimesTimesWith', {
              bars: bars[one.from]!.number,
              bars2: bars[one.from + one.length - 1]!.number,
              times: one.times,
              oneEndingsOver0: one.endings > 0,
            })}{' '}
            <Button size="small" onClick={() => decide({ kind: 'foldRepeat', ...one })}>
              {say('page.repeatSigns')}
            </Button>
          </p>
        ))}
    </section>
  );
}

const USE_WORDS: Record<MarkUse, string> = {
  get off() {
    return say('page.off');
  },
  get suggest() {
    return say('page.suggested');
  },
  get on() {
    return say('page.included');
  },
};
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
      <h2>{say('page.chordSymbols')}</h2>
      <div className={styles.settings}>
        <label>
          {say('page.foundInTheNotes')}
          <Select<MarkUse>
            size="small"
            aria-label={say('page.chordSymbols')}
            value={rule.use}
            onChange={(use) => set({ use })}
            options={MARK_USES.map((value) => ({ value, label: USE_WORDS[value] }))}
          />
        </label>
        {rule.use !== 'off' && (
          <>
            <PartChoice
              label={say('page.heardIn')}
              none={say('page.allParts')}
              parts={parts}
              value={rule.from}
              onChange={(from) => set({ from })}
            />
            <PartChoice
              label={say('page.writtenOver')}
              none={say('page.theTopPart')}
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
        aria-label={say('page.chordSymbolsLabel', { label: withinASentence(label) })}
        value={value ?? NONE}
        onChange={(id) => onChange(parts.find((part) => part.id === id)?.id ?? null)}
        options={[{ value: NONE, label: none }, ...parts.map((part) => ({ value: String(part.id), label: part.name }))]}
      />
    </label>
  );
}

const sidesWrittenAnew = (): readonly [AnewAspect, string][] => [
  ['spelling', say('page.keysAndNamesOfNotes')],
  ['transposition', say('page.transpositionByInstrument')],
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
      <h2>{say('page.theOriginalScore')}</h2>
      <p className="soft">{say('page.everythingIsKeptAsInTheOriginal')}</p>
      <div className={styles.settings}>
        {sidesWrittenAnew().map(([aspect, label]) => (
          <label key={aspect}>
            {label}
            <Switch
              size="small"
              aria-label={say('page.rewriteLabel', { label })}
              checked={anew.some((one) => one.aspect === aspect && one.part === null)}
              onChange={(on) => decide({ kind: 'writeAnew', aspect, part: null, ...(!on && { off: true }) })}
            />
          </label>
        ))}
        <label>
          {say('page.keepLineAndPageBreaks')}
          <Switch
            size="small"
            aria-label={say('page.keepLineAndPageBreaks')}
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
