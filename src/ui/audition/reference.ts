'use client';

import { say } from '@/core/words';
import { placeAt, timeOf, type HeardPlace } from '@/core/hearing';
import { referenceOf } from '@/storage/sounds';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';

/* A recording that lies beside the job, heard at the same bars. */

/** Plays the recording from a place; slower it keeps its pitch. @throws Error when there is none, or it cannot be played */
export async function playReference(place: HeardPlace, rate: number, onEnd: () => void) {
  const { job } = useWorkspace.getState();
  const reference = job && (await referenceOf(job.id));
  if (!reference) throw new Error('This job has no recording. Add one under “Sounds”.');
  const clock = await engineWorker().barClock();
  const url = URL.createObjectURL(new Blob([new Uint8Array(reference.bytes)]));
  const audio = new Audio(url);
  audio.preservesPitch = true;
  audio.playbackRate = rate;
  const first = clock.bars[0]!.at;
  audio.currentTime = Math.max(0, timeOf(clock, place) - first + reference.offset);
  const leave = () => {
    audio.pause();
    URL.revokeObjectURL(url);
  };
  audio.addEventListener('ended', () => {
    leave();
    onEnd();
  });
  try {
    await audio.play();
  } catch {
    leave();
    throw new Error(say('audition.cannotBePlayed', { name: reference.fileName }));
  }
  return {
    place: () => placeAt(clock, audio.currentTime - reference.offset + first),
    leave: (at?: number) => (at === undefined ? leave() : void setTimeout(leave, (at - now()) * 1000)),
    silence: leave,
    now,
  };
}

const now = () => performance.now() / 1000;
