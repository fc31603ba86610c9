'use client';

import { say } from '@/core/words';
import { DownloadOutlined } from '@ant-design/icons';
import { Button, Spin } from 'antd';
import Markdown from 'react-markdown';
import remarkGfm from 'remark-gfm';
import { fileNameOf } from '@/core/documents';
import { useWorkspace } from '../workspace/workspace';
import { download } from '../shared/download';
import { storyInWords } from './storyInWords';
import { useAgreement, WITH_ORIGINAL } from './useAgreement';
import styles from './proof.module.css';

/** What arrived, who decided what, what came of it and what is open: to be read, printed or kept. */
export function StoryView() {
  const { agreement, failure } = useAgreement(WITH_ORIGINAL);
  const job = useWorkspace((state) => state.job);
  // Decisions and queries belong to the story.
  useWorkspace((state) => state.ledger);
  if (failure) return <p className={styles.failure}>{failure}</p>;
  const text = agreement && storyInWords(agreement);
  if (!text) return <Spin className={styles.spin} description={say('proof.comparingNotes')} />;
  return (
    <article className={styles.story} aria-label={say('proof.theJobsStory')}>
      <Button
        size="small"
        className={styles.keep}
        icon={<DownloadOutlined />}
        onClick={() =>
          download(
            text,
            say('proof.fileNameOfStoryMd', { fileNameOf: fileNameOf(job?.name ?? 'job') }),
            'text/markdown',
          )
        }
      >
        {say('proof.markdown')}
      </Button>
      <Markdown remarkPlugins={[remarkGfm]}>{text}</Markdown>
    </article>
  );
}
