'use client';

import { say } from '@/core/words';
import type { PartId } from '@/core/base';
import { Button, Checkbox, Segmented, Table } from 'antd';
import { useState } from 'react';
import { PROGRAM_NAMES } from '@/core/instruments';
import { useWorkspace } from '../workspace/workspace';
import { ChartDrawer } from './ChartDrawer';
import { DivideCell } from './DivideCell';
import { DrumKeysDrawer } from './DrumKeysDrawer';
import { PassagesDrawer } from './PassagesDrawer';
import { SoundCell } from './SoundCell';
import { PresetChoice } from '../shared/PresetChoice';
import { useScoreSequence } from '../workspace/useSequence';
import styles from '../shared/sequencing.module.css';
import { SPLITS, type ChannelPlan, type Preset } from '@/core/settings';
import type { ScorePartSummary } from '@/core/engine';
import { Unseen } from '../shared/Unseen';

/** What a part of a score can be divided by. */
const DIVISIONS = SPLITS.filter((split) => split !== 'channel');

/** Which tracks the parts become, with which sounds and channels, and what tells a sample library how to play. */
export function SoundsView() {
  const { sequence, settings } = useScoreSequence();
  const decide = useWorkspace((state) => state.decide);
  const [charting, setCharting] = useState<ScorePartSummary | null>(null);
  const [passages, setPassages] = useState<ScorePartSummary | null>(null);
  const [drumming, setDrumming] = useState<ScorePartSummary | null>(null);
  const own = (part: PartId) => settings.parts[part] ?? {};
  const tracksOf = (part: PartId) => sequence.tracks.filter((track) => track.part === part);
  return (
    <div className={styles.sheet}>
      <div className={styles.row}>
        <PresetChoice
          value={settings.preset}
          onChange={(preset: Preset) => decide({ kind: 'setSequencing', preset })}
        />
        <Segmented<ChannelPlan>
          size="small"
          aria-label={say('casting.channels')}
          value={settings.channels}
          onChange={(channels) => decide({ kind: 'setSequencing', channels })}
          options={[
            { value: 'by-part', label: say('casting.aChannelForEachTrack') },
            { value: 'one-channel', label: say('casting.allOnOneChannel') },
          ]}
        />
      </div>
      <p className="soft">{say('casting.thePresetWritesNoProgramsThe', { preset: settings.preset })}</p>
      <Table<ScorePartSummary>
        size="small"
        rowKey="id"
        pagination={false}
        virtual
        scroll={{ x: 860, y: 500 }}
        dataSource={sequence.parts}
        columns={[
          {
            title: <Unseen>{say('casting.include')}</Unseen>,
            key: 'in',
            width: 36,
            render: (_, part) => (
              <Checkbox
                checked={!own(part.id).leftOut}
                aria-label={say('casting.includePart', { part: part.name })}
                onChange={(event) =>
                  decide({ kind: 'setPartSequencing', part: part.id, leftOut: !event.target.checked })
                }
              />
            ),
          },
          { title: say('casting.part'), key: 'name', width: 150, ellipsis: true, render: (_, part) => part.name },
          {
            title: say('casting.sound'),
            key: 'program',
            width: 210,
            render: (_, part) => (
              <SoundCell
                part={part}
                name={part.name}
                own={own(part.id)}
                usual={
                  part.program
                    ? say('casting.programNamesUsual', { programNames: PROGRAM_NAMES[part.program - 1]! })
                    : say('casting.none2')
                }
                plainKeys="as written"
                onDrums={() => setDrumming(part)}
              />
            ),
          },
          {
            title: say('casting.divide'),
            key: 'split',
            width: 200,
            render: (_, part) => (
              <DivideCell
                part={part}
                name={part.name}
                own={own(part.id)}
                splits={DIVISIONS.filter((split) => split !== 'staff' || part.staves > 1)}
                onPassages={() => setPassages(part)}
              />
            ),
          },
          {
            title: say('casting.techniqueChart'),
            key: 'chart',
            width: 150,
            render: (_, part) =>
              part.unpitched ? null : (
                <Button size="small" onClick={() => setCharting(part)}>
                  {own(part.id).chart?.name ?? say('casting.none2')} …
                </Button>
              ),
          },
          {
            title: say('casting.becomes'),
            key: 'tracks',
            render: (_, part) => (
              <span className="soft">
                {tracksOf(part.id)
                  .map((track) =>
                    say('casting.trackWithChannelAndPreset', {
                      track: track.name,
                      trackPortOver0: track.port > 0,
                      port: track.port + 1,
                      channel: track.channel,
                      preset: Boolean(settings.preset !== 'bare' && track.program && !part.unpitched),
                      programNames: PROGRAM_NAMES[(track.program ?? 1) - 1],
                    }),
                  )
                  .join(' · ')}
              </span>
            ),
          },
        ]}
      />
      {charting && <ChartDrawer key={charting.id} part={charting} onClose={() => setCharting(null)} />}
      {passages && <PassagesDrawer key={passages.id} part={passages} onClose={() => setPassages(null)} />}
      {drumming && <DrumKeysDrawer key={drumming.id} part={drumming} onClose={() => setDrumming(null)} />}
    </div>
  );
}
