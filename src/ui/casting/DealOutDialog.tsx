'use client';

import { say } from '@/core/words';
import type { TrackId } from '@/core/base';
import { Alert, Button, InputNumber, Modal, Segmented, Spin } from 'antd';
import { useEffect, useState } from 'react';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
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
      title={say('casting.divideNameAmongPlayers', { name })}
      onCancel={onClose}
      footer={[
        isDealt && shown && (
          <Button key="together" onClick={() => finish({ ...shown, to: 'players', players: 1 })}>
            {say('casting.keepAsOnePart')}
          </Button>
        ),
        <Button key="cancel" onClick={onClose}>
          {say('casting.cancel')}
        </Button>,
        <Button key="deal" type="primary" disabled={!shown} onClick={() => shown && finish(shown)}>
          {say('casting.divide')}
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
                { value: 'players', label: say('casting.playersAlike') },
                { value: 'string-choir', label: say('casting.stringChoir') },
              ]}
            />
            {shown.to === 'players' && (
              <label className={styles.inline}>
                {say('casting.players')}
                <InputNumber
                  size="small"
                  min={2}
                  max={MOST_PLAYERS}
                  value={shown.players}
                  aria-label={say('casting.numberOfPlayers')}
                  onChange={(players) => players && change({ players })}
                />
              </label>
            )}
            <Segmented<Deal['spare']>
              size="small"
              value={shown.spare}
              onChange={(spare) => change({ spare })}
              options={[
                { value: 'double', label: say('casting.sparePlayersDouble') },
                { value: 'rest', label: say('casting.rest') },
              ]}
            />
            <Segmented<Deal['lines']>
              size="small"
              value={shown.lines}
              onChange={(lines) => change({ lines })}
              options={[
                { value: 'smooth', label: say('casting.smoothLines') },
                { value: 'top-down', label: say('casting.topNoteToTheFirst') },
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
            {say('casting.atMostNeededAtOnceForPlayerNote', {
              needed: preview.needed,
              players: preview.players.length,
              notes: preview.notes,
              doubled: preview.doubled,
            })}
          </p>
          {preview.crowded > 0 && (
            <Alert
              type="warning"
              showIcon
              title={say('casting.noteFindsEveryPlayerBusyOnePlayer', { crowded: preview.crowded })}
            />
          )}
          <DealLanes preview={preview} bars={bars} />
        </>
      )}
    </Modal>
  );
}
