import type { FurtherSign, StandardElement, SymbolMarks } from '../../score';
import type { MarkElement, ReadElement } from '../elements';
import { MARK_GROUPS, type MarkGroup, type NoteMark } from '../note-mark';

interface Signs {
  group: MarkGroup;
  /** The version of the standard that has them, where that is not the oldest we write. */
  since?: '4.0';
  names: readonly string[];
}

/** Signs that are kept as they come, by the group they stand in. */
const SIGNS: readonly Signs[] = [
  {
    group: 'ornaments',
    names: ['delayed-inverted-turn', 'vertical-turn', 'wavy-line', 'schleifer', 'other-ornament'],
  },
  { group: 'ornaments', since: '4.0', names: ['inverted-vertical-turn', 'haydn'] },
  {
    group: 'technical',
    names: [
      ...['thumb-position', 'fingering', 'pluck', 'double-tongue', 'triple-tongue', 'snap-pizzicato'],
      ...['hammer-on', 'pull-off', 'bend', 'tap', 'heel', 'toe', 'fingernails', 'hole', 'arrow', 'handbell'],
      'other-technical',
    ],
  },
  {
    group: 'technical',
    since: '4.0',
    names: ['brass-bend', 'flip', 'smear', 'half-muted', 'harmon-mute', 'golpe'],
  },
  { group: 'articulations', names: ['scoop', 'plop', 'doit', 'falloff', 'unstress', 'other-articulation'] },
  { group: 'articulations', since: '4.0', names: ['soft-accent'] },
  { group: null, names: ['non-arpeggiate'] },
];

/** Signs that only a later version has. */
const LATER = new Set(SIGNS.flatMap(({ since, names }) => (since ? names : [])));

/** What of their attributes says more than how they look on one page. */
const ATTRIBUTES = ['type', 'number', 'placement', 'substitution', 'alternate'];

/** Signs for the eye: written again as they were read. One object for each group, as the registry needs them. */
export const furtherSigns: readonly NoteMark[] = MARK_GROUPS.map((group) => ({
  group,
  everyNote: () => true,
  elements: ({ further = [] }) => further.filter((sign) => sign.group === group).map(written),
  read: Object.fromEntries(
    SIGNS.filter((signs) => signs.group === group)
      .flatMap(({ names }) => names)
      .map((name) => [name, (marks, element) => keep(marks, { group, ...standard(element) })]),
  ),
}));

function keep(marks: SymbolMarks, sign: FurtherSign): void {
  marks.further = [...(marks.further ?? []), sign];
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
    ...(LATER.has(name) && { since: '4.0' as const }),
  };
}
