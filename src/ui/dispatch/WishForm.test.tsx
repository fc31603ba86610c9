// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { DELIVERIES, DELIVERY, HOUSE_RECIPES, type Recipe } from '@/core/documents';
import { WishForm } from './WishForm';

const nothing: Recipe = { ...HOUSE_RECIPES[0]!, score: null };
const everything: Recipe = {
  ...nothing,
  ...Object.fromEntries(DELIVERIES.map((kind) => [kind, DELIVERY[kind].usual])),
};

afterEach(cleanup);

function form(kind: (typeof DELIVERIES)[number], recipe: Recipe) {
  const onChange = vi.fn<(change: Partial<Recipe>) => void>();
  render(<WishForm kind={kind} recipe={recipe} onChange={onChange} />);
  return onChange;
}

describe('the fields of a kind of file', () => {
  it.each(DELIVERIES)('are there once it is wanted, and it begins as usual: %s', (kind) => {
    const onChange = form(kind, nothing);
    expect(screen.queryAllByRole('checkbox')).toHaveLength(0);
    fireEvent.click(screen.getByRole('switch', { name: DELIVERY[kind].name }));
    expect(onChange).toHaveBeenCalledWith({ [kind]: DELIVERY[kind].usual });
  });
  it.each(DELIVERIES)('are all that its wish has: %s', (kind) => {
    form(kind, { ...everything, map: kind === 'lists' ? null : everything.map });
    for (const asked of Object.values(DELIVERY[kind].form))
      if ('tick' in asked) expect(screen.getByRole('checkbox', { name: asked.tick })).toBeTruthy();
      else expect(screen.getByText(asked.name)).toBeTruthy();
  });
  it('change their wish alone', () => {
    const onChange = form('pages', everything);
    fireEvent.click(screen.getByRole('checkbox', { name: 'All parts in one file' }));
    expect(onChange).toHaveBeenLastCalledWith({ pages: { ...DELIVERY.pages.usual, allParts: true } });
    fireEvent.click(screen.getByText('None'));
    expect(onChange).toHaveBeenLastCalledWith({ pages: { ...DELIVERY.pages.usual, barNumbers: 'none' } });
    fireEvent.change(screen.getByRole('textbox', { name: 'Text of a cover' }), { target: { value: 'Friday' } });
    expect(onChange).toHaveBeenLastCalledWith({ pages: { ...DELIVERY.pages.usual, cover: 'Friday' } });
  });
  it('take time code at the rate that is chosen, and nothing that is none', () => {
    const onChange = form('map', everything);
    const code = screen.getByRole('textbox', { name: 'Time code of bar 1' });
    fireEvent.change(code, { target: { value: 'tomorrow' } });
    fireEvent.blur(code);
    expect(onChange).not.toHaveBeenCalled();
    fireEvent.change(code, { target: { value: '01:00:00:00' } });
    fireEvent.blur(code);
    expect(onChange).toHaveBeenLastCalledWith({ map: { ...DELIVERY.map.usual, start: 25 * 3600 } });
  });
  it('keep the code that was said when its rate changes', () => {
    const onChange = form('map', { ...everything, map: { ...DELIVERY.map.usual, start: 25 * 3600 } });
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Time code' }));
    fireEvent.click(screen.getByTitle('30'));
    expect(onChange).toHaveBeenLastCalledWith({ map: { ...DELIVERY.map.usual, rate: '30', start: 30 * 3600 } });
  });
  it('of lists are those of the map where one goes out', () => {
    form('lists', everything);
    expect(screen.getByText('Bars and times as in the studio map')).toBeTruthy();
    expect(screen.queryByRole('textbox', { name: 'Time code of bar 1' })).toBeNull();
  });
});
