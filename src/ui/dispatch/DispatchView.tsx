'use client';

import {
  MUSICXML_VERSIONS,
  SCORE_FORMATS,
  SCORE_FORMAT_NAMES,
  type MusicXmlVersion,
  type ScoreFormat,
} from '@/core/engine';
import { DownloadOutlined } from '@ant-design/icons';
import { App, Button, Segmented } from 'antd';
import { useState } from 'react';
import { keyName, MARK_CLASSES } from '@/core/score';
import { openQueries, useWorkspace } from '../job/workspace';
import { sentence } from '../shared/receive';
import { bytesInWords, clock, count } from '../shared/words';
import { exportScore } from './exportScore';
import { SoundFiles } from './SoundFiles';
import styles from './dispatch.module.css';

/** What leaves the house. */
export function DispatchView() {
  const { message } = App.useApp();
  const summary = useWorkspace((state) => state.summary)!;
  const opened = useWorkspace((state) => state.opened)!;
  const ledger = useWorkspace((state) => state.ledger);
  const job = useWorkspace((state) => state.job)!;
  const busy = useWorkspace((state) => state.progress !== null || state.stale);
  const [concert, setConcert] = useState(false);
  const [version, setVersion] = useState<MusicXmlVersion>('3.0');
  const open = openQueries(summary, ledger).length;
  const suggestions = summary.parts.reduce(
    (sum, { report: { marks } }) =>
      sum + MARK_CLASSES.reduce((some, mark) => some + marks.found[mark] - marks.taken[mark], 0),
    summary.suggestedChords,
  );
  // A first track without notes that carries the tempo is not missing anywhere.
  const conductor = opened.survey.tracks.find((track) => track.index === 0 && track.notes === 0)?.id;
  const out = summary.tracks.filter((track) => track.leftOut && track.id !== conductor);
  const leftOut = out.length;
  const send = (format: ScoreFormat) =>
    exportScore(format, { concert, version })
      .then((name) => message.success(`${name} handed to the browser`))
      .catch((error) => message.error(sentence(error)));

  return (
    <div className={styles.sheet}>
      <h1>{summary.title || job.name}</h1>
      <p className="soft">
        {count(summary.parts.length, 'part', 'parts')}, {count(summary.bars.length, 'bar', 'bars')},{' '}
        {clock(opened.facts.durationSeconds)}, {summary.keys.map((key) => keyName(key)).join(' → ')}
      </p>
      <section className={styles.choice}>
        <div>
          <h2>Score for a notation program</h2>
          <p>
            Names, clefs, transposition, sounds, tempo and meter changes, markers, marks that were taken; no layout, the
            target program lays out better. MusicXML 3.0 opens everywhere; 4.0 has signs that 3.0 lacks, such as ties
            left to ring and unmeasured tremolos.
          </p>
          <div className={styles.group}>
            <Segmented<boolean>
              size="small"
              aria-label="Pitch of the score"
              value={concert}
              onChange={setConcert}
              options={[
                { value: false, label: 'As players read' },
                { value: true, label: 'Concert pitch' },
              ]}
            />
            <Segmented<MusicXmlVersion>
              size="small"
              aria-label="Version of MusicXML"
              value={version}
              onChange={setVersion}
              options={MUSICXML_VERSIONS.map((value) => ({ value, label: `MusicXML ${value}` }))}
            />
          </div>
        </div>
        <div className={styles.buttons}>
          {SCORE_FORMAT_NAMES.map((format, i) => (
            <Button
              key={format}
              type={i === 0 ? 'primary' : 'default'}
              icon={<DownloadOutlined />}
              disabled={busy}
              onClick={() => void send(format)}
            >
              {SCORE_FORMATS[format].words}
            </Button>
          ))}
        </div>
      </section>
      <SoundFiles />
      <section>
        <h2>Before it goes out</h2>
        <ul className={styles.list}>
          <li>{summary.audit}</li>
          <li>
            {open === 0
              ? 'No query is open.'
              : `${count(open, 'query is', 'queries are')} still open; the score goes out as the engine decided there.`}
          </li>
          {suggestions > 0 && (
            <li>
              {count(suggestions, 'suggested mark stays', 'suggested marks stay')} behind: only what was taken on the
              Page goes out.
            </li>
          )}
          <li>
            {leftOut === 0
              ? 'Every track with notes is in the score.'
              : `${count(leftOut, 'track is', 'tracks are')} left out: ${out.map((track) => `“${track.name || track.id}” (${track.reason})`).join(', ')}.`}
          </li>
          <li>
            The original, {job.originals[0]!.fileName} ({bytesInWords(job.originals[0]!.size)}), is unchanged: SHA-256{' '}
            <span className="mono">{job.originals[0]!.sha256.slice(0, 16)}…</span>
          </li>
        </ul>
      </section>
    </div>
  );
}
