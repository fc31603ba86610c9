/*
 * The MusicXML 4.0 schema as data: which elements an element may hold, in which order, with which attributes and values.
 * From schema/musicxml-4.0.xsd; only what that file uses of XML Schema is understood.
 */
import { readFileSync } from 'node:fs';
import { all, child, treeOf, type Node } from '../core/receivers/strict-reader';

export interface AttributeRule {
  name: string;
  required: boolean;
  values: readonly string[];
  /** Said in a group that many elements share. */
  shared: boolean;
}

export type Particle =
  | { kind: 'element'; name: string; type: string; optional: boolean }
  | { kind: 'sequence' | 'choice'; of: readonly Particle[]; optional: boolean };

export interface TypeRule {
  content: Particle | null;
  /** What its text may be; null where it has none. */
  text: readonly string[] | null;
  attributes: readonly AttributeRule[];
}

const SCHEMA = child(
  treeOf(readFileSync(new URL('./schema/musicxml-4.0.xsd', import.meta.url), 'utf8').replace(/^\uFEFF/, '')),
  'xs:schema',
)!;
const named = (kind: string) => new Map(all(SCHEMA, `xs:${kind}`).map((node) => [node.attributes.name!, node]));
const [SIMPLE, COMPLEX, GROUPS, ATTRIBUTE_GROUPS] = [
  named('simpleType'),
  named('complexType'),
  named('group'),
  named('attributeGroup'),
];

/** Values of types that a pattern describes. */
const PATTERNED: Readonly<Record<string, string>> = {
  color: '#0000FF',
  'comma-separated-text': 'Noto Serif',
  'ending-number': '1',
  'smufl-glyph-name': 'glyph',
  'smufl-accidental-glyph-name': 'accSagittal',
  'smufl-coda-glyph-name': 'codaJapanese',
  'smufl-lyrics-glyph-name': 'lyricsElision',
  'smufl-pictogram-glyph-name': 'pictGong',
  'smufl-segno-glyph-name': 'segnoJapanese',
  'smufl-wavy-line-glyph-name': 'wiggleArpeggiatoUp',
  'time-only': '1',
  'yyyy-mm-dd': '2020-02-29',
  'accordion-middle': '2',
  'midi-16': '2',
  'midi-128': '3',
  'midi-16384': '4',
  'rotation-degrees': '10',
  'trill-beats': '4',
  'staff-line': '2',
  'staff-line-position': '2',
  'tuning-octave': '4',
  octave: '5',
  'beam-level': '1',
  'number-level': '1',
  'string-number': '1',
  'staff-number': '1',
  'positive-divisions': '4',
  'xs:date': '2020-02-29',
  'xs:ID': 'x1',
  'xs:IDREF': 'P1',
  'xs:anyURI': 'music.xml',
  'xs:token': 'some',
  'xs:string': 'some',
  'xs:NMTOKEN': 'some',
  'xml:lang': 'de',
  'xml:space': 'preserve',
};

/** @returns every enumerated value, else one that fits */
export function valuesOf(type: string): readonly string[] {
  if (PATTERNED[type] !== undefined) return [PATTERNED[type]];
  const simple = SIMPLE.get(type);
  return simple ? valuesOfSimple(simple) : ['1'];
}

function valuesOfSimple(simple: Node): readonly string[] {
  const union = child(simple, 'xs:union');
  if (union) {
    const members = union.attributes.memberTypes?.split(' ') ?? [];
    return [...members.flatMap(valuesOf), ...all(union, 'xs:simpleType').flatMap(valuesOfSimple)];
  }
  const restriction = child(simple, 'xs:restriction')!;
  const listed = all(restriction, 'xs:enumeration').map(({ attributes }) => attributes.value!);
  return listed.length > 0 ? listed : valuesOf(restriction.attributes.base!);
}

function attributesIn(node: Node | undefined, shared = false): AttributeRule[] {
  const own = all(node, 'xs:attribute').map(({ attributes: { name, ref, type, use } }) => ({
    name: name ?? ref!,
    required: use === 'required',
    values: ref ? [PATTERNED[ref] ?? 'simple'] : valuesOf(type!),
    shared,
  }));
  const groups = all(node, 'xs:attributeGroup').map(({ attributes }) => ATTRIBUTE_GROUPS.get(attributes.ref!));
  return [...own, ...groups.flatMap((group) => attributesIn(group, true))];
}

const PARTICLES = new Set(['xs:sequence', 'xs:choice', 'xs:group', 'xs:element']);

function particle(node: Node): Particle {
  const optional = node.attributes.minOccurs === '0';
  const { name, ref, type } = node.attributes;
  if (node.name === 'xs:group') return { kind: 'sequence', of: particlesIn(GROUPS.get(ref!)!), optional };
  if (node.name !== 'xs:element')
    return { kind: node.name === 'xs:choice' ? 'choice' : 'sequence', of: particlesIn(node), optional };
  const inner = child(node, 'xs:complexType');
  if (inner) COMPLEX.set(`(${name})`, inner);
  return { kind: 'element', name: name!, type: inner ? `(${name})` : type!, optional };
}

const particlesIn = (node: Node): Particle[] => node.children.filter(({ name }) => PARTICLES.has(name)).map(particle);

const known = new Map<string, TypeRule>();

export function typeRule(type: string): TypeRule {
  const before = known.get(type);
  if (before) return before;
  const rule = readType(type);
  known.set(type, rule);
  return rule;
}

function readType(type: string): TypeRule {
  const complex = COMPLEX.get(type);
  if (!complex) return { content: null, text: valuesOf(type), attributes: [] };
  const extension = (child(complex, 'xs:simpleContent') ?? child(complex, 'xs:complexContent'))?.children[0];
  const own = extension ?? complex;
  const base = extension ? typeRule(extension.attributes.base!) : null;
  const content = particlesIn(own);
  return {
    content: content.length > 0 ? { kind: 'sequence', of: content, optional: false } : (base?.content ?? null),
    text: base?.text ?? null,
    attributes: [...attributesIn(own), ...(base?.attributes ?? [])],
  };
}

/** Every element that a type may hold, in the order of the schema, once a name. */
export function elementsOf(content: Particle | null): Extract<Particle, { kind: 'element' }>[] {
  if (!content) return [];
  const found = content.kind === 'element' ? [content] : content.of.flatMap(elementsOf);
  return [...new Map(found.map((one) => [one.name, one])).values()];
}

/** The type of the whole score. */
export const ROOT = particle(all(SCHEMA, 'xs:element').find(({ attributes }) => attributes.name === 'score-partwise')!);
