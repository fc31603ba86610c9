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

const meansOf = (names: readonly string[]) =>
  ARTICULATIONS.filter((one) => names.some((name) => MEANING[name]?.includes(one)));

/** How long and how loud they are played is a setting: `SequencerSettings.articulations`. */
export const articulations: NoteMark = {
  group: 'articulations',
  elements: ({ articulations: all = [], drawnAs = [], suggested = [] }, colour) => {
    // The finer signs stand for what they mean; what was put or taken since counts more.
    const finer = meansOf(drawnAs).every((one) => all.includes(one)) ? drawnAs : [];
    const plain = all.filter((one) => !meansOf(finer).includes(one));
    return [
      ...plain.map((one) => ({ name: ELEMENTS[one], attributes: colour({ suggested: suggested.includes(one) }) })),
      ...finer.map((name) => ({ name })),
    ];
  },
  read: Object.fromEntries(
    Object.entries(MEANING).map(([name, meant]) => [
      name,
      (marks) => {
        const before = marks.articulations ?? [];
        marks.articulations = ARTICULATIONS.filter((one) => before.includes(one) || meant.includes(one));
        if (!Object.values(ELEMENTS).includes(name)) marks.drawnAs = [...(marks.drawnAs ?? []), name];
      },
    ]),
  ),
};
