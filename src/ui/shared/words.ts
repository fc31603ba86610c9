import { dateLocale, inNumbers, say } from '@/core/words';
/** Numbers and times as people read them. */

export function bytesInWords(bytes: number): string {
  if (bytes < 1000) return say('shared.bytesBytes', { bytes });
  if (bytes < 1_000_000) return say('shared.bytesKB', { bytes: inNumbers(bytes / 1000, 1) });
  if (bytes < 1_000_000_000) return say('shared.bytesMB', { bytes: inNumbers(bytes / 1_000_000, 1) });
  return say('shared.bytesGB', { bytes: inNumbers(bytes / 1_000_000_000, 1) });
}

/** 3:07 for 187 seconds. */
export function clock(seconds: number): string {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

export function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}

export function count(n: number, one: string, many: string): string {
  return `${inNumbers(n)} ${n === 1 ? one : many}`;
}

export function when(time: number, now: number): string {
  const minutes = Math.round((now - time) / 60_000);
  if (minutes < 1) return say('shared.justNow');
  if (minutes < 60) return say('shared.minutesMinAgo', { minutes });
  if (minutes < 24 * 60) return say('shared.minutesHAgo', { minutes: Math.round(minutes / 60) });
  return new Date(time).toLocaleDateString(dateLocale(), { day: 'numeric', month: 'short', year: 'numeric' });
}
