/* What stands beside the staves of a part or runs over several of its notes. */
import { LINES, type LineEvent, type LineKind, type LineKinds } from '../../marks';
import { type PartBar, type PartLines, type Slur } from '../../score';
import { type Bar, type WrittenUnits } from '../../time';
import { directionsOf } from './directions';
import type { RawNote, RawPart } from './raw';

export function linesOf(raw: RawPart, bars: readonly Bar[], partBars: readonly PartBar[]): PartLines {
  const events = directionsOf(raw, bars)
    .flatMap(({ direction, at }): LineEvent[] =>
      direction.kind === 'line' ? [{ at, staff: direction.staff, element: direction.element }] : [],
    )
    .sort((a, b) => a.at - b.at);
  const end = bars.at(-1)!.start + bars.at(-1)!.length;
  const read = <K extends keyof LineKinds>(name: K): PartLines[K] => {
    const kind: LineKind<PartLines[K][number]> = LINES[name];
    return kind.read(
      events.filter(({ element }) => kind.elements.includes(element.name)),
      end,
    ) as PartLines[K];
  };
  return {
    dynamics: read('dynamics'),
    forces: read('forces'),
    hairpins: read('hairpins'),
    slurs: slursOf(raw, bars, partBars),
    pedals: read('pedals'),
    octaveLines: read('octaveLines'),
  };
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
          if (!begun || at <= begun.start) continue;
          const voice = voiceOf(begun.note, partBars[begun.bar]!);
          const endVoice = voiceOf(note, partBars[b]!);
          slurs.push({ start: begun.start, end: at, voice, ...(endVoice !== voice && { endVoice }) });
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
