/* What is not guessed about a score, because it says so itself: nothing is early, swings, or is an ornament by its speed. */
import { partOf } from '../../base';
import type { Performance } from '../../performance';
import { MARK_CLASSES } from '../../score';
import { MOST_PLAYERS, type ConversionSettings, type MarkRule } from '../../settings';

const NO_MARKS: readonly MarkRule[] = MARK_CLASSES.map((mark) => ({ mark, use: 'off', strength: 'usual' }));

const PLAYERS = Array.from({ length: MOST_PLAYERS }, (_, n) => n + 1);

/** The settings with everything that a score says itself; what people decided counts before it. */
export function asReceived(settings: ConversionSettings, { tracks }: Performance): ConversionSettings {
  const written = tracks.filter((track) => track.written);
  const forAll = <T>(value: T): Record<string, T> => Object.fromEntries(written.map(({ id }) => [id, value]));
  const marked = Object.fromEntries(
    written.flatMap(({ id }) =>
      PLAYERS.map((player) => partOf(id, player)).map((part) => [part, [...NO_MARKS, ...(settings.marks[part] ?? [])]]),
    ),
  );
  return {
    ...settings,
    leads: { ...forAll(0), ...settings.leads },
    plain: { ...forAll(true as const), ...settings.plain },
    gathered: { ...forAll(null), ...settings.gathered },
    swing: settings.swing ?? { ratio: 1, unit: 'eighth' },
    marks: { ...settings.marks, ...marked },
  };
}
