/* The time line as a table: for a spreadsheet, or for the wall of the control room. */
import { inNumbers, say } from '../words';
import Papa from 'papaparse';
import { keyName } from '../score';
import { meterInWords } from '../time';
import { framesAtZero, timeCode, type CodeSettings } from './time-code';
import { barOneOf, changesOf, type Change, type StudioTimeLine } from './time-line';

export interface TableSettings extends CodeSettings {
  /** Every bar, or only where something changes. */
  everyBar: boolean;
}

export interface TableRow {
  /** As on the stands; "count-in 1" before them. */
  bar: number | string;
  /** Which playing of the bar, from 1. */
  pass: number;
  /** As a sequencer counts the bars of the map, from 1. */
  inMap: number;
  beat: number;
  minutes: string;
  seconds: number;
  code: string;
  what: string;
}

/** 2:07.345 for 127.345 seconds. */
export function minutesInWords(seconds: number): string {
  const ms = Math.round(seconds * 1000);
  const rest = ms % 60_000;
  return `${Math.floor(ms / 60_000)}:${String(Math.floor(rest / 1000)).padStart(2, '0')}.${String(rest % 1000).padStart(3, '0')}`;
}

/** What a change is, in words. */
export function changeInWords({ kind, bpm, meter, key, text }: Change): string {
  switch (kind) {
    case 'tempo':
      return say('studio.quartersPerMinute', { bpm: Math.round(bpm! * 1000) / 1000 });
    case 'meter':
      return meterInWords(meter!);
    case 'key':
      return keyName(key!);
    case 'marker':
      return text!;
  }
}

/** @param line as it leaves, its count-in before it (`countedIn`) */
export function tableOf(line: StudioTimeLine, { rate, start, everyBar }: TableSettings): TableRow[] {
  const changes = changesOf(line);
  const zero = framesAtZero({ rate, start }, barOneOf(line).bar.at);
  const row = (played: number, beat: number, seconds: number, what: string): TableRow => ({
    bar:
      line.bars[played]!.countIn > 0
        ? say('studio.countInBar', { bar: line.bars[played]!.countIn })
        : line.bars[played]!.number,
    pass: line.bars[played]!.pass,
    inMap: played + 1,
    beat,
    minutes: minutesInWords(seconds),
    seconds: Math.round(seconds * 1000) / 1000,
    code: timeCode(seconds, rate, zero),
    what,
  });
  const rows: (TableRow & { played: number })[] = [];
  for (const change of changes) {
    const last = rows.at(-1);
    const what = changeInWords(change);
    if (last && last.played === change.played && last.beat === change.beat) last.what += `; ${what}`;
    else rows.push({ ...row(change.played, change.beat, change.seconds, what), played: change.played });
  }
  if (everyBar) {
    const there = new Set(rows.filter(({ beat }) => beat === 1).map(({ played }) => played));
    line.bars.forEach((bar, played) => {
      if (!there.has(played)) rows.push({ ...row(played, 1, bar.at, ''), played });
    });
    rows.sort((a, b) => a.seconds - b.seconds || a.beat - b.beat);
  }
  return rows.map(({ played: _, ...one }) => one);
}

/** "Bar 1 is bar 3 of the map, 4.800 s after it begins, time code 01:00:00:00 at 25." */
export function barOneInWords(line: StudioTimeLine, code: CodeSettings): string {
  const { index, bar } = barOneOf(line);
  const at = timeCode(bar.at, code.rate, framesAtZero(code, bar.at));
  const facts = { bar: bar.number, inMap: index + 1, code: at, rate: code.rate };
  if (index === 0 && bar.at === 0) return say('studio.atTheBeginning', facts);
  return say('studio.afterTheBeginning', { ...facts, seconds: inNumbers(bar.at, 3) });
}

export function tableAsCsv(line: StudioTimeLine, settings: TableSettings): string {
  const rows = tableOf(line, settings).map(({ bar, pass, inMap, beat, minutes, seconds, code, what }) => ({
    bar,
    pass,
    'bar in map': inMap,
    beat,
    time: minutes,
    seconds,
    [`time code ${settings.rate}`]: code,
    what,
  }));
  return `${Papa.unparse(rows, { escapeFormulae: true })}\r\n`;
}
