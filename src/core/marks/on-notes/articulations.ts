import { ARTICULATIONS, type Articulation } from '../../score';
import type { NoteMark } from '../note-mark';

const ELEMENTS: Record<Articulation, string> = {
  staccato: 'staccato',
  accent: 'accent',
  tenuto: 'tenuto',
  marcato: 'strong-accent',
};

/** The standard's articulations as the few that change how a note is played. */
const MEANING: Record<string, readonly Articulation[]> = {
  staccato: ['staccato'],
  staccatissimo: ['staccato'],
  spiccato: ['staccato'],
  tenuto: ['tenuto'],
  'detached-legato': ['tenuto', 'staccato'],
  accent: ['accent'],
  'strong-accent': ['marcato'],
  stress: ['accent'],
};

/** How long and how loud they are played is a setting: `SequencerSettings.articulations`. */
export const articulations: NoteMark = {
  group: 'articulations',
  elements: ({ articulations: all = [], suggested = [] }, colour) =>
    all.map((one) => ({ name: ELEMENTS[one], attributes: colour({ suggested: suggested.includes(one) }) })),
  read: Object.fromEntries(
    Object.entries(MEANING).map(([name, meant]) => [
      name,
      (marks) => {
        const before = marks.articulations ?? [];
        marks.articulations = ARTICULATIONS.filter((one) => before.includes(one) || meant.includes(one));
      },
    ]),
  ),
};
