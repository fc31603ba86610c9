/*
 * Bars of all parts made one: a bar lasts as long as its music, whatever its meter says and however it is numbered.
 *
 *     4/4   four quarters | three (repeat) | one | four   →   bars at 0, 4, 7, 8
 *
 * Three things look alike and are told apart: a bar that is short or long, a voice that is merely incomplete, and a
 * voice that is too long by a slip.
 */
import { say } from '../../words';
import { barLength, COMMON_TIME, QUARTER, type Bar, type Meter, type WrittenUnits } from '../../time';
import type { MusicXmlWarning } from './errors';
import type { RawMeasure, RawScore } from './raw';

/** Divisions that do not divide a tuplet leave a bar this much too short or too long. */
const ROUNDING: WrittenUnits = QUARTER / 16;
/** More than so many bars' length in one bar is a fault of the file. */
const LONGEST_IN_BARS = 64;
const MOST_SAID = 12;

export function barsOf({ parts }: RawScore, warnings: MusicXmlWarning[]): Bar[] {
  const count = parts.reduce((most, part) => Math.max(most, part.measures.length), 0);
  const bars: Bar[] = [];
  let start: WrittenUnits = 0;
  let meter: Meter = COMMON_TIME;
  let number = 0;
  let free = false;
  for (let b = 0; b < count; b++) {
    const here = parts.flatMap((part) => part.measures[b] ?? []);
    const said = here.find((one) => one.meter)?.meter;
    if (said) free = false;
    if (here.some((one) => one.free)) free = true;
    meter = said ?? meter;
    const full = barLength(meter);
    const length = lengthOf(here, full);
    const implicit = here.some((one) => one.implicit);
    const printed = here.map((one) => one.number).find((one) => /^\d+$/.test(one));
    const first = length < full ? 0 : 1;
    if (b === 0) number = printed !== undefined ? Number(printed) : first;
    else if (printed !== undefined && !implicit) number = Number(printed);
    else number += here.every((one) => one.implicit) && length < full ? 0 : 1;
    bars.push({ index: b, number, start, length, meter, implicit: length !== full, ...(free && { free }) });
    start += length;
  }
  for (const [list, rest] of [
    [cutVoices(parts, bars), say('musicxml.moreBarsHaveAVoiceThatIsLongerThan')],
    [surprisingBars(parts, bars), say('musicxml.moreBarsHoldAnotherLengthThanTheir')],
  ] as const)
    warnings.push(...firstFew(list, rest));
  return bars;
}

interface Reach {
  /** Where the voice's last note or rest ends. */
  end: WrittenUnits;
  /** Where its last note ends. */
  sounds: WrittenUnits;
}

/** How far each voice with notes of its own reaches; a measure that ends with a skip reaches as far as the skip. */
function reachesOf(measure: RawMeasure): Reach[] {
  const byVoice = new Map<string, Reach>();
  for (const note of measure.notes) {
    if (note.grace || note.wholeBarRest) continue;
    const name = `${note.staff}/${note.voice}`;
    const reach = byVoice.get(name) ?? { end: 0, sounds: 0 };
    const end = note.at + note.duration;
    byVoice.set(name, {
      end: Math.max(reach.end, end),
      sounds: note.rest ? reach.sounds : Math.max(reach.sounds, end),
    });
  }
  const reaches = [...byVoice.values()];
  const furthest = Math.max(0, ...reaches.map((reach) => reach.end));
  // Skipped time after the last note belongs to the bar as a rest does.
  const skips = reaches.length > 0 && measure.reach > furthest && !measure.notes.some((note) => note.wholeBarRest);
  return skips ? [...reaches, { end: measure.reach, sounds: 0 }] : reaches;
}

