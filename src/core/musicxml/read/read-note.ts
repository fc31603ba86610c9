import { MARK_GROUPS, NOTE_MARKS } from '../../marks';
import { STEPS, type Lyric, type NoteType, type Pitch, type Step, type SymbolMarks } from '../../score';
import type { WrittenUnits } from '../../time';
import type { RawNote } from './raw';
import { all, child, numberOf, textOf, type XmlNode } from './xml-tree';

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
  const { marks, fingering } = readNotations(notations, child(node, 'unpitched') !== undefined);
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
const READ_BY_ELEMENT = new Map(NOTE_MARKS.flatMap(({ read }) => Object.entries(read)));
