/* Signs and lines beside the notes of a part, each with the bar it begins in. */
import type { Bar, WrittenUnits } from '../time';
import { chordText, notesInTime, OpenTies, type Part } from '../score';
import type { Ids } from './ids';
import { mei } from './tree';
import { Places, type InBar } from './places';

export interface Lines {
  part: Part;
  bars: readonly Bar[];
  ids: Ids;
  /** The part's first staff in the score. */
  firstStaff: number;
  colour: string | undefined;
}

/** All of them, in no order. */
export function lineNodes(given: Lines): InBar[] {
  const { part, firstStaff, colour } = given;
  const { dynamics, forces, hairpins, pedals, octaveLines } = part.lines;
  const place = new Places(given.bars);
  const staffOf = (staff: number) => firstStaff + staff - 1;
  const lastStaff = staffOf(part.clefs.length);
  const below = { place: 'below', vgrp: 1 } as const;
  const inColour = ({ suggested }: { suggested?: true }) => (suggested ? colour : undefined);
  return [
    ...dynamics
      .filter(({ printed }) => printed !== '')
      .flatMap((mark) =>
        place.point(mark.at, (at) =>
          mei(
            'dynam',
            { staff: staffOf(mark.staff), ...below, ...at, color: inColour(mark) },
            mark.printed ?? mark.level,
          ),
        ),
      ),
    ...forces.flatMap(({ at, staff, sign }) =>
      place.point(at, (where) => mei('dynam', { staff: staffOf(staff), ...below, ...where }, sign)),
    ),
    ...hairpins.flatMap((line) =>
      place.stretch(line.start, line.end, (where) =>
        line.words
          ? mei(
              'dynam',
              {
                staff: staffOf(line.staff),
                ...below,
                ...where,
                extender: 'true',
                lform: 'dashed',
                color: inColour(line),
              },
              line.words,
            )
          : mei('hairpin', {
              staff: staffOf(line.staff),
              ...below,
              ...where,
              form: line.kind === 'crescendo' ? 'cres' : 'dim',
              color: inColour(line),
            }),
      ),
    ),
    ...pedals.flatMap((line) => [
      ...place.point(line.start, (at) => mei('pedal', { staff: lastStaff, ...at, dir: 'down', color: inColour(line) })),
      ...place.atEnd(line.end, (at) => mei('pedal', { staff: lastStaff, ...at, dir: 'up', color: inColour(line) })),
    ]),
    ...octaveLines.flatMap(({ start, end, staff, octaves }) =>
      place.stretch(start, end, (where) =>
        mei('octave', {
          staff: staffOf(staff),
          ...where,
          ...edges(given, staff, start, end),
          dis: Math.abs(octaves) === 1 ? 8 : 15,
          'dis.place': octaves > 0 ? 'above' : 'below',
        }),
      ),
    ),
    ...slurs(given, place),
    ...ties(given, place),
    ...(part.harmonies ?? []).flatMap((harmony) =>
      place.point(harmony.at, (at) =>
        mei(
          'harm',
          { staff: firstStaff, place: 'above', ...at },
          harmony.suggested && colour ? mei('rend', { color: colour }, chordText(harmony)) : chordText(harmony),
        ),
      ),
    ),
  ];
}

/** The first and the last symbol of a staff between two places. */
function edges({ part, bars, ids }: Lines, staff: number, start: WrittenUnits, end: WrittenUnits) {
  const inside = part.bars.flatMap(({ voices }, b) =>
    voices
      .filter((voice) => voice.staff === staff)
      .flatMap(({ symbols }) => symbols.map((symbol) => ({ symbol, at: bars[b]!.start + symbol.at }))),
  );
  const found = inside
    .filter(
      ({ symbol, at }) => symbol.notes.length > 0 && !symbol.hidden && ids.isDrawn(symbol) && at >= start && at < end,
    )
    .sort((a, b) => a.at - b.at);
  if (found.length === 0) return {};
  return { startid: `#${ids.symbol(found[0]!.symbol)}`, endid: `#${ids.symbol(found.at(-1)!.symbol)}` };
}

/** From symbol to symbol; one that begins before the bars or ends behind them goes as far as they do. */
function slurs({ part, ids, firstStaff, colour }: Lines, place: Places): InBar[] {
  return part.lines.slurs.flatMap(({ start, end, voice, endVoice, suggested }) => {
    const [from, to] = [ids.at(voice, start), ids.at(endVoice ?? voice, end)];
    if (from === null || to === null || from === to) return [];
    return place.point(start, () =>
      mei('slur', {
        staff: firstStaff + Math.floor((voice - 1) / 4),
        startid: `#${from}`,
        endid: `#${to}`,
        color: suggested && colour,
      }),
    );
  });
}

/** From note to note, in whichever voice the next one is; those that are left to ring lead nowhere. */
function ties({ part, bars, ids, firstStaff }: Lines, place: Places): InBar[] {
  if (part.tablature?.show === 'tablature') return [];
  const open = new OpenTies<{ from: string; at: WrittenUnits; staff: number }>();
  const found: InBar[] = [];
  const add = (name: 'tie' | 'lv', at: WrittenUnits, staff: number, ends: { startid: string; endid?: string }) =>
    found.push(...place.point(at, () => mei(name, { staff: firstStaff + staff - 1, ...ends })));
  for (const { note, symbol, staff, voice, at, until } of notesInTime(part.bars, bars)) {
    if (symbol.hidden || !ids.isDrawn(symbol)) continue;
    const id = ids.note(note);
    if (note.tieFromLast) {
      const begun = open.take(note.key, at, voice, true);
      if (begun) add('tie', begun.at, begun.staff, { startid: `#${begun.from}`, endid: `#${id}` });
    }
    if (note.tieToNext) open.open(note.key, until, voice, { from: id, at, staff });
    if (note.ringing) add('lv', at, staff, { startid: `#${id}` });
  }
  return found;
}
