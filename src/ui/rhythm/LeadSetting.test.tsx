// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Lead } from '@/core/to-score';
import { LeadSetting } from './LeadSetting';

afterEach(cleanup);

function shown(lead: Partial<Lead>) {
  const onSet = vi.fn<(milliseconds: number) => void>();
  const found: Lead = { milliseconds: 118, confidence: 0.97, pinned: false, evidence: '96 onsets fit best', ...lead };
  render(<LeadSetting name="Violin 1" lead={found} onSet={onSet} />);
  return onSet;
}
const buttons = () => screen.queryAllByRole('button').flatMap(({ textContent }) => textContent || []);

describe('the lead of a track', () => {
  it('is confirmed as it was found, or left as played', () => {
    const onSet = shown({});
    fireEvent.click(screen.getByRole('button', { name: 'Confirm 118 ms' }));
    expect(onSet).toHaveBeenLastCalledWith(118);
    fireEvent.click(screen.getByRole('button', { name: 'Write as played' }));
    expect(onSet).toHaveBeenLastCalledWith(0);
  });
  it('is offered, not confirmed, unchanged only asked about', () => {
    shown({ confidence: 0.5, milliseconds: -40 });
    expect(buttons()).toEqual(['Correct by 40 ms', 'Write as played']);
  });
  it('has nothing left to say where somebody set it, or there is none', () => {
    shown({ pinned: true });
    expect(buttons()).toEqual([]);
    cleanup();
    shown({ milliseconds: 0 });
    expect(buttons()).toEqual([]);
  });
});
