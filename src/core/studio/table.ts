/* The time line as a table: for a spreadsheet, or for the wall of the control room. */
import Papa from 'papaparse';
import { keyName } from '../score';
import { meterInWords } from '../time';
import { timeCode, type FrameRate } from './time-code';
import { changesOf, type Change, type StudioTimeLine } from './time-line';

export interface TableSettings {
  rate: FrameRate;
  /** Code at the first bar, as a count of frames. */
  start: number;
  /** Every bar, or only where something changes. */
  everyBar: boolean;
}

export interface TableRow {
  bar: number;
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
      return `${Math.round(bpm! * 1000) / 1000} quarters a minute`;
    case 'meter':
      return meterInWords(meter!);
    case 'key':
      return keyName(key!);
    case 'marker':
      return text!;
  }
}

export function tableOf(line: StudioTimeLine, { rate, start, everyBar }: TableSettings): TableRow[] {
  const changes = changesOf(line);
  const row = (bar: number, beat: number, seconds: number, what: string): TableRow => ({
    bar,
    beat,
    minutes: minutesInWords(seconds),
    seconds: Math.round(seconds * 1000) / 1000,
    code: timeCode(seconds, rate, start),
    what,
  });
  const rows: (TableRow & { played: number })[] = [];
  for (const change of changes) {
    const last = rows.at(-1);
    const what = changeInWords(change);
    if (last && last.played === change.played && last.beat === change.beat) last.what += `; ${what}`;
    else rows.push({ ...row(change.bar, change.beat, change.seconds, what), played: change.played });
  }
  if (everyBar) {
    const there = new Set(rows.filter(({ beat }) => beat === 1).map(({ played }) => played));
    line.bars.forEach((bar, played) => {
      if (!there.has(played)) rows.push({ ...row(bar.number, 1, bar.at, ''), played });
    });
    rows.sort((a, b) => a.seconds - b.seconds || a.beat - b.beat);
  }
  return rows.map(({ played: _, ...one }) => one);
}

export function tableAsCsv(line: StudioTimeLine, settings: TableSettings): string {
  const rows = tableOf(line, settings).map(({ bar, beat, minutes, seconds, code, what }) => ({
    bar,
    beat,
    time: minutes,
    seconds,
    [`time code ${settings.rate}`]: code,
    what,
  }));
  return `${Papa.unparse(rows, { escapeFormulae: true })}\r\n`;
}
