'use client';

import { say } from '@/core/words';
import { BookOutlined, DownloadOutlined, QuestionCircleOutlined, RedoOutlined, UndoOutlined } from '@ant-design/icons';
import { App, Button, Tooltip } from 'antd';
import Link from 'next/link';
import { useCallback, useState } from 'react';
import { exportScore } from '../dispatch/exportScore';
import { Jump } from '../jump/Jump';
import { LanguageSwitch } from '../shared/LanguageSwitch';
import { sentence } from '../shared/receive';
import { useJobKeys } from './keys';
import { ManualDrawer } from '../manual/ManualDrawer';
import { useManual } from '../manual/manual';
import { pageOfStation } from '../manual/pages';
import { LedgerDrawer } from './LedgerDrawer';
import type { StationId } from '../workspace/stations';
import { exportSequence } from '../dispatch/exportSequence';
import { DirectionSwitch } from './DirectionSwitch';
import { madeOnDesk, useWorkspace } from '../workspace/workspace';
import styles from './job.module.css';

export function JobHeader({ station }: { station: StationId }) {
  const { message } = App.useApp();
  const job = useWorkspace((state) => state.job);
  const ledger = useWorkspace((state) => state.ledger);
  const ready = useWorkspace((state) => madeOnDesk(state) !== null && state.progress === null && !state.stale);
  const direction = useWorkspace((state) => state.direction);
  const undo = useWorkspace((state) => state.undo);
  const redo = useWorkspace((state) => state.redo);
  const [ledgerOpen, setLedgerOpen] = useState(false);
  const read = useManual((state) => state.read);
  const help = useCallback(() => read(pageOfStation(station)), [read, station]);
  useJobKeys(help);

  return (
    <header className={styles.head}>
      <Link href="/" className={styles.mark}>
        {say('job.dragoman')}
      </Link>
      <span className={styles.jobName} title={job?.originals[0]?.fileName}>
        {job?.name ?? ''}
      </span>
      <DirectionSwitch />
      <span className={styles.push} />
      <Jump station={station} />
      <Tooltip title={say('job.undoCtrlZ')}>
        <Button
          type="text"
          aria-label={say('job.undo')}
          icon={<UndoOutlined />}
          disabled={!ledger || ledger.position === 0}
          onClick={undo}
        />
      </Tooltip>
      <Tooltip title={say('job.redoCtrlShiftZ')}>
        <Button
          type="text"
          aria-label={say('job.redo')}
          icon={<RedoOutlined />}
          disabled={!ledger || ledger.position === ledger.decisions.length}
          onClick={redo}
        />
      </Tooltip>
      <Button type="text" icon={<BookOutlined />} onClick={() => setLedgerOpen(true)}>
        {say('job.ledgerPosition', { position: ledger?.position ?? 0 })}
      </Button>
      <LanguageSwitch />
      <Tooltip title={say('manual.manualKey')}>
        <Button type="text" aria-label={say('manual.manual')} icon={<QuestionCircleOutlined />} onClick={help} />
      </Tooltip>
      {station !== 'dispatch' && (
        <Button
          type="primary"
          icon={<DownloadOutlined />}
          disabled={!ready}
          onClick={() =>
            (direction === 'to-sequencer' ? exportSequence() : exportScore('musicxml', {})).catch((error) =>
              message.error(sentence(error)),
            )
          }
        >
          {say('job.mIDI', { toSequencer: direction === 'to-sequencer' })}
        </Button>
      )}
      <LedgerDrawer open={ledgerOpen} onClose={() => setLedgerOpen(false)} />
      <ManualDrawer />
    </header>
  );
}
