import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Decision } from '@/core/decisions';
import { EMPTY_LEDGER, enter, undo, type Ledger } from '@/core/documents';
import { leftUnstored, noteUnstored } from './unstored';

const title = (text: string): Decision => ({ kind: 'setTitle', title: text });
const titles = (ledger: Ledger) => ledger.decisions.map((one) => (one.kind === 'setTitle' ? one.title : one.kind));
const ledgerOf = (...texts: string[]) => texts.map(title).reduce(enter, EMPTY_LEDGER);

/** Notes as a browser keeps them, which only hold text. */
function browserNotes(): Storage {
  const notes: Record<string, string> = {};
  const methods = {
    getItem: (key: string) => notes[key] ?? null,
    setItem: (key: string, text: string) => void (notes[key] = text),
    removeItem: (key: string) => void delete notes[key],
  };
  for (const [name, value] of Object.entries(methods)) Object.defineProperty(notes, name, { value, enumerable: false });
  return notes as unknown as Storage;
}

let locks: string[];
/** Whatever this window noted becomes the note of a window that is gone. */
async function left(job = 'job') {
  for (const key of Object.keys(localStorage)) {
    const text = localStorage.getItem(key)!;
    localStorage.removeItem(key);
    localStorage.setItem(key.replace(/:[^:]*$/, ':gone'), text);
  }
  return leftUnstored(job);
}

beforeEach(() => {
  locks = [];
  vi.stubGlobal('localStorage', browserNotes());
  vi.stubGlobal('navigator', {
    locks: {
      request: async (name: string, _: unknown, granted?: () => unknown) =>
        granted && (locks.includes(name) ? Promise.reject(new DOMException('', 'TimeoutError')) : granted()),
    },
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('decisions on their way to storage', () => {
  it('are there again when the window was closed before they were stored', async () => {
    const base = ledgerOf('One');
    noteUnstored('job', base, enter(enter(base, title('Two')), title('Three')));
    const [note, ...more] = await left();
    expect(more).toEqual([]);
    expect(titles(note!.change(base))).toEqual(['One', 'Two', 'Three']);
    note!.forget();
    expect(await leftUnstored('job')).toEqual([]);
  });
  it('are entered once where they were stored all the same', async () => {
    const base = ledgerOf('One');
    const now = enter(base, title('Two'));
    noteUnstored('job', base, now);
    expect((await left())[0]!.change(structuredClone(now))).toEqual(now);
  });
  it('come behind what another window decided since', async () => {
    const base = ledgerOf('One');
    noteUnstored('job', base, enter(base, title('Two')));
    expect(titles((await left())[0]!.change(ledgerOf('One', 'Elsewhere')))).toEqual(['One', 'Elsewhere', 'Two']);
  });
  it('include what was undone, and what was decided after that', async () => {
    const base = ledgerOf('One', 'Two');
    noteUnstored('job', base, undo(base));
    expect((await left())[0]!.change(base)).toEqual(undo(base));
    noteUnstored('job', base, enter(undo(base), title('Three')));
    expect(titles((await left())[0]!.change(base))).toEqual(['One', 'Three']);
  });
  it('are left to the window that made them while it is open', async () => {
    noteUnstored('job', EMPTY_LEDGER, ledgerOf('One'));
    expect(await leftUnstored('job')).toEqual([]);
    locks = ['dragoman-unstored:gone'];
    expect(await left()).toEqual([]);
    locks = [];
    expect(await left('another')).toEqual([]);
    expect(await leftUnstored('job')).toHaveLength(1);
  });
  it('are passed over where the note is damaged, or holds what nobody can decide', async () => {
    localStorage.setItem('dragoman-unstored:job:gone', '{"base":');
    expect(await leftUnstored('job')).toEqual([]);
    noteUnstored('job', EMPTY_LEDGER, {
      decisions: [{ kind: 'setTitle', title: 5 } as unknown as Decision],
      position: 1,
    });
    expect(await left()).toEqual([]);
  });
});
