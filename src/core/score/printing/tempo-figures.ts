import type { SwingMark } from '../score';

export function swingWords({ ratio, unit }: SwingMark): string {
  if (ratio === 1) return 'Straight';
  return unit === '16th' ? 'Swing (sixteenths)' : 'Swing';
}

/** 95.98 is 96 to whoever reads it; 72.5 is meant. */
export function printedTempo(bpm: number): number {
  const whole = Math.round(bpm);
  return Math.abs(bpm / whole - 1) < 0.004 ? whole : Math.round(bpm * 10) / 10;
}
