import {
  CHORD_KINDS,
  isChordKind,
  STEPS,
  type ChordDegree,
  type ChordKind,
  type ChordName,
  type Harmony,
} from '../../score';
import type { WrittenUnits } from '../../time';
import type { RawMeasure } from './raw';
import { all, child, numberOf, textOf, type XmlNode } from './xml-tree';

/** Sharps or flats of a root at most; beyond are slips of a file. */
const MOST_ALTERED = 3;

/** A chord symbol with all its parts; a kind the standard does not have is kept as it is printed. */
export function readHarmony(node: XmlNode, at: WrittenUnits, measure: RawMeasure): void {
  const kindNode = child(node, 'kind');
  const root = nameFrom(child(node, 'root'), 'root');
  if (!root && !kindNode) return;
  const said = kindNode?.text ?? 'major';
  const kind: ChordKind = isChordKind(said) ? said : 'other';
  const bass = nameFrom(child(node, 'bass'), 'bass');
  const degrees = all(node, 'degree').flatMap(degreeFrom);
  const plain: Omit<Harmony, 'at'> = {
    root: kind === 'none' ? null : root,
    kind,
    ...(degrees.length > 0 && { degrees }),
    ...(bass && { bass }),
  };
  // Programs repeat what we would print ourselves.
  const printed = kindNode?.attributes.text ?? (kind === 'other' && said !== 'other' ? said : undefined);
  const own = printed !== undefined && printed !== CHORD_KINDS[kind].text;
  measure.directions.push({ at, staff: 1, kind: 'harmony', harmony: { ...plain, ...(own && { printed }) } });
}

function nameFrom(of: XmlNode | undefined, prefix: 'root' | 'bass'): ChordName | null {
  const letter = textOf(of, `${prefix}-step`);
  const step = STEPS.find((one) => one === letter);
  if (!step) return null;
  const alter = Math.round(numberOf(of, `${prefix}-alter`) ?? 0);
  return { step, alter: Math.max(-MOST_ALTERED, Math.min(MOST_ALTERED, alter)) + 0 };
}

function degreeFrom(node: XmlNode): ChordDegree[] {
  const value = numberOf(node, 'degree-value');
  const type = textOf(node, 'degree-type');
  if (value === undefined || value < 1 || value > 13) return [];
  return [
    {
      value: Math.round(value),
      alter: Math.max(-2, Math.min(2, Math.round(numberOf(node, 'degree-alter') ?? 0))) + 0,
      type: type === 'alter' || type === 'subtract' ? type : 'add',
    },
  ];
}

/** Figures over a bass, from top to bottom: "6 4", "♯6". */
export function figuredBass(node: XmlNode): string {
  const signs: Record<string, string> = { sharp: '♯', flat: '♭', natural: '♮', 'double-sharp': '𝄪', 'flat-flat': '♭♭' };
  return all(node, 'figure')
    .map((figure) =>
      ['prefix', 'figure-number', 'suffix']
        .map((name) => textOf(figure, name) ?? '')
        .map((text) => signs[text] ?? text)
        .join(''),
    )
    .filter(Boolean)
    .join(' ');
}
