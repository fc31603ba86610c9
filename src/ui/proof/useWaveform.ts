'use client';

import { say } from '@/core/words';
import { useEffect, useState } from 'react';
import { onsetStrength, type BarClock } from '@/core/hearing';
import type { ReferenceRecord } from '@/storage/schema';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';

/** What a recording looks like. */
export interface RecordedWave {
  seconds: number;
  /** Loudest sample of each stretch of a hundredth of the whole's thousandth. */
  peaks: { at: number; loud: number }[];
  /** Rise of the loudness, hundred times a second. */
  strength: Float32Array;
}

const PEAKS = 1600;

interface Seen {
  waveform: RecordedWave | null;
  bars: BarClock | null;
  failure: string | null;
}

/** Reads a recording, and when the bars of the job are. */
export function useWaveform(reference: ReferenceRecord | null): Seen {
  const edition = useWorkspace((state) => state.edition);
  const direction = useWorkspace((state) => state.direction);
  const [waveform, setWaveform] = useState<Pick<Seen, 'waveform' | 'failure'>>({ waveform: null, failure: null });
  const [bars, setBars] = useState<BarClock | null>(null);
  // Moving a recording does not change it.
  const key = reference && `${reference.job}/${reference.fileName}/${reference.bytes.length}`;
  const bytes = reference?.bytes;
  const name = reference?.fileName;
  useEffect(() => {
    let current = true;
    if (!bytes) return;
    read(bytes)
      .then((read) => current && setWaveform({ waveform: read, failure: null }))
      .catch(
        () =>
          current &&
          setWaveform({
            waveform: null,
            failure: say('proof.nameCannotBeReadByThisBrowserWAV', { name: name ?? '' }),
          }),
      );
    return () => {
      current = false;
    };
    // oxlint-disable-next-line react/exhaustive-deps -- the bytes come anew with each look into the storage
  }, [key]);
  useEffect(() => {
    let current = true;
    void engineWorker()
      .barClock()
      .then((clock) => current && setBars(clock));
    return () => {
      current = false;
    };
  }, [edition, direction]);
  return { ...waveform, bars };
}

async function read(bytes: Uint8Array): Promise<RecordedWave> {
  const context = new OfflineAudioContext(1, 1, 44_100);
  const audio = await context.decodeAudioData(new Uint8Array(bytes).buffer);
  const samples = audio.getChannelData(0);
  const size = Math.max(1, Math.ceil(samples.length / PEAKS));
  const peaks: RecordedWave['peaks'] = [];
  for (let from = 0; from < samples.length; from += size) {
    let loud = 0;
    for (const x of samples.subarray(from, from + size)) loud = Math.max(loud, Math.abs(x));
    peaks.push({ at: from / audio.sampleRate, loud });
  }
  return { seconds: audio.duration, peaks, strength: onsetStrength(samples, audio.sampleRate) };
}
