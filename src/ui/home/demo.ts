import { say } from '@/core/words';
import { database } from '@/storage/schema';
import { receive } from '../shared/receive';

const DEMO_FILE = 'clockmakers-goose-cue-3.mid';
const SEEN = 'dragoman-demo-made';

let making: Promise<void> | null = null;

/** Makes the demo job the first time the application is opened in this browser; one that was deleted stays deleted. */
export function ensureDemo(): Promise<void> {
  making ??= makeDemo().finally(() => {
    making = null;
  });
  return making;
}

async function makeDemo(): Promise<void> {
  if (localStorage.getItem(SEEN) || (await database.jobs.count()) > 0) return;
  const response = await fetch(`/demo/${DEMO_FILE}`);
  if (!response.ok) throw new Error(say('home.demoNotLoaded', { status: response.status }));
  await receive(
    { fileName: DEMO_FILE, bytes: new Uint8Array(await response.arrayBuffer()) },
    { demo: true, name: 'The Clockmaker’s Goose, cue 3' },
  );
  // Only now: somebody who leaves while it is made gets it the next time.
  localStorage.setItem(SEEN, 'yes');
}
