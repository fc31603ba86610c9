/* Which keys belong to what has the focus, and not to the job. */

/** What takes text keeps its keys. */
const TAKES_TEXT = 'input:not([type=checkbox], [type=radio], [readonly]), textarea, select, [contenteditable]';
/** What moves by arrows keeps those. */
const TAKES_ARROWS = '[role=slider], input[type=radio], [role=tab], [role=menuitem], .ant-select';
/** What lies over the desk keeps all of them. */
const OVER_THE_DESK =
  '.ant-modal-wrap, .ant-drawer-open:not(.beside-the-desk) .ant-drawer-content-wrapper, .ant-dropdown-menu-root';
/** A drawer of this class is read while one works. */
export const BESIDE_THE_DESK = 'beside-the-desk';

const LIST = '.ant-select:not(.ant-select-auto-complete)';
const LIST_OPEN = '.ant-select-open';

/** A list for choosing something was chosen from: it keeps the focus, but needs no letters any more. */
let done: Element | null = null;

/** @returns ends watching */
export function watchLists(): () => void {
  const onFocus = (event: FocusEvent) => {
    // The list itself takes the focus back when it closes.
    if (!(event.target instanceof Element) || event.target.closest(LIST) !== done) done = null;
  };
  const onKey = (event: KeyboardEvent) => {
    const list = event.target instanceof Element ? event.target.closest(LIST) : null;
    if (event.key === 'Enter' && list?.matches(LIST_OPEN)) done = list;
  };
  const onClick = (event: MouseEvent) => {
    if (event.target instanceof Element && event.target.closest('.ant-select-item-option'))
      done = document.activeElement?.closest(LIST) ?? null;
  };
  document.addEventListener('focusin', onFocus);
  document.addEventListener('keydown', onKey, true);
  document.addEventListener('click', onClick, true);
  return () => {
    document.removeEventListener('focusin', onFocus);
    document.removeEventListener('keydown', onKey, true);
    document.removeEventListener('click', onClick, true);
  };
}

function isTyping(target: Element): boolean {
  const list = target.closest(LIST);
  if (list && list === done && !list.matches(LIST_OPEN)) return false;
  return target.closest(TAKES_TEXT) !== null;
}

const isShown = (element: Element) => element instanceof HTMLElement && element.offsetParent !== null;

/** Whether the element with the focus needs the key itself. */
export function isTaken(event: KeyboardEvent): boolean {
  const { target } = event;
  if ([...document.querySelectorAll(OVER_THE_DESK)].some(isShown)) return true;
  if (!(target instanceof Element)) return false;
  if (isTyping(target)) return true;
  return event.key.startsWith('Arrow') && target.closest(TAKES_ARROWS) !== null;
}

/** What was reached by keyboard is pressed by Space; what was only clicked is not. */
export function pressesIt(event: KeyboardEvent): boolean {
  return (
    event.code === 'Space' &&
    event.target instanceof Element &&
    event.target.matches('button:focus-visible, a:focus-visible, input[type=checkbox]:focus-visible')
  );
}
