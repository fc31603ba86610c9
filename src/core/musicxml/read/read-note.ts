import {
  ARTICULATIONS,
  STEPS,
  TURNS,
  type Articulation,
  type Lyric,
  type NoteType,
  type Pitch,
  type Step,
  type SymbolMarks,
  type Turn,
} from '../../score';
import type { WrittenUnits } from '../../time';
import type { RawNote } from './raw';
import { all, child, numberOf, textOf, type XmlNode } from './xml-tree';

/** The standard's articulations as the few that change how a note is played. */
const ARTICULATION_OF: Record<string, Articulation[]> = {
  staccato: ['staccato'],
  staccatissimo: ['staccato'],
  spiccato: ['staccato'],
  tenuto: ['tenuto'],
  'detached-legato': ['tenuto', 'staccato'],
  accent: ['accent'],
  'strong-accent': ['marcato'],
  stress: ['accent'],
};
const TYPE_NAMES: Record<string, NoteType> = {
  long: 'breve',
  breve: 'breve',
  whole: 'whole',
  half: 'half',
  quarter: 'quarter',
  eighth: 'eighth',
  '16th': '16th',
  '32nd': '32nd',
  '64th': '64th',
  '128th': '128th',
  '256th': '128th',
};

/** @param at where it stands in its measure @param duration both in written units */
export function readNote(node: XmlNode, at: WrittenUnits, duration: WrittenUnits): RawNote {
  const rest = child(node, 'rest');
  const modification = child(node, 'time-modification');
  const notations = all(node, 'notations');
  const ties = all(node, 'tie').map((tie) => tie.attributes.type);
  const tuplets = notations.flatMap((one) => all(one, 'tuplet'));
  const actual = numberOf(modification, 'actual-notes') ?? 0;
  const normal = numberOf(modification, 'normal-notes') ?? 0;
  const { marks, articulations, fingering } = readNotations(notations, child(node, 'unpitched') !== undefined);
  return {
    at,
    duration,
    // Files that name no voices mean one for each staff.
    voice: textOf(node, 'voice') || `of staff ${numberOf(node, 'staff') ?? 1}`,
    staff: Math.min(4, Math.max(1, Math.round(numberOf(node, 'staff') ?? 1))),
    chord: child(node, 'chord') !== undefined,
    grace: child(node, 'grace') !== undefined,
    cue: child(node, 'cue') !== undefined,
    rest: rest !== undefined,
    wholeBarRest: rest?.attributes.measure === 'yes',
    pitch: readPitch(node),
    unpitched: child(node, 'unpitched') !== undefined,
    instrument: child(node, 'instrument')?.attributes.id ?? null,
    type: TYPE_NAMES[textOf(node, 'type') ?? ''] ?? null,
    dots: Math.min(2, all(node, 'dot').length),
    tuplet:
      actual > 0 && normal > 0
        ? { actual, normal, normalType: TYPE_NAMES[textOf(modification, 'normal-type') ?? ''] ?? null }
        : null,
    tupletStarts: tuplets.some((one) => one.attributes.type === 'start' && (one.attributes.number ?? '1') === '1'),
    tupletStops: tuplets.some((one) => one.attributes.type === 'stop' && (one.attributes.number ?? '1') === '1'),
    tieFromLast: ties.includes('stop'),
    tieToNext: ties.includes('start'),
    notehead: textOf(node, 'notehead') ?? null,
    fingering,
    marks,
    slurs: notations
      .flatMap((one) => all(one, 'slur'))
      .flatMap(({ attributes: { type, number = '1' } }) =>
        type === 'start' || type === 'stop' ? [{ number, type: type }] : [],
      ),
    lyrics: all(node, 'lyric').flatMap((lyric): Lyric[] => {
      const text = all(lyric, 'text')
        .map((one) => one.text)
        .join(' ');
      const syllabic = textOf(lyric, 'syllabic');
      return text
        ? [
            {
              text,
              syllabic: syllabic === 'begin' || syllabic === 'middle' || syllabic === 'end' ? syllabic : 'single',
            },
          ]
        : [];
    }),
    articulations,
    line: node.line,
  };
}

function readPitch(node: XmlNode): Pitch | null {
  const pitch = child(node, 'pitch');
  if (pitch) return pitchFrom(textOf(pitch, 'step'), numberOf(pitch, 'alter') ?? 0, numberOf(pitch, 'octave'));
  const unpitched = child(node, 'unpitched');
  if (unpitched)
    return pitchFrom(textOf(unpitched, 'display-step') ?? 'B', 0, numberOf(unpitched, 'display-octave') ?? 4);
  return null;
}

/** Quarter tones are taken to the nearest half tone. */
function pitchFrom(step: string | undefined, alter: number, octave: number | undefined): Pitch | null {
  if (!step || !STEPS.includes(step as Step) || octave === undefined) return null;
  const whole = Math.max(-2, Math.min(2, Math.round(alter)));
  return { step: step as Step, alter: whole === 0 ? 0 : whole, octave: Math.round(octave) };
}

function readNotations(
  notations: readonly XmlNode[],
  unpitched: boolean,
): { marks: SymbolMarks; articulations: Articulation[]; fingering: RawNote['fingering'] } {
  const marks: SymbolMarks = {};
  const found: Articulation[] = [];
  let fingering: RawNote['fingering'] = null;
  for (const group of notations.flatMap((one) => one.children)) {
    if (group.name === 'articulations') {
      for (const sign of group.children) {
        found.push(...(ARTICULATION_OF[sign.name] ?? []));
        if (sign.name === 'breath-mark') marks.breath = 'breath';
        if (sign.name === 'caesura') marks.breath = 'caesura';
      }
    } else if (group.name === 'ornaments') {
      for (const sign of group.children) {
        if (sign.name === 'trill-mark' || sign.name === 'shake') marks.trill = true;
        if (TURNS.includes(sign.name as Turn)) marks.turn = sign.name as Turn;
        if (sign.name === 'delayed-turn') marks.turn = 'turn';
        if (sign.name === 'tremolo') {
          marks.tremolo = Math.max(1, Math.min(5, Number(sign.text) || 3));
          if (sign.attributes.type === 'start') marks.alternating = 'first';
          if (sign.attributes.type === 'stop') marks.alternating = 'second';
        }
      }
    } else if (group.name === 'technical') {
      const [string, fret] = [numberOf(group, 'string'), numberOf(group, 'fret')];
      if (string !== undefined && fret !== undefined) fingering = { string, fret };
      if (child(group, 'harmonic')) marks.harmonic = true;
      if (unpitched && (child(group, 'open-string') || child(group, 'open'))) marks.hiHat = 'open';
      if (unpitched && child(group, 'stopped')) marks.hiHat = 'closed';
    } else if (group.name === 'arpeggiate') marks.arpeggio = group.attributes.direction === 'down' ? 'down' : 'up';
    else if (group.name === 'fermata') marks.fermata = true;
  }
  return { marks, articulations: ARTICULATIONS.filter((one) => found.includes(one)), fingering };
}
