import type { Hairpin } from '../../score';
import { QUARTER, type WrittenUnits } from '../../time';
import { numbered, type LineEvent, type LineKind, type PlacedSign } from '../line-mark';

/** How far one that nobody ended goes at most. */
const LONGEST_OPEN: WrittenUnits = 8 * QUARTER;

const LOUDER = /^(?:(?:poco|molto|sempre|un poco)\s+)?(?:a poco\s+)?cresc/i;
const SOFTER = /^(?:(?:poco|molto|sempre|un poco)\s+)?(?:a poco\s+)?(?:dim|decresc|morendo|perdendo|smorz)/i;

/** "cresc." and "dim." say what a hairpin says. */
export function gradualWords(words: string): Hairpin['kind'] | null {
  if (LOUDER.test(words)) return 'crescendo';
  return SOFTER.test(words) ? 'diminuendo' : null;
}

/** Hairpins, and the words that say the same, with their dashes. */
export const hairpins: LineKind<Hairpin> = {
  elements: ['wedge', 'words', 'dashes', 'dynamics'],
  write: (lines, { colour }) =>
    numbered(lines).flatMap(({ line, number }): PlacedSign[] => {
      const { staff } = line;
      const name = line.words ? 'dashes' : 'wedge';
      const begins = line.words
        ? { name, attributes: { type: 'start', number } }
        : { name, attributes: { type: line.kind, number, ...colour(line) } };
      const stops = { name, attributes: { type: 'stop', number } };
      const said = line.words ? [{ name: 'words', text: line.words, attributes: colour(line) }] : [];
      return [
        { at: line.start, staff, rank: 6, placement: 'below', element: begins, with: said },
        { at: line.end, ends: true, staff, rank: 4, placement: 'below', element: stops },
      ];
    }),
  read(events, end) {
    const lines: Hairpin[] = [];
    /** Hairpins by their numbers, words by those of their dashes; words without dashes have none. */
    const open = new Map<string, Hairpin>();
    const close = (slot: string, at: WrittenUnits) => {
      const begun = open.get(slot);
      if (begun && at > begun.start) lines.push({ ...begun, end: at });
      open.delete(slot);
    };
    for (const event of events) {
      const { at, staff, element } = event;
      const { type, number = '1' } = element.attributes;
      if (element.name === 'words') {
        const kind = gradualWords(element.text);
        const slot = slotOf(event, events);
        close(slot, at);
        if (kind) open.set(slot, { start: at, end: at, staff, kind, words: element.text });
      } else if (element.name === 'dynamics') close(`words ${staff}`, at);
      else if (type === 'stop') close(`${element.name} ${number}`, at);
      else if (type === 'crescendo' || type === 'diminuendo') {
        close(`wedge ${number}`, at);
        open.set(`wedge ${number}`, { start: at, end: at, staff, kind: type });
      }
    }
    for (const begun of open.values())
      if (end > begun.start) lines.push({ ...begun, end: Math.min(end, begun.start + LONGEST_OPEN) });
    return lines.sort((a, b) => a.start - b.start);
  },
};

/** Words lead to the end of the dashes that begin where they stand, else to the next sign. */
function slotOf({ at, staff }: LineEvent, events: readonly LineEvent[]): string {
  const dashes = events.find(
    (one) =>
      one.element.name === 'dashes' && one.element.attributes.type === 'start' && one.at === at && one.staff === staff,
  );
  return dashes ? `dashes ${dashes.element.attributes.number ?? '1'}` : `words ${staff}`;
}
