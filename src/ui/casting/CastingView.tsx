'use client';

import { Input, Table, Tooltip } from 'antd';
import { useMemo } from 'react';
import { instrumentById } from '@/core/instruments';
import type { PartSummary } from '@/workers/engine-client';
import { useWorkspace } from '../job/workspace';
import { percent } from '../shared/words';
import { InstrumentSelect } from './InstrumentSelect';
import styles from './casting.module.css';

/** Which tracks become which parts, in score order. */
export function CastingView() {
  const summary = useWorkspace((state) => state.summary)!;
  const opened = useWorkspace((state) => state.opened)!;
  const decide = useWorkspace((state) => state.decide);
  const survey = useMemo(() => new Map(opened.survey.tracks.map((track) => [track.id, track])), [opened]);
  const cast = useMemo(() => new Map(summary.tracks.map((track) => [track.id, track])), [summary]);

  return (
    <div className={styles.view}>
      <p className="soft">
        {opened.survey.tracks.filter((track) => track.notes > 0).length} tracks with notes become {summary.parts.length} parts, in score order. Choose another instrument or name where the engine is wrong.
      </p>
      <Table<PartSummary>
        size="small"
        rowKey="id"
        pagination={false}
        virtual
        scroll={{ x: 900, y: 560 }}
        dataSource={summary.parts}
        columns={[
          {
            title: 'Track as received',
            key: 'track',
            width: 180,
            render: (_, part) => part.tracks.map((id) => <div key={id}>{survey.get(id)?.name || <span className="soft">Track {survey.get(id)!.index + 1}, no name</span>}</div>),
          },
          {
            title: 'Part',
            key: 'part',
            width: 190,
            render: (_, part) => (
              <Input
                size="small"
                key={part.name}
                defaultValue={part.name}
                aria-label={`Name of the part ${part.name}`}
                onPressEnter={(event) => event.currentTarget.blur()}
                onBlur={(event) => {
                  const name = event.currentTarget.value.trim();
                  if (name && name !== part.name) decide({ kind: 'renamePart', part: part.id, name });
                }}
              />
            ),
          },
          {
            title: 'Instrument',
            key: 'instrument',
            width: 210,
            render: (_, part) => <InstrumentSelect value={part.instrument} label={`Instrument of ${part.name}`} onChange={(instrument) => decide({ kind: 'assignInstrument', tracks: part.tracks, instrument })} />,
          },
          {
            title: 'Sure',
            key: 'sure',
            width: 100,
            render: (_, part) => {
              const track = cast.get(part.tracks[0]!)!;
              const chosen = track.recognition.candidates.find(({ instrument }) => instrument === part.instrument);
              return (
                <Tooltip title={track.confidence === 1 ? 'Chosen by you' : (chosen?.evidence.join(' · ') ?? 'Nothing in the file tells')}>
                  <span className={track.confidence < 0.6 ? styles.doubt : undefined}>{track.confidence === 1 ? 'chosen' : percent(track.confidence)}</span>
                </Tooltip>
              );
            },
          },
          { title: 'Written', key: 'written', width: 260, ellipsis: true, render: (_, part) => <span className="soft">{writtenInWords(part.instrument)}</span> },
        ]}
      />
    </div>
  );
}

const CLEF_WORDS: Record<string, string> = { treble: 'treble', bass: 'bass', alto: 'alto', tenor: 'tenor', percussion: 'percussion', 'treble-8vb': 'treble, octave down' };

function writtenInWords(id: string): string {
  const { clefs, transposition } = instrumentById(id);
  const clef = `${clefs.map((name) => CLEF_WORDS[name]).join(' + ')} clef${clefs.length > 1 ? 's' : ''}`;
  if (transposition === 0) return clef;
  return `${clef}, ${Math.abs(transposition)} semitone${Math.abs(transposition) === 1 ? '' : 's'} ${transposition > 0 ? 'above' : 'below'} sounding`;
}
