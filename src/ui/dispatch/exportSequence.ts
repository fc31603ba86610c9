import { zipSync } from 'fflate';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import { download } from '../shared/download';
import { Paths } from '@/core/dispatch';
import { fileNameOf, settingsOf } from '@/core/documents';

/** Writes the MIDI as it stands and hands it to the browser: one file, or several in a zip. @returns its name */
export async function exportSequence(): Promise<string> {
  const { job, ledger } = useWorkspace.getState();
  const settings = settingsOf(ledger!);
  const files = await engineWorker().sequenceFiles(settings);
  const name = fileNameOf(job?.name ?? 'score');
  if (files.length === 1) {
    const fileName = `${name}.mid`;
    download(files[0]!.bytes, fileName, 'audio/midi');
    return fileName;
  }
  const paths = new Paths();
  const entries = files.map(({ label, bytes }, i): [string, Uint8Array] => [
    paths.take(`${String(i + 1).padStart(2, '0')} ${fileNameOf(label || 'section')}`, '.mid'),
    bytes,
  ]);
  const fileName = `${name}.midi.zip`;
  download(zipSync(Object.fromEntries(entries)), fileName, 'application/zip');
  return fileName;
}
