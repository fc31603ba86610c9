/**
 * A row of a table that is opened by a click, and by Enter or Space once the keyboard has reached it.
 * @param more further keys, by what `KeyboardEvent.key` calls them; with Alt held
 */
export function rowKeys(open: () => void, more: Record<string, () => void> = {}): React.HTMLAttributes<HTMLElement> {
  return {
    tabIndex: 0,
    onClick: open,
    onKeyDown: (event) => {
      if (event.target !== event.currentTarget) return;
      const act = event.altKey ? more[event.key] : { Enter: open, ' ': open }[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    },
  };
}
