export { agreementOf, type AgreementOptions, type Explanation } from './agreement';
export { decisionsBehind, originalOf } from './decided';
export { differenceInWords } from './difference-words';
export { countDifferences, listedAgreement, type ListedAgreement } from './listing';
export type { OriginalBar } from './decided-bars';
export { asDecided, playingDecisions, type PlayingContext } from './decided-playing';
export {
  DIFFERENCE_KINDS,
  type Agreement,
  type BarAgreement,
  type Cell,
  type Difference,
  type DifferenceKind,
  type PartAgreement,
} from './model';
export { agreementInNumbers, type AgreementInNumbers } from './verdict';
export { mergedParts, musicOfPerformance, musicOfSequence, type SoundingMusic } from './sounding-music';
