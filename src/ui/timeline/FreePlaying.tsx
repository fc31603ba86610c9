'use client';

import { Button, Select, Tag } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { settingsOf } from '@/core/documents';
import type { Following } from '@/core/beats';
import type { TimeLineSummary } from '@/core/engine';
import { timeOf } from '@/core/hearing';
import { engineWorker } from '@/workers/engine-client';
import { BEAT_UNITS, type BeatUnit } from '@/core/settings';
import { useHearing } from '../audition/useHearing';
import { useWorkspace } from '../workspace/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import { count } from '../shared/words';
import { BeatStrip } from './BeatStrip';
import styles from './timeline.module.css';

/** So many bars are named. */
const SHOWN = 6;

/** A recording without bars: beats are found in it, set right by tapping along, and bars laid over them. */
export function FreePlaying({ line }: { line: TimeLineSummary }) {
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const { freeTime } = settingsOf(ledger);
  if (!freeTime)
    return (
      <div className={styles.free}>
        <h2>Played without bars?</h2>
        <p>
          A performance that was not played to the file’s own bars has notes everywhere but on the beat. Beats are found
          in the playing, bars are laid over them, and every note keeps its second: the page gets clean bars, playback
          stays as it was.
        </p>
        <Button type="primary" onClick={() => decide({ kind: 'findTheBeats' })}>
          Find the beats
        </Button>
      </div>
    );
  return (
    <div className={styles.free}>
      <Found line={line} />
      <h2>Correct by hand</h2>
      <p className="soft">Drag a beat to its place, or use the arrow keys. Corrected beats stay; the others follow.</p>
      <BeatStrip
        line={line}
        placed={freeTime.placed ?? []}
        onMove={(placed) => decide({ kind: 'findTheBeats', placed })}
      />
      {(freeTime.placed?.length ?? 0) > 0 && (
        <p>
          {count(freeTime.placed!.length, 'beat is', 'beats are')} corrected.{' '}
          <Button size="small" onClick={() => decide({ kind: 'findTheBeats', placed: [] })}>
            Reset
          </Button>
        </p>
      )}
      <Tapping line={line} anchors={freeTime.anchors} />
      <Button onClick={() => decide({ kind: 'believeBars' })}>Reset to the file’s bars</Button>
    </div>
  );
}

/** Eighths come twice as often as the beats that were counted before; what is found is found at any pace. */
function paceFor(unit: BeatUnit | 'as found', before: BeatUnit, period: number): { period?: number } {
  if (unit === 'as found') return { period: 0 };
  if ((unit === 'eighth') === (before === 'eighth')) return {};
  return { period: unit === 'eighth' ? period / 2 : period * 2 };
}

