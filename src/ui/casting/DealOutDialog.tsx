'use client';

import type { TrackId } from '@/core/base';
import { Alert, Button, InputNumber, Modal, Segmented, Spin } from 'antd';
import { useEffect, useState } from 'react';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import { count } from '../shared/words';
import { DealLanes } from './DealLanes';
import styles from './casting.module.css';
import { MOST_PLAYERS, type Deal } from '@/core/settings';
import { settingsOf } from '@/core/documents';
import type { DealPreview } from '@/core/engine';

/** Who gets which notes, before it is done. */
export function DealOutDialog({ track, onClose }: { track: TrackId; onClose: () => void }) {
  const ledger = useWorkspace((state) => state.ledger)!;
  const bars = useWorkspace((state) => state.summary!.bars);
  const edition = useWorkspace((state) => state.edition);
  const name = useWorkspace((state) => state.opened!.survey.tracks.find((one) => one.id === track)?.name) || track;
  const decide = useWorkspace((state) => state.decide);
  const { deals, house } = settingsOf(ledger);
  const decided = deals[track] ?? house[track]?.deal;
  const isDealt = decided !== undefined && decided.players > 1;
  const [deal, setDeal] = useState<Deal | null>(isDealt ? decided : null);
  const [preview, setPreview] = useState<DealPreview | null>(null);

  useEffect(() => {
    let latest = true;
    void engineWorker()
      .previewDeal(track, deal)
      .then((next) => latest && setPreview(next));
    return () => {
      latest = false;
    };
  }, [track, deal, edition]);

  const shown = deal ?? preview?.deal;
  const change = (part: Partial<Deal>) => shown && setDeal({ ...shown, ...part });
  const finish = (chosen: Deal) => {
    decide({ kind: 'dealOut', track, deal: chosen });
    onClose();
  };
  return (
    <Modal
      open
      width={860}
      title={`Divide ${name} among players`}
      onCancel={onClose}
      footer={[
        isDealt && shown && (
          <Button key="together" onClick={() => finish({ ...shown, to: 'players', players: 1 })}>
            Keep as one part
          </Button>
        ),
        <Button key="cancel" onClick={onClose}>
          Cancel
        </Button>,
        <Button key="deal" type="primary" disabled={!shown} onClick={() => shown && finish(shown)}>
          Divide
        </Button>,
      ]}
    >
      {!shown || !preview ? (
        <Spin />
      ) : (
        <>
          <div className={styles.dealSettings}>
            <Segmented<Deal['to']>
              size="small"
              value={shown.to}
              onChange={(to) =>
                change({ to, players: to === 'string-choir' ? 5 : Math.max(2, Math.min(MOST_PLAYERS, preview.needed)) })
              }
              options={[
                { value: 'players', label: 'Players alike' },
                { value: 'string-choir', label: 'String choir' },
              ]}
            />
            {shown.to === 'players' && (
              <label className={styles.inline}>
                Players
                <InputNumber
                  size="small"
                  min={2}
                  max={MOST_PLAYERS}
                  value={shown.players}
                  aria-label="Number of players"
                  onChange={(players) => players && change({ players })}
                />
              </label>
            )}
            <Segmented<Deal['spare']>
              size="small"
              value={shown.spare}
              onChange={(spare) => change({ spare })}
              options={[
                { value: 'double', label: 'Spare players double' },
                { value: 'rest', label: 'rest' },
              ]}
            />
            <Segmented<Deal['lines']>
              size="small"
              value={shown.lines}
              onChange={(lines) => change({ lines })}
              options={[
                { value: 'smooth', label: 'Smooth lines' },
                { value: 'top-down', label: 'top note to the first' },
              ]}
            />
            {shown.to === 'players' && (
              <Segmented<Deal['order']>
                size="small"
                value={shown.order}
                onChange={(order) => change({ order })}
                options={[
                  { value: 'straight', label: '1 2 3 4' },
                  { value: 'paired', label: '1 3 2 4' },
                ]}
              />
            )}
          </div>
          <p className="soft">
            At most {preview.needed} at once for {count(preview.players.length, 'player', 'players')}.{' '}
            {count(preview.notes, 'note', 'notes')}, {preview.doubled} of them doubled.
          </p>
          {preview.crowded > 0 && (
            <Alert
              type="warning"
              showIcon
              title={`${count(preview.crowded, 'note finds', 'notes find')} every player busy; one player gets two notes there.`}
            />
          )}
          <DealLanes preview={preview} bars={bars} />
        </>
      )}
    </Modal>
  );
}
