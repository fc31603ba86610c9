'use client';

import { say } from '@/core/words';
import { Segmented } from 'antd';
import { useState } from 'react';
import { AuditionBar } from '../audition/AuditionBar';
import { kindOnDesk, useWorkspace } from '../workspace/workspace';
import { AgreementView } from './AgreementView';
import { OverlayView } from './OverlayView';
import { RecordingView } from './RecordingView';
import { StoryView } from './StoryView';
import styles from './proof.module.css';

const LOOKS = {
  agreement: {
    get label() {
      return say('proof.agreement');
    },
    View: AgreementView,
  },
  overlay: {
    get label() {
      return say('proof.allParts');
    },
    View: OverlayView,
  },
  recording: {
    get label() {
      return say('proof.recording');
    },
    View: RecordingView,
  },
  story: {
    get label() {
      return say('proof.theJobsStory');
    },
    View: StoryView,
  },
} satisfies Record<Look, { label: string; View: () => React.ReactNode }>;
const LOOK_NAMES = ['agreement', 'overlay', 'recording', 'story'] as const;
type Look = (typeof LOOK_NAMES)[number];

/** Whether what leaves the house and what came in are the same music; seen, heard, and told. */
export function ProofView() {
  const [look, setLook] = useState<Look>('agreement');
  // A MIDI file that is only cleaned has no written parts to lay over each other.
  const cleaned = useWorkspace((state) => kindOnDesk(state) === 'midi');
  const looks = LOOK_NAMES.filter((one) => one !== 'overlay' || !cleaned);
  const { View } = LOOKS[looks.includes(look) ? look : 'agreement'];
  return (
    <div className={styles.frame}>
      <div className={styles.view}>
        <Segmented<Look>
          className={styles.looks}
          aria-label={say('proof.view')}
          value={look}
          onChange={setLook}
          options={looks.map((value) => ({ value, label: LOOKS[value].label }))}
        />
        <View />
      </div>
      <AuditionBar />
    </div>
  );
}
