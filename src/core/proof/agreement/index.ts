export { agreementOf, type AgreementOptions } from './agreement';
export { decisionsBehind, originalOf } from './decided';
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
export { musicOfPerformance, musicOfSequence, type SoundingMusic } from './sounding-music';
