/* What became of a batch: for people a table, for programs JSON. */
import type { Outcome } from './record';

export interface BatchSummary {
  files: number;
  done: number;
  unchanged: number;
  failed: number;
  notes: number;
  seconds: number;
  outcomes: readonly Outcome[];
}

/** Rows of the table; the JSON has all. */
const MOST_ROWS = 40;
const LONGEST_NAME = 48;

export function summaryOf(outcomes: readonly Outcome[], seconds: number): BatchSummary {
  const count = (state: Outcome['state']) => outcomes.filter((one) => one.state === state).length;
  return {
    files: outcomes.length,
    done: count('done'),
    unchanged: count('unchanged'),
    failed: count('failed'),
    notes: outcomes.reduce((sum, { notes }) => sum + notes, 0),
    seconds: Math.round(seconds * 100) / 100,
    outcomes,
  };
}

export function tableOf(summary: BatchSummary, file: string): string {
  const { files, done, unchanged, failed, notes, seconds, outcomes } = summary;
  const rows = [
    ...outcomes.filter(({ state }) => state === 'failed'),
    ...outcomes.filter(({ state }) => state !== 'failed'),
  ];
  const header = ['file', 'state', 'parts', 'bars', 'notes', 'open', 'files', 'seconds'];
  const cells = rows
    .slice(0, MOST_ROWS)
    .map((row) => [
      row.name.length > LONGEST_NAME ? `…${row.name.slice(1 - LONGEST_NAME)}` : row.name,
      row.state,
      ...[row.parts, row.bars, row.notes, row.open, row.files.length].map(String),
      row.seconds.toFixed(1),
    ]);
  const widths = header.map((title, i) => Math.max(title.length, ...cells.map((row) => row[i]!.length)));
  const line = (row: readonly string[]) =>
    row.map((cell, i) => (i < 2 ? cell.padEnd(widths[i]!) : cell.padStart(widths[i]!))).join('  ');
  return [
    line(header),
    ...cells.map(line),
    ...(rows.length > MOST_ROWS ? [`and ${rows.length - MOST_ROWS} more`] : []),
    '',
    `${files} files: ${done} done, ${unchanged} unchanged, ${failed} failed; ${notes.toLocaleString('en')} notes in ${seconds} s. All of it: ${file}`,
  ].join('\n');
}
