import type { Meter } from '../../time';
import type { SwingMark, TempoMark } from '../score';

export function swingWords({ ratio, unit }: SwingMark): string {
  if (ratio === 1) return 'Straight';
  return unit === '16th' ? 'Swing (sixteenths)' : 'Swing';
}

/** What a metronome mark says: compound meters count dotted quarters. */
export function metronomeMark(
  { bpm, printed }: Pick<TempoMark, 'bpm' | 'printed'>,
  { beats, beatType }: Meter,
): { dotted: boolean; perMinute: number } {
  const dotted = beatType === 8 && beats % 3 === 0;
  return { dotted, perMinute: readable((printed ?? bpm) / (dotted ? 1.5 : 1)) };
}

/** 95.98 is 96 to whoever reads it; 72.5 is meant. */
function readable(bpm: number): number {
  const whole = Math.round(bpm);
  return Math.abs(bpm / whole - 1) < 0.004 ? whole : Math.round(bpm * 10) / 10;
}