/** What was found, and what can be said about it. */
function Found({ line: { following } }: { line: TimeLineSummary }) {
  const decide = useWorkspace((state) => state.decide);
  const ledger = useWorkspace((state) => state.ledger)!;
  const { freeTime } = settingsOf(ledger);
  if (!following || !freeTime) return <p>There are too few notes to find beats in; the file’s own bars stay.</p>;
  const { beats, beatsPerBar, evidence, slowest, fastest, largestShift, silence, downbeats, unit, groups } = following;
  const period = (beats.at(-1)! - beats[0]!) / Math.max(1, beats.length - 1);
  return (
    <>
      <h2>What was found</h2>
      <p aria-label="Beats found">
        {count(beats.length, 'beat', 'beats')} of {unit === 'eighth' ? 'an' : 'a'} {unit}, {Math.round(slowest)} to{' '}
        {Math.round(fastest)} a minute, {beatsPerBar} to a bar{groups ? ` as ${groups.join(' + ')}` : ''} (
        {clearness(evidence)}). No note is further than {largestShift.toFixed(2)} ms from where it was played
        {silence > 0.01 ? `; the ${silence.toFixed(2)} s before the first bar are removed` : ''}.
        {slipsInWords(following)}
      </p>
      <div className={styles.buttons}>
        <Button size="small" onClick={() => decide({ kind: 'findTheBeats', period: period * 2 })}>
          half as many beats
        </Button>
        <Button size="small" onClick={() => decide({ kind: 'findTheBeats', period: period / 2 })}>
          twice as many
        </Button>
        <Button
          size="small"
          disabled={freeTime.period === null}
          onClick={() => decide({ kind: 'findTheBeats', period: 0 })}
        >
          automatic
        </Button>
      </div>
      <label>
        Beats to a bar
        <Select<number>
          size="small"
          aria-label="Beats to a bar"
          value={freeTime.beatsPerBar ?? 0}
          onChange={(value) => decide({ kind: 'findTheBeats', beatsPerBar: value })}
          options={[
            { value: 0, label: 'automatic' },
            ...[2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map((value) => ({ value, label: String(value) })),
          ]}
        />
      </label>
      <label>
        The first bar begins at beat
        <CommittedNumber
          key={downbeats[0]}
          value={(downbeats[0] ?? 0) + 1}
          min={1}
          max={Math.min(100, beats.length)}
          label="First bar at beat"
          onCommit={(beat) => decide({ kind: 'findTheBeats', firstDownbeat: beat - 1 })}
        />
      </label>
      <label>
        A beat is
        <Select<BeatUnit | 'as found'>
          size="small"
          aria-label="A beat is"
          value={freeTime.unit ?? 'as found'}
          onChange={(said) => decide({ kind: 'findTheBeats', unit: said, ...paceFor(said, unit, period) })}
          options={[
            { value: 'as found', label: 'automatic' },
            ...BEAT_UNITS.map((value) => ({ value, label: `${value === 'eighth' ? 'an' : 'a'} ${value}` })),
          ]}
        />
      </label>
    </>
  );
}

/** Bars are counted from the first full one. */
function slipsInWords({ slips, beats, downbeats }: Following): string {
  if (slips.length === 0) return '';
  const bars = slips.map(({ at }) => downbeats.filter((beat) => beats[beat]! <= at + 0.01).length);
  const kinds = [...new Set(slips.map(({ was }) => was))].sort().join(' or ');
  const where = `${bars.length === 1 ? 'bar' : 'bars'} ${bars.slice(0, SHOWN).join(', ')}${bars.length > SHOWN ? ' …' : ''}`;
  return ` The playing slows in ${where}: a beat ${kinds} was counted there, and is mended.`;
}

function clearness(evidence: number): string {
  if (evidence > 0.5) return 'clearly';
  return evidence > 0.2 ? 'most likely' : 'a guess';
}

/** Beats tapped along with the playing set the others right. */
function Tapping({ line, anchors }: { line: TimeLineSummary; anchors: readonly number[] }) {
  const decide = useWorkspace((state) => state.decide);
  const sounding = useHearing((state) => state.sounding);
  const [taps, setTaps] = useState<readonly number[]>([]);
  const clock = useRef<Awaited<ReturnType<ReturnType<typeof engineWorker>['barClock']>> | null>(null);
  const silence = line.following?.silence ?? 0;
  useEffect(() => {
    void engineWorker()
      .barClock()
      .then((bars) => (clock.current = bars));
  }, [line]);
  const listen = async () => {
    setTaps([]);
    await useHearing.getState().change({ version: 'received', rate: 1, loop: null });
    await useHearing.getState().from(useWorkspace.getState().passage.from);
  };
  const tap = () => {
    const place = useHearing.getState().place();
    if (!place || !clock.current) return;
    const at = Math.round((timeOf(clock.current, place) + silence) * 1000) / 1000;
    setTaps((before) => [...before, at]);
  };
  const use = () => {
    const [from, to] = [taps[0]!, taps.at(-1)!];
    // Taps over a stretch take the place of those that were known there.
    const kept = anchors.filter((anchor) => anchor < from - 0.2 || anchor > to + 0.2);
    decide({ kind: 'findTheBeats', anchors: [...kept, ...taps].sort((a, b) => a - b), period: 0 });
    useHearing.getState().stop();
    setTaps([]);
  };
  return (
    <>
      <h2>Correct by tapping</h2>
      <p className="soft">
        Play from the first bar in view and tap at least two or three beats where they are wrong. The others follow.
      </p>
      <div className={styles.buttons}>
        {sounding ? (
          <Button
            type="primary"
            className={styles.tap}
            onPointerDown={tap}
            onKeyDown={(event) => event.key === 't' && tap()}
          >
            Tap here ({taps.length})
          </Button>
        ) : (
          <Button onClick={() => void listen()}>Play and tap</Button>
        )}
        <Button disabled={taps.length < 2} onClick={use}>
          Apply
        </Button>
      </div>
      {anchors.length > 0 && (
        <p>
          {count(anchors.length, 'beat is', 'beats are')} known{' '}
          {anchors.slice(0, 12).map((anchor) => (
            <Tag
              key={anchor}
              closable
              onClose={() => decide({ kind: 'findTheBeats', anchors: anchors.filter((other) => other !== anchor) })}
            >
              {anchor.toFixed(2)} s
            </Tag>
          ))}
        </p>
      )}
    </>
  );
}
