import { onceEach } from '../../base';
import { MARK_GROUPS, NOTE_MARKS } from '../../marks';
import {
  FORTE_VELOCITY,
  HARMONIC_KINDS,
  HARMONIC_PITCHES,
  type HarmonicNote,
  STEPS,
  type Lyric,
  type Pitch,
  type Step,
  type SymbolMarks,
  type Syllabic,
  type TupletBracket,
} from '../../score';
import type { WrittenUnits } from '../../time';
import { NOTE_TYPE_NAMES } from './note-types';
import type { RawNote } from './raw';
import { all, child, numberOf, textOf, type XmlNode } from './xml-tree';

/** @param at where it stands in its measure @param duration both in written units */
export function readNote(node: XmlNode, at: WrittenUnits, duration: WrittenUnits): RawNote {
  const rest = child(node, 'rest');
  const modification = child(node, 'time-modification');
  const notations = all(node, 'notations');
  const ties = tiesOf(node, notations);
  const tuplets = notations.flatMap((one) => all(one, 'tuplet'));
  const actual = numberOf(modification, 'actual-notes') ?? 0;
  const normal = numberOf(modification, 'normal-notes') ?? 0;
  const pitch = readPitch(node);
  const { marks, fingering } = readNotations(notations, child(node, 'unpitched') !== undefined);
  return {
    at,
    duration,
    // Files that name no voices mean one for each staff.
    voice: textOf(node, 'voice') || `of staff ${numberOf(node, 'staff') ?? 1}`,
    staff: Math.min(4, Math.max(1, Math.round(numberOf(node, 'staff') ?? 1))),
    chord: child(node, 'chord') !== undefined,
    grace: graceOf(child(node, 'grace')),
    cue: child(node, 'cue') !== undefined,
    hidden: node.attributes['print-object'] === 'no',
    rest: rest !== undefined,
    wholeBarRest: rest?.attributes.measure === 'yes',
    pitch: pitch?.pitch ?? null,
    unpitched: child(node, 'unpitched') !== undefined,
    instrument: child(node, 'instrument')?.attributes.id ?? null,
    type: NOTE_TYPE_NAMES[textOf(node, 'type') ?? ''] ?? null,
    dots: Math.min(3, all(node, 'dot').length),
    tuplet:
      actual > 0 && normal > 0
        ? { actual, normal, normalType: NOTE_TYPE_NAMES[textOf(modification, 'normal-type') ?? ''] ?? null }
        : null,
    tupletStarts: tuplets.some((one) => one.attributes.type === 'start' && (one.attributes.number ?? '1') === '1'),
    tupletStops: tuplets.some((one) => one.attributes.type === 'stop' && (one.attributes.number ?? '1') === '1'),
    nested: tuplets.flatMap(nestedBracket),
    tieFromLast: ties.has('stop'),
    tieToNext: ties.has('start'),
    ringing: ties.has('let-ring'),
    cents: pitch?.cents ?? 0,
    velocity: velocityOf(node),
    notehead: textOf(node, 'notehead') ?? null,
    fingering,
    harmonic: harmonicOf(notations),
    marks,
    slurs: notations
      .flatMap((one) => all(one, 'slur'))
      .flatMap(({ attributes: { type, number = '1' } }) =>
        type === 'start' || type === 'stop' ? [{ number, type: type }] : [],
      ),
    lyrics: all(node, 'lyric').flatMap(readLyric),
    line: node.line,
  };
}

/** What a harmonic says of the note it stands at. */
function harmonicOf(notations: readonly XmlNode[]): HarmonicNote | null {
  const sign = notations.flatMap((one) => all(one, 'technical')).flatMap((one) => all(one, 'harmonic'))[0];
  const kind = HARMONIC_KINDS.find((one) => child(sign, one));
  const pitch = HARMONIC_PITCHES.find((one) => child(sign, one));
  return kind || pitch ? { ...(kind && { kind }), ...(pitch && { pitch }) } : null;
}

/** Some files have only the curve and not the tie, others only the tie. */
function tiesOf(node: XmlNode, notations: readonly XmlNode[]): ReadonlySet<string> {
  const said = all(node, 'tie').map((tie) => tie.attributes.type ?? '');
  const drawn = notations.flatMap((one) => all(one, 'tied')).map((tied) => tied.attributes.type ?? '');
  const types = said.length > 0 ? [...said, ...drawn.filter((type) => type === 'let-ring')] : drawn;
  const rings = notations.some((one) =>
    all(one, 'other-notation').some((sign) => /^(?:let ring|l\.? ?v\.?|laissez vibrer)/i.test(sign.text)),
  );
  return new Set(
    [...types, ...(rings ? ['let-ring'] : [])].flatMap((type) => (type === 'continue' ? ['stop', 'start'] : [type])),
  );
}

