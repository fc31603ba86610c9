'use client';

import { say } from '@/core/words';
import { Button, Input, Modal, Radio } from 'antd';
import { useState } from 'react';
import styles from './home.module.css';

export type Become = { kind: 'jobs' } | { kind: 'one'; how: 'together' | 'in turn' } | { kind: 'show'; name: string };

type Choice = 'jobs' | 'together' | 'in turn' | 'show';

/** What several files shall become. */
export function SeveralFiles({
  files,
  onChoose,
  onClose,
}: {
  files: readonly File[];
  onChoose: (become: Become) => void;
  onClose: () => void;
}) {
  const [choice, setChoice] = useState<Choice>('show');
  const [name, setName] = useState(() => commonName(files.map((file) => file.name)) || say('home.aNewShow'));
  const choose = () => {
    if (choice === 'show') onChoose({ kind: 'show', name: name.trim() || say('home.aNewShow') });
    else onChoose(choice === 'jobs' ? { kind: 'jobs' } : { kind: 'one', how: choice });
  };
  return (
    <Modal
      open
      width={560}
      title={say('home.whatShouldFileBecome', { files: files.length })}
      onCancel={onClose}
      footer={[
        <Button key="no" onClick={onClose}>
          {say('home.cancel')}
        </Button>,
        <Button key="yes" type="primary" onClick={choose}>
          {say('home.continue')}
        </Button>,
      ]}
    >
      <Radio.Group
        vertical
        className={styles.become}
        value={choice}
        onChange={({ target }) => setChoice(target.value)}
        options={[
          { value: 'show', label: say('home.aShowCuesThatShareHouseListRecipe') },
          { value: 'jobs', label: say('home.oneJobPerFile') },
          { value: 'together', label: say('home.oneJobTracksOrPartsOfOnePiece') },
          { value: 'in turn', label: say('home.oneJobOneAfterTheOther') },
        ]}
      />
      {choice === 'show' && (
        <Input
          aria-label={say('home.nameOfTheShow')}
          maxLength={200}
          value={name}
          onChange={({ target }) => setName(target.value)}
        />
      )}
      <p>{namesInWords(files.map((file) => file.name))}</p>
    </Modal>
  );
}

const MOST_NAMED = 8;

function namesInWords(names: readonly string[]): string {
  const rest = names.length - MOST_NAMED;
  const named = names.slice(0, MOST_NAMED).join(', ');
  return rest > 0 ? say('base.andMore', { named, more: rest }) : named;
}

/** Shorter ones ("1m") are numbers of cues, not names of shows. */
const SHORTEST_NAME = 3;

/** What the names begin with alike, without the number that tells them apart; empty where that says nothing. */
export function commonName(names: readonly string[]): string {
  const [first = ''] = names;
  let length = first.length;
  for (const name of names) while (!name.startsWith(first.slice(0, length))) length--;
  const common = first
    .slice(0, length)
    .replace(/[\s\d_.,–-]+$/, '')
    .replace(/[\s_.,–-]+(?:cue|act|part|no|nr)$/i, '');
  return common.length < SHORTEST_NAME ? '' : common;
}
