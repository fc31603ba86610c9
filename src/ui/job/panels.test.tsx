import { readFileSync } from 'node:fs';
// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { cleanup, fireEvent, render, renderHook, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { partId, queryId } from '@/core/base';
import type { OpenQuery, Summary } from '@/core/engine';
import { KEYS, useJobKeys } from './keys';
import { LedgerDrawer } from './LedgerDrawer';
import { QueryPanel } from './QueryPanel';
import { NotOpened } from './Waiting';
import { useWorkspace } from '../workspace/workspace';

vi.mock('next/navigation', () => ({ usePathname: () => window.location.pathname }));

const query = (n: number): OpenQuery => ({
  id: queryId(`staves/t${n}`),
  kind: 'staves',
  effect: 'look',
  touched: 3,
  part: partId(`t${n}`),
  message: `Part ${n} might want two staves.`,
  remedies: [{ label: 'Write on two staves', decision: { kind: 'setStaves', part: partId(`t${n}`), staves: 2 } }],
});
const decide = vi.fn();
const first = useWorkspace.getInitialState();

beforeEach(() => {
  // Only what these panels read.
  const summary = { queries: [query(1), query(2)], parts: [{ id: 't1', name: 'Celesta', tracks: ['t1'] }], bars: [] };
  useWorkspace.setState({
    ...first,
    decide,
    folded: false,
    job: { id: 'job' } as never,
    ledger: { decisions: [], position: 0 },
    summary: summary as unknown as Summary,
  });
});
afterEach(() => {
  cleanup();
  vi.clearAllMocks();
});

describe('a job that cannot be made', () => {
  const buttons = () => screen.getAllByRole('button').map((button) => button.textContent);
  it('can be tried again, undone, turned and saved', () => {
    const [undo, turn, open] = [vi.fn(), vi.fn(), vi.fn()];
    const ledger = { decisions: [], position: 1 };
    useWorkspace.setState({ undo, turn, open, direction: 'to-score', ledger });
    render(<NotOpened id="job" failure="The bars of this score cannot be written." />);
    expect(screen.getByText('Its files and decisions are kept.')).toBeTruthy();
    expect(buttons()).toEqual(['Try again', 'Undo the last decision', 'To sequencer instead', 'Save archive']);
    fireEvent.click(screen.getByText('Undo the last decision'));
    fireEvent.click(screen.getByText('To sequencer instead'));
    fireEvent.click(screen.getByText('Try again'));
    expect(undo).toHaveBeenCalledOnce();
    expect(turn).toHaveBeenCalledWith('to-sequencer');
    expect(open).toHaveBeenCalledWith('job', true);
  });
  it('that is not there can only be tried again', () => {
    useWorkspace.setState({ job: null });
    render(<NotOpened id="job" failure="This job is not in this browser." />);
    expect(buttons()).toEqual(['Try again']);
  });
});

describe('the queries', () => {
  it('stand one under the other, and go to their station', () => {
    render(<QueryPanel />);
    fireEvent.click(screen.getByText('Part 2 might want two staves.'));
    expect(useWorkspace.getState().query).toBe('staves/t2');
    expect(window.location.pathname).toBe('/job/job/page');
  });
  it('are answered by a button that says what it does', () => {
    useWorkspace.setState({ query: queryId('staves/t1') });
    render(<QueryPanel />);
    fireEvent.click(screen.getByRole('button', { name: 'Write on two staves' }));
    expect(decide).toHaveBeenCalledWith({ kind: 'setStaves', part: 't1', staves: 2 });
  });
  it('say when none is left', () => {
    useWorkspace.setState({
      folded: false,
      ledger: {
        decisions: [1, 2].map((n) => ({ kind: 'dismissQuery', query: query(n).id, reason: '' })),
        position: 2,
      },
    });
    render(<QueryPanel />);
    expect(screen.getByText('No open queries.')).toBeDefined();
  });
});