function lengthOf(measures: readonly RawMeasure[], full: WrittenUnits): WrittenUnits {
  const reaches = measures.flatMap(reachesOf);
  const longest = Math.max(0, ...reaches.map((reach) => reach.end));
  if (longest === 0) return restLength(measures, full);
  if (Math.abs(longest - full) <= ROUNDING) return full;
  if (longest > full) return longBar(reaches, full);
  // Where most parts rest through a bar of full length, the one that plays has left its own unfinished.
  const sounding = measures.filter((one) => reachesOf(one).length > 0).length;
  const resting = measures.filter((one) => reachesOf(one).length === 0 && one.reach >= full - ROUNDING).length;
  return resting > sounding && !measures.some((one) => one.implicit) ? full : longest;
}

/**
 * A cadenza, unless most voices end with the meter's bar: then the one that does not is too long by a slip. Rests alone
 * lengthen nothing.
 */
function longBar(reaches: readonly Reach[], full: WrittenUnits): WrittenUnits {
  const longer = reaches.filter((reach) => reach.sounds > full + ROUNDING);
  // Who rests through the bar says nothing about its length.
  const ending = reaches.filter((reach) => reach.sounds > 0 && Math.abs(reach.end - full) <= ROUNDING).length;
  const longest = Math.max(0, ...longer.map((reach) => reach.end));
  return longer.length === 0 || ending > longer.length || longest > LONGEST_IN_BARS * full ? full : longest;
}

/** A bar in which nobody plays: as long as its meter, unless it is marked as cut and says how long it is. */
function restLength(measures: readonly RawMeasure[], full: WrittenUnits): WrittenUnits {
  const said = Math.max(0, ...measures.map((one) => one.reach));
  return said > 0 && said < full && measures.some((one) => one.implicit) ? said : full;
}

/** A fault that runs through a file is said by its first places. */
function firstFew(list: readonly MusicXmlWarning[], rest: string): MusicXmlWarning[] {
  const more = list.length - MOST_SAID;
  return more > 0 ? [...list.slice(0, MOST_SAID), { message: `${more} ${rest}` }] : [...list];
}

function cutVoices(parts: RawScore['parts'], bars: readonly Bar[]): MusicXmlWarning[] {
  return bars.flatMap((bar) => {
    const part = parts.find((one) =>
      one.measures[bar.index]?.notes.some(
        (note) => note.at + note.duration > bar.length + ROUNDING && !note.wholeBarRest,
      ),
    );
    return part
      ? [
          {
            part: part.id,
            bar: bar.index,
            line: part.measures[bar.index]!.line,
            message: say('musicxml.aVoiceIsLongerThanTheBarWhat'),
          },
        ]
      : [];
  });
}

/** Bars of another length than their meter's that neither the file nor the form of the piece explains. */
function surprisingBars(parts: RawScore['parts'], bars: readonly Bar[]): MusicXmlWarning[] {
  const first = parts[0]!;
  const signed = (b: number) => parts.some((part) => Object.keys(part.measures[b]?.signs ?? {}).length > 0);
  return bars.flatMap((bar, b): MusicXmlWarning[] => {
    if (
      !bar.implicit ||
      bar.free ||
      b === 0 ||
      b === bars.length - 1 ||
      parts.some((part) => part.measures[b]?.implicit)
    )
      return [];
    const full = barLength(bar.meter);
    const completes = [bars[b - 1], bars[b + 1]].some((other) => other?.implicit && other.length + bar.length === full);
    if (bar.length < full && (completes || signed(b) || signed(b - 1) || signed(b + 1))) return [];
    return [
      {
        part: first.id,
        bar: b,
        line: first.measures[b]?.line,
        message: say('musicxml.barBarHoldsQuartersOfMusicWhereIts', {
          bar: bar.number,
          quarters: quarters(bar.length),
          quarters2: quarters(full),
        }),
      },
    ];
  });
}

function quarters(length: WrittenUnits): string {
  const count = Math.round((length / QUARTER) * 1000) / 1000;
  return `${count} ${count === 1 ? 'quarter' : 'quarters'}`;
}
