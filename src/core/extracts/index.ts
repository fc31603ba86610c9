export { ExtractError, EXTRACTS, extractOf, type Extract, type ExtractKind } from './extracts';
export { melodyOf } from './lead-sheet';
