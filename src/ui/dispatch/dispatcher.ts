'use client';

import type { Verdict } from '@/core/verify';
import * as Comlink from 'comlink';
import type { JobToSend, Preview } from '@/core/dispatch';
import { isScoreFile } from '@/core/engine';
import type { Ledger, Recipe } from '@/core/documents';
import { originalBytes } from '@/storage/jobs';
import type { JobRecord } from '@/storage/schema';
import {
  asProxy,
  startDispatcher,
  type About,
  type CueFacts,
  type Dispatcher,
  type OnShare,
  type Sending,
} from '@/workers/dispatch-client';
import { bankInUse } from '../audition/output';

/*
 * The worker that hands jobs over, kept as long as it is not stopped: what lies on its desk need not be converted again. Work is done in
 * order; each piece says whose job it needs.
 */

let running: Dispatcher | null = null;
let laidOut: { job: string; ledger: Ledger; direction: string; originals: number } | null = null;
let queue: Promise<unknown> = Promise.resolve();

export type JobInHand = Pick<JobRecord, 'id' | 'name' | 'originals' | 'direction'> & { ledger: Ledger };

/** Everything that was asked is given up. */
export function stopDispatcher(): void {
  running?.end();
  running = null;
  laidOut = null;
  queue = Promise.resolve();
}

/** One that breaks down is not asked again: the next question starts another. */
function start(): Dispatcher {
  const started = startDispatcher();
  started.ended.catch(() => {
    if (running === started) stopDispatcher();
  });
  return started;
}

async function asked<T>(work: (remote: Dispatcher['remote']) => Promise<T>): Promise<T> {
  running ??= start();
  const mine = running;
  const next = queue.then(() => {
    if (running !== mine) throw new DOMException('Stopped.', 'AbortError');
    return Promise.race([work(mine.remote), mine.ended]);
  });
  queue = next.catch(() => undefined);
  return next;
}

async function withJob<T>(job: JobInHand, work: (remote: Dispatcher['remote']) => Promise<T>): Promise<T> {
  const toSend = await jobToSend(job);
  return asked(async (remote) => {
    const { id, ledger, originals } = job;
    const there =
      laidOut?.job === id &&
      laidOut.ledger === ledger &&
      laidOut.direction === toSend.direction &&
      laidOut.originals === originals.length;
    if (!there) {
      laidOut = null;
      await remote.load(toSend);
      laidOut = { job: id, ledger, direction: toSend.direction, originals: originals.length };
    }
    return work(remote);
  });
}

async function jobToSend({ name, direction, originals, ledger }: JobInHand): Promise<JobToSend> {
  const files = await Promise.all(
    originals.map(async ({ fileName, sha256 }) => ({ fileName, bytes: await originalBytes(sha256) })),
  );
  const usual = isScoreFile(files[0]!.bytes) ? 'to-sequencer' : 'to-score';
  return { name, direction: direction ?? usual, originals: files, ledger };
}

/** What a recipe would make of a job. @throws Error with one sentence */
export const previewOf = (job: JobInHand, recipe: Recipe): Promise<Preview> =>
  withJob(job, (remote) => remote.preview(recipe));

/** Tracks with notes, as the house list asks for them. @throws Error with one sentence */
export const tracksOf = (job: JobInHand) => withJob(job, (remote) => remote.tracks());

/** What a show's list says of a job. @throws Error with one sentence */
export const factsOf = (job: JobInHand): Promise<CueFacts> => withJob(job, (remote) => remote.facts());

export interface Made extends Sending {
  preview: Preview;
}

/**
 * Makes the files of a recipe.
 *
 * @param under folder of the parcel they wait in; null hands them over
 * @throws Error with one sentence; DOMException "AbortError" when it was stopped
 */
export async function makeFiles(
  job: JobInHand,
  recipe: Recipe,
  how: { version: number; date: string; under: string | null },
  onShare: OnShare,
): Promise<Made> {
  const bank = recipe.sound ? await bankInUse() : null;
  const { under, ...dispatched } = how;
  return withJob(job, async (remote) => {
    if (bank) await remote.takeBank(Comlink.transfer(bank, [bank]));
    const preview = await remote.preview(recipe);
    return { preview, ...(await remote.send(recipe, dispatched, under, asProxy(onShare))) };
  });
}

export const emptyParcel = (): Promise<void> => asked((remote) => remote.emptyParcel());

/** One zip of what waits. */
export const packParcel = (about: About): Promise<Uint8Array> => asked((remote) => remote.pack(about));

/** A parcel held against its own claims. @throws Error with one sentence when it is none */
export const verifyParcel = (bytes: Uint8Array): Promise<Verdict[]> => asked((remote) => remote.verify(bytes));
