import type { MarkClass } from '../../score';
import type { MarkRule, MarkStrength, MarkUse } from '../../settings';

/** What nobody has decided about is suggested, with the usual strength. */
const USUAL = { use: 'suggest', strength: 'usual' } as const;

/** The rule for a class of marks in a bar: the last one that was set for it. */
export function ruleFor(
  rules: readonly MarkRule[],
  mark: MarkClass,
  bar: number,
): { use: MarkUse; strength: MarkStrength } {
  return (
    rules.findLast((rule) => rule.mark === mark && (!rule.bars || (bar >= rule.bars.from && bar < rule.bars.to))) ??
    USUAL
  );
}

/** Strengths that are asked for anywhere in a part; none where the class is off throughout. */
export function strengthsInUse(rules: readonly MarkRule[], mark: MarkClass): MarkStrength[] {
  const own = rules.filter((rule) => rule.mark === mark);
  const whole = own.findLastIndex((rule) => !rule.bars);
  const counting = whole < 0 ? [USUAL, ...own] : own.slice(whole);
  return [...new Set(counting.filter(({ use }) => use !== 'off').map(({ strength }) => strength))];
}