describe('the ledger', () => {
  it('says each decision in words, and goes back to a line', () => {
    const moveTo = vi.fn();
    useWorkspace.setState({
      moveTo,
      ledger: {
        decisions: [
          { kind: 'setStaves', part: partId('t1'), staves: 2 },
          { kind: 'setTitle', title: 'Goose' },
        ],
        position: 1,
      },
    });
    render(<LedgerDrawer open onClose={() => {}} />);
    expect(screen.getByText(/1\. Celesta: two staves/).closest('[aria-current=true]')).not.toBeNull();
    fireEvent.click(screen.getByText(/2\. Title: “Goose”/));
    expect(moveTo).toHaveBeenCalledWith(2);
  });
});

describe('the keys', () => {
  const press = (key: string, more: Partial<KeyboardEventInit> = {}, on: Element = document.body) =>
    fireEvent.keyDown(on, { key, bubbles: true, ...more });

  it('walk the queries, accept and set aside', () => {
    renderHook(() => useJobKeys(() => {}));
    press('n');
    expect(useWorkspace.getState().query).toBe('staves/t1');
    press('n');
    expect(useWorkspace.getState().query).toBe('staves/t2');
    // Behind the last comes the first, and before the first the last.
    press('n');
    expect(useWorkspace.getState().query).toBe('staves/t1');
    press('b');
    expect(useWorkspace.getState().query).toBe('staves/t2');
    press('b');
    press('a');
    expect(decide).toHaveBeenLastCalledWith(query(1).remedies[0]!.decision);
    press('d');
    expect(decide).toHaveBeenLastCalledWith({
      kind: 'dismissQuery',
      query: 'staves/t1',
      reason: '',
      about: 'Part 1 might want two staves.',
    });
  });
  it('undo and redo with the usual ones, and change how many bars are in view', () => {
    const [undo, redo] = [vi.fn(), vi.fn()];
    useWorkspace.setState({ undo, redo });
    renderHook(() => useJobKeys(() => {}));
    press('z', { ctrlKey: true });
    press('Z', { ctrlKey: true, shiftKey: true });
    expect([undo.mock.calls.length, redo.mock.calls.length]).toEqual([1, 1]);
    press('-');
    expect(useWorkspace.getState().passage.bars).toBe(6);
    press('+', { shiftKey: true });
    expect(useWorkspace.getState().passage.bars).toBe(4);
  });
  it('leave what is typed to the field it is typed in', () => {
    const onHelp = vi.fn();
    renderHook(() => useJobKeys(onHelp));
    render(<input aria-label="Name" />);
    press('n', {}, screen.getByLabelText('Name'));
    press('?', { shiftKey: true }, screen.getByLabelText('Name'));
    expect(useWorkspace.getState().query).toBeNull();
    expect(onHelp).not.toHaveBeenCalled();
    press('?', { shiftKey: true });
    expect(onHelp).toHaveBeenCalledOnce();
  });
  it.each(['en', 'de'])('are all in the manual (%s)', (language) => {
    const listed = new Set(
      readFileSync(`docs/manual/${language}/keys.md`, 'utf8')
        .match(/`[^`]+`/g)!
        .flatMap((shown) => shown.slice(1, -1).split(/[\s+]+/)),
    );
    const SHOWN: Record<string, RegExp> = { Delete: /^(Delete|Entf)$/, Space: /^(Space|Leertaste)$/, ArrowUp: /^↑$/ };
    const ARROWS: Record<string, string> = { ArrowDown: '↓', ArrowLeft: '←', ArrowRight: '→', '-': '−' };
    // Another key for the same stands for itself.
    const keys = Object.keys(KEYS).flatMap((press) => (press === 'Backspace' ? [] : [press.split('+').at(-1)!]));
    const missing = keys.filter((key) => {
      const shown = SHOWN[key] ?? ARROWS[key] ?? key.toUpperCase();
      return key !== '' && ![...listed].some((one) => (typeof shown === 'string' ? one === shown : shown.test(one)));
    });
    expect(missing).toEqual([]);
  });
});
