'use client';

import { inNumbers, say } from '@/core/words';
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
        <h2>{say('timeline.playedWithoutBars')}</h2>
        <p>{say('timeline.aPerformanceThatWasNotPlayedToThe')}</p>
        <Button type="primary" onClick={() => decide({ kind: 'findTheBeats' })}>
          {say('timeline.findTheBeats')}
        </Button>
      </div>
    );
  return (
    <div className={styles.free}>
      <Found line={line} />
      <h2>{say('timeline.correctByHand')}</h2>
      <p className="soft">{say('timeline.dragABeatToItsPlaceOrUseTheArrow')}</p>
      <BeatStrip
        line={line}
        placed={freeTime.placed ?? []}
        onMove={(placed) => decide({ kind: 'findTheBeats', placed })}
      />
      {(freeTime.placed?.length ?? 0) > 0 && (
        <p>
          {say('timeline.beatIsCorrected', { placed: freeTime.placed!.length })}{' '}
          <Button size="small" onClick={() => decide({ kind: 'findTheBeats', placed: [] })}>
            {say('timeline.reset')}
          </Button>
        </p>
      )}
      <Tapping line={line} anchors={freeTime.anchors} />
      <Button onClick={() => decide({ kind: 'believeBars' })}>{say('timeline.resetToTheFilesBars')}</Button>
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
  if (!following || !freeTime) return <p>{say('timeline.thereAreTooFewNotesToFindBeatsIn')}</p>;
  const { beats, beatsPerBar, evidence, slowest, fastest, largestShift, silence, downbeats, unit, groups } = following;
  const period = (beats.at(-1)! - beats[0]!) / Math.max(1, beats.length - 1);
  return (
    <>
      <h2>{say('timeline.whatWasFound')}</h2>
      <p aria-label={say('timeline.beatsFound')}>
        {say('timeline.beatOfAnUnitSlowestToFastestA', {
          beats: beats.length,
          unit,
          slowest: Math.round(slowest),
          fastest: Math.round(fastest),
          beatsPerBar,
          groups: Boolean(groups),
          groups2: groups?.join(' + '),
          clearness: clearness(evidence),
          largestShift: inNumbers(largestShift, 2),
          silenceOver001: silence > 0.01,
          silence: inNumbers(silence, 2),
          slipsInWords: slipsInWords(following),
        })}
      </p>
      <div className={styles.buttons}>
        <Button size="small" onClick={() => decide({ kind: 'findTheBeats', period: period * 2 })}>
          {say('timeline.halfAsManyBeats')}
        </Button>
        <Button size="small" onClick={() => decide({ kind: 'findTheBeats', period: period / 2 })}>
          {say('timeline.twiceAsMany')}
        </Button>
        <Button
          size="small"
          disabled={freeTime.period === null}
          onClick={() => decide({ kind: 'findTheBeats', period: 0 })}
        >
          {say('timeline.automatic')}
        </Button>
      </div>
      <label>
        {say('timeline.beatsToABar')}
        <Select<number>
          size="small"
          aria-label={say('timeline.beatsToABar')}
          value={freeTime.beatsPerBar ?? 0}
          onChange={(value) => decide({ kind: 'findTheBeats', beatsPerBar: value })}
          options={[
            { value: 0, label: say('timeline.automatic') },
            ...[2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map((value) => ({ value, label: String(value) })),
          ]}
        />
      </label>
      <label>
        {say('timeline.theFirstBarBeginsAtBeat')}
        <CommittedNumber
          key={downbeats[0]}
          value={(downbeats[0] ?? 0) + 1}
          min={1}
          max={Math.min(100, beats.length)}
          label={say('timeline.firstBarAtBeat')}
          onCommit={(beat) => decide({ kind: 'findTheBeats', firstDownbeat: beat - 1 })}
        />
      </label>
      <label>
        {say('timeline.aBeatIs')}
        <Select<BeatUnit | 'as found'>
          size="small"
          aria-label={say('timeline.aBeatIs')}
          value={freeTime.unit ?? 'as found'}
          onChange={(said) => decide({ kind: 'findTheBeats', unit: said, ...paceFor(said, unit, period) })}
          options={[
            { value: 'as found', label: say('timeline.automatic') },
            ...BEAT_UNITS.map((value) => ({
              value,
              label: `${value === 'eighth' ? say('timeline.an') : 'a'} ${value}`,
            })),
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
  const kinds = new Set(slips.map(({ was }) => was));
  const named = `${bars.slice(0, SHOWN).join(', ')}${bars.length > SHOWN ? ' …' : ''}`;
  const one = kinds.has('too many') ? 'many' : 'few';
  return ` ${say('timeline.slowsThere', { bars: bars.length, named, kinds: kinds.size > 1 ? 'both' : one })}`;
}

function clearness(evidence: number): string {
  if (evidence > 0.5) return say('timeline.clearly');
  return evidence > 0.2 ? say('timeline.mostLikely') : say('timeline.aGuess');
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
      <h2>{say('timeline.correctByTapping')}</h2>
      <p className="soft">{say('timeline.playFromTheFirstBarInViewAndTapAt')}</p>
      <div className={styles.buttons}>
        {sounding ? (
          <Button
            type="primary"
            className={styles.tap}
            onPointerDown={tap}
            onKeyDown={(event) => event.key === 't' && tap()}
          >
            {say('timeline.tapHereTaps', { taps: taps.length })}
          </Button>
        ) : (
          <Button onClick={() => void listen()}>{say('timeline.playAndTap')}</Button>
        )}
        <Button disabled={taps.length < 2} onClick={use}>
          {say('timeline.apply')}
        </Button>
      </div>
      {anchors.length > 0 && (
        <p>
          {say('timeline.beatIsKnown', { anchors: anchors.length })}{' '}
          {anchors.slice(0, 12).map((anchor) => (
            <Tag
              key={anchor}
              closable
              onClose={() => decide({ kind: 'findTheBeats', anchors: anchors.filter((other) => other !== anchor) })}
            >
              {inNumbers(anchor, 2)} s
            </Tag>
          ))}
        </p>
      )}
    </>
  );
}
