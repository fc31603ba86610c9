'use client';

import { say } from '@/core/words';
import { Button, Progress } from 'antd';
import { stopDispatcher } from './dispatcher';

/** How far it is, in words and as a share. */
export interface SendingState {
  words: string;
  /** 0–1 */
  share: number;
}

export const AT_THE_BEGINNING: SendingState = {
  get words() {
    return say('dispatch.converting');
  },
  share: 0,
};

/** Somebody stopped it: nothing is said. */
export const isStop = (error: unknown) => error instanceof DOMException && error.name === 'AbortError';

/** What is being made, and a way to stop it. */
export function Sending({ state: { words, share }, className }: { state: SendingState; className: string }) {
  return (
    <div className={className} role="status">
      <Progress percent={Math.round(share * 100)} size="small" />
      <span className="soft">{words} …</span>
      <Button size="small" onClick={stopDispatcher}>
        {say('dispatch.stop')}
      </Button>
    </div>
  );
}
