export { checkFile, isScoreFile, type FileKind } from './file-kind';
export { ScoreDesk } from './score-desk';
export { type Opened, type OpenQuery, type PartSummary, type SourceSummary, type Summary } from './score-summary';
export { SCORE_FORMATS, SCORE_FORMAT_NAMES, type ScoreExport, type ScoreFormat } from './score-formats';
export { type DealPreview } from './deal-preview';
export { SequenceDesk, type SequenceFiles } from './sequence-desk';
export { type MidiSequence, type ScorePartSummary, type ScoreSequence, type SequenceSummary } from './sequence-summary';
export { type ControllerPair, type HeardNote } from './heard';
