/* What runs over several notes of a part: dynamics, hairpins, pedals, octave lines, slurs. */
import {
  DYNAMICS,
  NO_LINES,
  type Dynamic,
  type Hairpin,
  type OctaveLine,
  type PartBar,
  type PartLines,
  type Slur,
} from '../../score';
import { QUARTER, type Bar, type WrittenUnits } from '../../time';
import { directionsOf } from './directions';
import type { RawNote, RawPart } from './raw';

/** Signs that only strike one note harder are accents; fp and its like are loud and soft at once. */
const LEVELS: Record<string, Dynamic> = { pppp: 'ppp', ppppp: 'ppp', ffff: 'fff', fffff: 'fff', n: 'ppp' };

export function linesOf(raw: RawPart, bars: readonly Bar[], partBars: readonly PartBar[]): PartLines {
  const lines: PartLines = {
    ...NO_LINES,
    dynamics: [],
    hairpins: [],
    slurs: slursOf(raw, bars, partBars),
    pedals: [],
    octaveLines: [],
  };
  const wedges = new Map<string, Hairpin>();
  const octaves = new Map<string, OctaveLine>();
  let pedal: WrittenUnits | null = null;
  const end = bars.at(-1)!.start + bars.at(-1)!.length;
  for (const { direction, at } of directionsOf(raw, bars).sort((a, b) => a.at - b.at)) {
    const { staff } = direction;
    switch (direction.kind) {
      case 'dynamic': {
        const level =
          LEVELS[direction.level] ??
          (DYNAMICS.includes(direction.level as Dynamic) ? (direction.level as Dynamic) : null);
        if (level) lines.dynamics.push({ at, staff, level });
        else if (/^s?fp+$/.test(direction.level))
          lines.dynamics.push({ at, staff, level: 'f' }, { at: at + QUARTER / 2, staff, level: 'p' });
        break;
      }
      case 'wedge': {
        const open = wedges.get(direction.number);
        if (open) {
          if (at > open.start) lines.hairpins.push({ ...open, end: at });
          wedges.delete(direction.number);
        }
        if (direction.type !== 'stop')
          wedges.set(direction.number, { start: at, end: at, staff, kind: direction.type });
        break;
      }
      case 'pedal':
        if (pedal !== null && direction.type !== 'start' && at > pedal) lines.pedals.push({ start: pedal, end: at });
        if (direction.type === 'stop') pedal = null;
        else pedal = at;
        break;
      case 'octave': {
        const open = octaves.get(direction.number);
        if (open && at > open.start) lines.octaveLines.push({ ...open, end: at });
        octaves.delete(direction.number);
        if (direction.type !== 'stop')
          octaves.set(direction.number, {
            start: at,
            end: at,
            staff,
            octaves: ((direction.type === 'down' ? 1 : -1) * (direction.size > 8 ? 2 : 1)) as OctaveLine['octaves'],
          });
        break;
      }
      default: // Belongs to the piece, or to single notes.
    }
  }
  for (const open of wedges.values())
    if (end > open.start) lines.hairpins.push({ ...open, end: Math.min(end, open.start + 8 * QUARTER) });
  if (pedal !== null && pedal < end) lines.pedals.push({ start: pedal, end });
  return lines;
}

function slursOf(raw: RawPart, bars: readonly Bar[], partBars: readonly PartBar[]): Slur[] {
  const open = new Map<string, { start: WrittenUnits; bar: number; note: RawNote }>();
  const slurs: Slur[] = [];
  raw.measures.forEach((measure, b) => {
    for (const note of measure.notes)
      for (const { number, type } of [...note.slurs].sort((x) => (x.type === 'stop' ? -1 : 1))) {
        const at = bars[b]!.start + note.at;
        if (type === 'start') open.set(number, { start: at, bar: b, note });
        else {
          const begun = open.get(number);
          open.delete(number);
          if (begun && at > begun.start)
            slurs.push({ start: begun.start, end: at, voice: voiceOf(begun.note, partBars[begun.bar]!) });
        }
      }
  });
  return slurs;
}

/** The voice in which a note of the file was put. */
function voiceOf({ at, pitch, staff }: RawNote, { voices }: PartBar): number {
  const holds = voices.find((voice) =>
    voice.symbols.some(
      (symbol) =>
        symbol.at === at &&
        symbol.notes.some((note) => note.pitch.step === pitch?.step && note.pitch.octave === pitch.octave),
    ),
  );
  return (holds ?? voices.find((voice) => voice.staff === staff) ?? voices[0])?.voice ?? 1;
}
