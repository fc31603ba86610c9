import type { Glide } from '../../score';
import type { MarkElement } from '../elements';
import type { NoteMark } from '../note-mark';

const KINDS = ['glissando', 'slide'] as const;

/**
 * A line from one symbol to the next. It needs the note that it leads to, so that `to-sequencer/playing` plays it.
 * Lines that meet at a symbol are told apart by their numbers: one ends there, the other begins.
 */
export const glide: NoteMark = {
  group: null,
  elements: ({ glide: lines }) => {
    const line = (name: Glide['starts'], type: 'start' | 'stop'): MarkElement[] =>
      name ? [{ name, attributes: { type, number: 1, 'line-type': name === 'slide' ? 'solid' : 'wavy' } }] : [];
    return [...line(lines?.stops, 'stop'), ...line(lines?.starts, 'start')];
  },
  read: Object.fromEntries(
    KINDS.map((kind) => [
      kind,
      (marks, { attributes: { type } }) => {
        if (type === 'start') marks.glide = { ...marks.glide, starts: kind };
        if (type === 'stop') marks.glide = { ...marks.glide, stops: kind };
      },
    ]),
  ),
};
