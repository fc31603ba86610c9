/*
 * Time code as studios count it: hours, minutes, seconds, frames (SMPTE ST 12-1).
 *
 * At 29.97 frames a second a clock of thirty frames runs slow. Drop-frame counting leaves out the numbers 00 and 01 at the
 * beginning of each minute but every tenth: 18 numbers in ten minutes, so that an hour of code is an hour within 3.6 ms.
 */
import type { Seconds } from '../time';

export const FRAME_RATES = ['23.976', '24', '25', '29.97', '29.97 drop', '30'] as const;
export type FrameRate = (typeof FRAME_RATES)[number];

interface Counting {
  /** Numbers in a second of code. */
  counted: number;
  /** Frames in a second of time. */
  perSecond: number;
  drop: boolean;
}

const COUNTING: Record<FrameRate, Counting> = {
  '23.976': { counted: 24, perSecond: 24_000 / 1001, drop: false },
  '24': { counted: 24, perSecond: 24, drop: false },
  '25': { counted: 25, perSecond: 25, drop: false },
  '29.97': { counted: 30, perSecond: 30_000 / 1001, drop: false },
  '29.97 drop': { counted: 30, perSecond: 30_000 / 1001, drop: true },
  '30': { counted: 30, perSecond: 30, drop: false },
};

const DROPPED = 2;

/** Frames of a running count that a time of code stands for. */
function framesOf({ counted, drop }: Counting, h: number, m: number, s: number, f: number): number {
  const minutes = h * 60 + m;
  const dropped = drop ? DROPPED * (minutes - Math.floor(minutes / 10)) : 0;
  return (minutes * 60 + s) * counted + f - dropped;
}

/** The time of code of a running count of frames, wrapped at midnight; `;` before the frames where numbers are dropped. */
export function codeOfFrames(frames: number, rate: FrameRate): string {
  const { counted, drop } = COUNTING[rate];
  const day = framesOf(COUNTING[rate], 24, 0, 0, 0);
  let number = ((frames % day) + day) % day;
  if (drop) {
    // Ten minutes hold nine minutes of 1,798 frames and one of 1,800.
    const short = 60 * counted - DROPPED;
    const ten = 10 * short + DROPPED;
    const inTen = number % ten;
    const minutes = inTen < 60 * counted ? 0 : 1 + Math.floor((inTen - 60 * counted) / short);
    number += DROPPED * (9 * Math.floor(number / ten) + minutes);
  }
  const seconds = Math.floor(number / counted);
  const two = (n: number) => String(n).padStart(2, '0');
  const [h, m, s] = [Math.floor(seconds / 3600) % 24, Math.floor(seconds / 60) % 60, seconds % 60];
  return `${two(h)}:${two(m)}:${two(s)}${drop ? ';' : ':'}${two(number % counted)}`;
}

/** The frame that is shown at a time. @param start code at second 0, as a count of frames and parts of one */
export function timeCode(at: Seconds, rate: FrameRate, start = 0): string {
  // A frame that begins within a hundredth of itself has begun: sums of seconds are not exact.
  return codeOfFrames(Math.floor(start + at * COUNTING[rate].perSecond + 0.01), rate);
}

/**
 * A code as people write it, "01:00:00:00" or "1:00:00;00", as a running count of frames.
 *
 * @returns null when it is no code of this rate: a dropped number, a frame too many
 */
export function framesOfCode(code: string, rate: FrameRate): number | null {
  const match = /^\s*(\d{1,2}):(\d{1,2}):(\d{1,2})[:;.](\d{1,2})\s*$/.exec(code);
  if (!match) return null;
  const [h = 0, m = 0, s = 0, f = 0] = match.slice(1).map(Number);
  const counting = COUNTING[rate];
  if (h > 23 || m > 59 || s > 59 || f >= counting.counted) return null;
  if (counting.drop && f < DROPPED && s === 0 && m % 10 !== 0) return null;
  return framesOf(counting, h, m, s, f);
}

/** The count of frames at another rate that says the same code; 0 where that rate has no such code. */
export function sameCode(frames: number, from: FrameRate, to: FrameRate): number {
  return framesOfCode(codeOfFrames(frames, from), to) ?? 0;
}

/** How time code runs along a line: its rate, and the code at bar 1 as a count of frames; 0 where it counts from the line's beginning. */
export interface CodeSettings {
  rate: FrameRate;
  start: number;
}

/** Frames, and parts of one, at the beginning of a line. @param barOne seconds until bar 1 */
export function framesAtZero({ rate, start }: CodeSettings, barOne: Seconds): number {
  return start === 0 ? 0 : start - barOne * COUNTING[rate].perSecond;
}

/**
 * The five bytes of a Standard MIDI File's SMPTE offset (FF 54), the last one hundredths of a frame; it knows four rates,
 * 23.976 is written as 24.
 *
 * @param start code at the beginning of the file, as a count of frames and parts of one
 */
export function offsetBytes(start: number, rate: FrameRate): [number, number, number, number, number] {
  const hundredths = Math.round(start * 100);
  const frames = Math.floor(hundredths / 100);
  const [h = 0, m = 0, s = 0, f = 0] = codeOfFrames(frames, rate).split(/[:;]/).map(Number);
  const kind = { '23.976': 0, '24': 0, '25': 1, '29.97': 3, '29.97 drop': 2, '30': 3 }[rate];
  return [(kind << 5) | h, m, s, f, hundredths - 100 * frames];
}
