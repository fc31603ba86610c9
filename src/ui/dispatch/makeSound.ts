'use client';

import { zipSync } from 'fflate';
import * as Comlink from 'comlink';
import { partId, type PartId } from '@/core/base';
import { fileNameOf } from '@/core/documents';
import type { HearingVersion } from '@/core/engine';
import type { Stretch } from '@/core/hearing';
import { soundMaker, type SoundFile, type SoundMaker } from '@/sound/render-client';
import { engineWorker } from '@/workers/engine-client';
import { bankInUse } from '../audition/output';
import { partsOnDesk, useWorkspace } from '../job/workspace';
import { download } from '../shared/download';

export const SOUND_FILES = ['mix', 'parts', 'click'] as const;
export type SoundFiles = (typeof SOUND_FILES)[number];

export interface SoundWish {
  what: SoundFiles;
  version: HearingVersion;
  /** Hertz. */
  sampleRate: 44100 | 48000;
}

/** How far it is, in words and as a share. */
export type OnSound = (words: string, share: number) => void;

const BARS_AT_ONCE = 64;
/** What a browser can hold in memory, at 48 kHz in stereo. */
const LONGEST_MINUTES = 30;
/** Nobody plays it: the click alone is heard. */
const NOBODY: PartId[] = [partId('nobody')];

interface File {
  name: string;
  parts: PartId[];
  click: boolean;
}

/**
 * Makes WAV files and hands them to the browser: a mix, one file a part with the mix beside them, or the click.
 *
 * @returns what was handed over, in words @throws Error with a sentence; DOMException "AbortError" when it was stopped
 */
export async function makeSound(wish: SoundWish, onSound: OnSound, signal: AbortSignal): Promise<string> {
  const { job } = useWorkspace.getState();
  const name = `${fileNameOf(job?.name ?? 'job')} - ${wish.version}`;
  const maker = soundMaker();
  const stopped = new Promise<never>((_, reject) =>
    signal.addEventListener('abort', () => reject(new DOMException('Stopped.', 'AbortError'))),
  );
  stopped.catch(() => undefined);
  const work = async () => {
    onSound('Fetching the sounds', 0);
    const bank = await bankInUse();
    await maker.remote.open(Comlink.transfer(bank, [bank]), wish.sampleRate);
    const made = await renderAll(maker, wish, onSound);
    if (made.length === 1) {
      download(made[0]!.wav, `${name}${wish.what === 'click' ? ' - click' : ''}.wav`, 'audio/wav');
      return `${name}.wav`;
    }
    onSound('Packing', 1);
    const files = Object.fromEntries(made.map((file) => [`${file.name}.wav`, file.wav]));
    // Sound does not shrink by packing.
    download(zipSync(files, { level: 0 }), `${name} - parts.zip`, 'application/zip');
    return `${name} - parts.zip`;
  };
  try {
    return await Promise.race([work(), maker.broken, stopped]);
  } finally {
    maker.end();
  }
}

async function renderAll(
  { remote }: SoundMaker,
  { what, version }: SoundWish,
  onSound: OnSound,
): Promise<{ name: string; wav: Uint8Array }[]> {
  const files = filesOf(what);
  const made: { name: string; wav: Uint8Array }[] = [];
  // Parts are turned down as the mix is, so that together they are the mix.
  let gain: number | null = null;
  for (const [i, file] of files.entries()) {
    const words = files.length === 1 ? 'Computing' : `${i + 1} of ${files.length}: ${file.name}`;
    const stretches = await stretchesOf(version, file);
    const done: SoundFile = await remote.render(
      stretches,
      gain,
      Comlink.proxy((share: number) => onSound(words, (i + share) / files.length)),
    );
    gain ??= done.gain;
    made.push({ name: file.name, wav: done.wav });
  }
  return made;
}

function filesOf(what: SoundFiles): File[] {
  if (what === 'click') return [{ name: 'click', parts: NOBODY, click: true }];
  const mix: File = { name: 'mix', parts: [], click: false };
  if (what === 'mix') return [mix];
  const parts = partsOnDesk(useWorkspace.getState());
  const taken = new Map<string, number>();
  return [
    mix,
    ...parts.map(({ id, name }, i) => {
      const label = `${String(i + 1).padStart(2, '0')} ${fileNameOf(name)}`;
      taken.set(label, (taken.get(label) ?? 0) + 1);
      return { name: label, parts: [id], click: false };
    }),
  ];
}

async function stretchesOf(version: HearingVersion, { parts, click }: File): Promise<Stretch[]> {
  const { direction } = useWorkspace.getState();
  const stretches: Stretch[] = [];
  let seconds = 0;
  for (let from: Stretch['next'] = { bar: 0, pass: 0 }; from;) {
    const stretch: Stretch = await engineWorker().hear(direction, version, { from, bars: BARS_AT_ONCE, parts, click });
    stretches.push(stretch);
    seconds += stretch.end;
    if (seconds > LONGEST_MINUTES * 60)
      throw new Error(`This lasts more than ${LONGEST_MINUTES} minutes, which is too long for one sound file here.`);
    from = stretch.next;
  }
  return stretches;
}
