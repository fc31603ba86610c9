import { database } from '@/storage/schema';
import { receive } from '../shared/receive';

const DEMO_FILE = 'clockmakers-goose-cue-3.mid';
const SEEN = 'dragoman-demo-made';

/** Makes the demo job the first time the application is opened in this browser; one that was deleted stays deleted. */
export async function ensureDemo(): Promise<void> {
  if (localStorage.getItem(SEEN) || (await database.jobs.count()) > 0) return;
  localStorage.setItem(SEEN, 'yes');
  try {
    const response = await fetch(`/demo/${DEMO_FILE}`);
    if (!response.ok) throw new Error(`The demo file could not be loaded (${response.status}).`);
    await receive(
      { fileName: DEMO_FILE, bytes: new Uint8Array(await response.arrayBuffer()) },
      { demo: true, name: 'The Clockmaker’s Goose, cue 3' },
    );
  } catch (error) {
    localStorage.removeItem(SEEN);
    throw error;
  }
}
