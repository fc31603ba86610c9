'use client';

import { say } from '@/core/words';
import type { PartId } from '@/core/base';
import { leadingTrack } from '@/core/base';
import { Checkbox, Input, Segmented, Table } from 'antd';
import { useRef, useState } from 'react';
import { programName, SURE_ENOUGH } from '@/core/instruments';
import type { MidiPartSummary } from '@/core/engine';
import type { Arranging } from '@/core/settings';
import { useWorkspace } from '../workspace/workspace';
import { useHeight } from '../shared/useHeight';
import { useMidiSequence } from '../workspace/useSequence';
import { DivideCell } from './DivideCell';
import { DrumKeysDrawer } from './DrumKeysDrawer';
import { InstrumentSelect } from './InstrumentSelect';
import { PassagesDrawer } from './PassagesDrawer';
import { SoundCell } from './SoundCell';
import { TrackMenu } from './TrackMenu';
import styles from '../shared/sequencing.module.css';
import { Unseen } from '../shared/Unseen';

/** What a MIDI track can be divided by. */
const DIVISIONS = ['none', 'technique', 'keys', 'voice', 'lines', 'channel'] as const;

/** The tracks of a MIDI file: what each is, what it is called and sounds as, and what it becomes. */
export function MidiTracksView() {
  const { sequence, settings } = useMidiSequence();
  const decide = useWorkspace((state) => state.decide);
  const [drumming, setDrumming] = useState<MidiPartSummary | null>(null);
  const [passages, setPassages] = useState<MidiPartSummary | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const height = useHeight(frame);
  const { arranging } = settings;
  const own = (part: PartId) => settings.parts[part] ?? {};
  const set = (change: Partial<Arranging>) => decide({ kind: 'setArranging', ...change });
  return (
    <div className={styles.filled}>
      <div className={styles.row}>
        <label>
          {say('casting.sounds')}
          <Segmented<Arranging['sounds']>
            size="small"
            aria-label={say('casting.sounds')}
            value={arranging.sounds}
            onChange={(sounds) => set({ sounds })}
            options={[
              { value: 'received', label: say('casting.original') },
              { value: 'instrument', label: say('casting.byInstrument') },
            ]}
          />
        </label>
        <label>
          {say('casting.names')}
          <Segmented<Arranging['names']>
            size="small"
            aria-label={say('casting.names')}
            value={arranging.names}
            onChange={(names) => set({ names })}
            options={[
              { value: 'received', label: say('casting.original') },
              { value: 'instrument', label: say('casting.byInstrument') },
            ]}
          />
        </label>
        <label>
          {say('casting.channels')}
          <Segmented<Arranging['channels']>
            size="small"
            aria-label={say('casting.channels')}
            value={arranging.channels}
            onChange={(channels) => set({ channels })}
            options={[
              { value: 'received', label: say('casting.original') },
              { value: 'by-part', label: say('casting.onePerTrack') },
              { value: 'one-channel', label: say('casting.allOnOne') },
            ]}
          />
        </label>
      </div>
      <div ref={frame} className={styles.rest}>
        <Table<MidiPartSummary>
          size="small"
          rowKey="id"
          pagination={false}
          virtual
          scroll={{ x: 900, y: Math.max(160, height - 40) }}
          dataSource={sequence.parts}
          columns={[
            {
              title: <Unseen>{say('casting.include')}</Unseen>,
              key: 'in',
              width: 36,
              render: (_, part) => (
                <Checkbox
                  checked={!own(part.id).leftOut && (settings.onlyParts?.includes(part.id) ?? true)}
                  aria-label={say('casting.includeReceived', { received: part.received.name || part.name })}
                  onChange={(event) =>
                    decide({ kind: 'setPartSequencing', part: part.id, leftOut: !event.target.checked })
                  }
                />
              ),
            },
            {
              title: say('casting.track2'),
              key: 'name',
              width: 150,
              render: (_, part) => <TrackName part={part} name={own(part.id).trackName ?? null} />,
            },
            {
              title: say('casting.instrument'),
              key: 'instrument',
              width: 150,
              render: (_, part) => (
                <InstrumentSelect
                  value={part.confidence >= SURE_ENOUGH ? part.instrument : undefined}
                  placeholder={say('casting.notRecognised')}
                  label={say('casting.instrumentOfReceived', { received: part.received.name || part.name })}
                  onChange={(instrument) =>
                    decide({ kind: 'assignInstrument', tracks: [leadingTrack(part.id)], instrument })
                  }
                />
              ),
            },
            {
              title: say('casting.sound'),
              key: 'sound',
              width: 176,
              render: (_, part) => (
                <SoundCell
                  part={part}
                  name={part.received.name || part.name}
                  own={own(part.id)}
                  usual={soundAsItIs(part, sequence.tracks, arranging)}
                  plainKeys="original"
                  onDrums={() => setDrumming(part)}
                />
              ),
            },
            {
              title: say('casting.divide'),
              key: 'split',
              width: 226,
              render: (_, part) => (
                <span className={styles.group}>
                  <DivideCell
                    part={part}
                    name={part.received.name || part.name}
                    own={own(part.id)}
                    splits={DIVISIONS}
                    onPassages={() => setPassages(part)}
                  />
                  <TrackMenu part={part} parts={sequence.parts} />
                </span>
              ),
            },
            {
              title: say('casting.becomes'),
              key: 'tracks',
              render: (_, part) => (
                <span className="soft">
                  {sequence.tracks
                    .filter((track) => track.part === part.id)
                    .map(({ name, port, channel, program }) =>
                      say('casting.trackWithChannelAndSound', {
                        name: name || say('casting.unnamed'),
                        portOver0: port > 0,
                        port: port + 1,
                        channel,
                        program: program === null,
                        programName: program === null ? null : programName(program),
                      }),
                    )
                    .join(' · ')}
                </span>
              ),
            },
          ]}
        />
      </div>
      {drumming && <DrumKeysDrawer key={drumming.id} part={drumming} onClose={() => setDrumming(null)} />}
      {passages && <PassagesDrawer key={passages.id} part={passages} onClose={() => setPassages(null)} />}
    </div>
  );
}

function soundAsItIs(
  part: MidiPartSummary,
  tracks: readonly { part: PartId; program: number | null }[],
  { sounds }: Arranging,
): string {
  const program = tracks.find((track) => track.part === part.id)?.program ?? null;
  const own = sounds === 'instrument' ? (program ?? part.received.program) : part.received.program;
  return own === null ? say('casting.none2') : programName(own);
}

function TrackName({ part, name }: { part: MidiPartSummary; name: string | null }) {
  const decide = useWorkspace((state) => state.decide);
  const shown = name ?? part.received.name;
  return (
    <Input
      key={shown}
      size="small"
      variant="borderless"
      aria-label={say('casting.nameOfTrackChunk', { chunk: part.received.chunk + 1 })}
      placeholder={say('casting.trackChunk', { chunk: part.received.chunk + 1 })}
      defaultValue={shown}
      maxLength={200}
      onPressEnter={(event) => event.currentTarget.blur()}
      onBlur={(event) => {
        const next = event.currentTarget.value.trim();
        if (next !== shown) decide({ kind: 'setPartSequencing', part: part.id, trackName: next || null });
      }}
    />
  );
}
