import { keyName } from '@/core/score';

interface Key {
  fifths: number;
  mode: 'major' | 'minor';
}

/** A key signature as the value of a list. */
export const keyValue = ({ fifths, mode }: Key) => `${fifths} ${mode}`;

export function keyOfValue(value: string): Key {
  const [fifths, mode] = value.split(' ');
  return { fifths: Number(fifths), mode: mode === 'minor' ? 'minor' : 'major' };
}

/** From seven flats to seven sharps, major keys first. */
export const KEY_OPTIONS = (['major', 'minor'] as const).flatMap((mode) =>
  Array.from({ length: 15 }, (_, i) => ({ fifths: i - 7, mode })).map((key) => ({
    value: keyValue(key),
    label: keyName(key),
  })),
);
