import type { FurtherSign, StandardElement } from '../../score';
import type { MarkElement, ReadElement } from '../elements';
import { MARK_GROUPS, type MarkGroup, type NoteMark } from '../note-mark';

/** Signs that are kept as they come, by the group they stand in; those after the bar came after version 3.0. */
const SIGNS: Record<Exclude<MarkGroup, null>, string> = {
  ornaments: 'delayed-inverted-turn vertical-turn wavy-line schleifer other-ornament | inverted-vertical-turn haydn',
  technical:
    'thumb-position fingering pluck double-tongue triple-tongue snap-pizzicato hammer-on pull-off bend tap heel toe ' +
    'fingernails hole arrow handbell other-technical | brass-bend flip smear half-muted harmon-mute golpe',
  articulations: 'scoop plop doit falloff unstress other-articulation | soft-accent',
};
const OTHERS = ['non-arpeggiate'];
/** What of their attributes says more than how they look on one page. */
const ATTRIBUTES = ['type', 'number', 'placement', 'substitution', 'alternate'];

interface Kept {
  group: MarkGroup;
  later: boolean;
}

const KEPT = new Map<string, Kept>(
  MARK_GROUPS.flatMap((group): [string, Kept][] => {
    const [first = '', later = ''] = group === null ? [OTHERS.join(' ')] : SIGNS[group].split(' | ');
    const named = (names: string, since4: boolean) =>
      names
        .split(' ')
        .filter(Boolean)
        .map((name): [string, Kept] => [name, { group, later: since4 }]);
    return [...named(first, false), ...named(later, true)];
  }),
);

/** Signs for the eye: written again as they were read. One object for each group, as the registry needs them. */
export const furtherSigns: readonly NoteMark[] = MARK_GROUPS.map((group) => ({
  group,
  everyNote: true,
  elements: ({ further = [] }) => further.filter((sign) => sign.group === group).map(written),
  read: Object.fromEntries(
    [...KEPT].flatMap(([name, kept]) =>
      kept.group === group
        ? [[name, (marks, element) => void (marks.further = [...(marks.further ?? []), signOf(group, element)])]]
        : [],
    ),
  ),
}));

function signOf(group: MarkGroup, element: ReadElement): FurtherSign {
  return { group, ...standard(element) };
}

function standard({ name, text, attributes, children }: ReadElement): StandardElement {
  const said = Object.entries(attributes).filter(([key]) => ATTRIBUTES.includes(key));
  return {
    name,
    ...(text && { text }),
    ...(said.length > 0 && { attributes: Object.fromEntries(said) }),
    ...(children.length > 0 && { children: children.map(standard) }),
  };
}

function written({ name, text, attributes, children }: StandardElement): MarkElement {
  return {
    name,
    text,
    attributes,
    children: children?.map(written),
    ...(KEPT.get(name)?.later && { since: '4.0' as const }),
  };
}
