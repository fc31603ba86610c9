import { MARK_CLASSES, type MarkClass } from '../../score';
import { usualMarkUse, type MarkRule, type MarkStrength, type MarkUse } from '../../settings';

/** The rules of a part over what nobody has decided about it: the usual use, with the usual strength. */
export function rulesOver(instrument: string, rules: readonly MarkRule[]): MarkRule[] {
  const usual = MARK_CLASSES.map((mark): MarkRule => ({
    mark,
    use: usualMarkUse(mark, instrument),
    strength: 'usual',
  }));
  return [...usual, ...rules];
}

/** The rule for a class of marks in a bar: the last one that was set for it, of rules that are {@link rulesOver} all. */
export function ruleFor(
  rules: readonly MarkRule[],
  mark: MarkClass,
  bar: number,
): { use: MarkUse; strength: MarkStrength } {
  return rules.findLast((rule) => rule.mark === mark && (!rule.bars || (bar >= rule.bars.from && bar < rule.bars.to)))!;
}

/** Strengths that are asked for anywhere in a part; none where the class is off throughout. */
export function strengthsInUse(rules: readonly MarkRule[], mark: MarkClass): MarkStrength[] {
  const own = rules.filter((rule) => rule.mark === mark);
  const whole = own.findLastIndex((rule) => !rule.bars);
  return [
    ...new Set(
      own
        .slice(whole)
        .filter(({ use }) => use !== 'off')
        .map(({ strength }) => strength),
    ),
  ];
}