function graceOf(grace: XmlNode | undefined): RawNote['grace'] {
  if (!grace) return null;
  const { slash, 'steal-time-previous': before, 'steal-time-following': after } = grace.attributes;
  const percent = Number(after ?? before);
  const steals = (after ?? before) !== undefined && percent > 0 && percent <= 100;
  return {
    ...(slash === 'yes' && { slash: true }),
    ...(steals && { steals: { from: after === undefined ? ('before' as const) : ('after' as const), percent } }),
  };
}

/** A bracket with a number above 1 stands inside another. */
function nestedBracket(tuplet: XmlNode): TupletBracket[] {
  const { type: edge, number = '1' } = tuplet.attributes;
  const level = Number(number);
  if ((edge !== 'start' && edge !== 'stop') || !(level >= 1)) return [];
  const [own, normal] = [child(tuplet, 'tuplet-actual'), child(tuplet, 'tuplet-normal')];
  const type = NOTE_TYPE_NAMES[textOf(own, 'tuplet-type') ?? ''];
  const counts = { actual: numberOf(own, 'tuplet-number'), normal: numberOf(normal, 'tuplet-number') };
  const ratio =
    edge === 'start' && counts.actual && counts.normal && type
      ? { actual: counts.actual, normal: counts.normal, type }
      : null;
  return [{ level, edge, ...(ratio && { ratio }) }];
}

function velocityOf({ attributes }: XmlNode): number | null {
  const percent = Number(attributes.dynamics);
  if (attributes.dynamics === undefined || !Number.isFinite(percent) || percent <= 0) return null;
  return Math.max(1, Math.min(127, Math.round((percent * FORTE_VELOCITY) / 100)));
}

/** One verse; several syllables on one note are parted by elisions. */
function readLyric(lyric: XmlNode): Lyric[] {
  const pieces: { text: string; syllabic: Syllabic }[] = [];
  let syllabic: Syllabic = 'single';
  let joins = false;
  for (const { name, text } of lyric.children) {
    if (name === 'syllabic') syllabic = text === 'begin' || text === 'middle' || text === 'end' ? text : 'single';
    if (name === 'elision') joins = false;
    if (name !== 'text' || !text) continue;
    // Texts of several looks, without an elision between them, are one syllable.
    if (joins && pieces.length > 0) pieces.at(-1)!.text += text;
    else pieces.push({ text, syllabic });
    joins = true;
  }
  const [first, ...elided] = pieces;
  if (!first) return [];
  const extend = child(lyric, 'extend');
  const verse = Number(/\d+/.exec(lyric.attributes.number ?? '')?.[0] ?? 1);
  return [
    {
      verse: Math.max(1, verse),
      ...first,
      ...(elided.length > 0 && { elided }),
      ...(extend && extend.attributes.type !== 'stop' && { extends: true as const }),
    },
  ];
}

interface ReadPitch {
  pitch: Pitch;
  cents: number;
}

function readPitch(node: XmlNode): ReadPitch | null {
  const pitch = child(node, 'pitch');
  if (pitch) return pitchFrom(textOf(pitch, 'step'), numberOf(pitch, 'alter') ?? 0, numberOf(pitch, 'octave'));
  const unpitched = child(node, 'unpitched');
  if (unpitched)
    return pitchFrom(textOf(unpitched, 'display-step') ?? 'B', 0, numberOf(unpitched, 'display-octave') ?? 4);
  return null;
}

/** What is left of a half tone is kept in cents. */
function pitchFrom(step: string | undefined, alter: number, octave: number | undefined): ReadPitch | null {
  if (!step || !STEPS.includes(step as Step) || octave === undefined) return null;
  const whole = Math.max(-2, Math.min(2, Math.trunc(alter))) + 0;
  const cents = Math.round((alter - whole) * 100);
  return {
    pitch: { step: step as Step, alter: whole, octave: Math.round(octave) },
    cents: Math.abs(cents) < 100 ? cents : 0,
  };
}

function readNotations(
  notations: readonly XmlNode[],
  unpitched: boolean,
): { marks: SymbolMarks; fingering: RawNote['fingering'] } {
  const marks: SymbolMarks = {};
  let fingering: RawNote['fingering'] = null;
  for (const sign of notations.flatMap((one) => one.children)) {
    if (sign.name === 'technical') {
      const [string, fret] = [numberOf(sign, 'string'), numberOf(sign, 'fret')];
      if (string !== undefined && fret !== undefined) fingering = { string, fret };
    }
    const own = GROUP_NAMES.includes(sign.name) ? sign.children : [sign];
    for (const element of own) READ_BY_ELEMENT.get(element.name)?.(marks, element, unpitched);
  }
  return { marks, fingering };
}

const GROUP_NAMES: readonly string[] = MARK_GROUPS.filter((group) => group !== null);
const READ_BY_ELEMENT = onceEach(NOTE_MARKS.flatMap(({ read }) => Object.entries(read)));
