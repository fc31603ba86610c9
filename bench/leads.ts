/*
 * Leads: which of those that were played are taken out or asked about, which of those that were not. A part's lead is
 * held against the true one beside the others': where a whole file is late nobody is ahead of anybody.
 */
import { performanceFromSmf } from '../src/core/performance';
import { NO_SETTINGS } from '../src/core/settings';
import { readSmf } from '../src/core/smf';
import { toScore } from '../src/core/to-score';
import { LEAST_LEAD_CONFIDENCE } from '../src/core/to-score/timing/leads';
import { LEAD_KINDS, leadCases, type LeadCase, type LeadKind } from './lead-cases';
import { measure, percent } from './measure';

export interface LeadCount {
  tracks: number;
  /** Tracks that were played early. */
  early: number;
  taken: number;
  asked: number;
  /** Leads that were not played. */
  takenWrongly: number;
  askedWrongly: number;
  notes: number;
  onsets: number;
}

const NONE: LeadCount = {
  tracks: 0,
  early: 0,
  taken: 0,
  asked: 0,
  takenWrongly: 0,
  askedWrongly: 0,
  notes: 0,
  onsets: 0,
};
/** As near as that a lead is the one that was played; less is none, in milliseconds. */
const RIGHT = 25;

/** @param about what is said of each track that is not as it was played */
export function countLeads({ score, leads, bytes }: LeadCase, about: (words: string) => void = () => {}): LeadCount {
  const conversion = toScore(performanceFromSmf(readSmf(bytes)), NO_SETTINGS);
  const { total } = measure(conversion.score, score);
  const found = Object.assign({}, ...conversion.reports.map((report) => report.leads)) as Record<
    string,
    { milliseconds: number; confidence: number; evidence: string }
  >;
  const count = { ...NONE, notes: total.notes, onsets: total.onsets };
  score.parts.forEach((part, p) => {
    const track = `t${p + 1}`;
    const { milliseconds, confidence, evidence } = found[track] ?? { milliseconds: 0, confidence: 1, evidence: '' };
    const isEarly = Math.abs(leads[p]!) > RIGHT;
    const isFound = Math.abs(milliseconds) > RIGHT;
    const right = isFound && Math.abs(milliseconds - leads[p]!) < RIGHT;
    const sure = confidence >= LEAST_LEAD_CONFIDENCE;
    count.tracks++;
    if (isEarly) count.early++;
    if (isFound && (isEarly || !right)) count[kindOf(right, sure)]++;
    if (isEarly !== isFound || (isFound && !right)) about(`${part.name}, ${leads[p]!} ms: ${evidence}`);
  });
  return count;
}

function kindOf(right: boolean, sure: boolean): 'taken' | 'asked' | 'takenWrongly' | 'askedWrongly' {
  if (right) return sure ? 'taken' : 'asked';
  return sure ? 'takenWrongly' : 'askedWrongly';
}

const plus = (a: LeadCount, b: LeadCount): LeadCount => ({
  tracks: a.tracks + b.tracks,
  early: a.early + b.early,
  taken: a.taken + b.taken,
  asked: a.asked + b.asked,
  takenWrongly: a.takenWrongly + b.takenWrongly,
  askedWrongly: a.askedWrongly + b.askedWrongly,
  notes: a.notes + b.notes,
  onsets: a.onsets + b.onsets,
});

/** Of several cases. */
export const sumOf = (counts: readonly LeadCount[]): LeadCount => counts.reduce(plus, NONE);

export function countByKind(seeds: readonly number[], about?: (words: string) => void): Map<LeadKind, LeadCount> {
  const counts = new Map<LeadKind, LeadCount>(LEAD_KINDS.map((kind) => [kind, NONE]));
  for (const seed of seeds)
    for (const one of leadCases(seed)) {
      const count = countLeads(one, about && ((words) => about(`${one.kind}: ${one.score.title}, ${words}`)));
      counts.set(one.kind, plus(counts.get(one.kind)!, count));
    }
  return counts;
}

export function leadsTable(seeds: readonly number[]): string {
  const rows = [...countByKind(seeds)].map(([kind, one]) =>
    [
      '',
      kind,
      one.tracks,
      one.early,
      one.taken,
      one.asked,
      one.early - one.taken - one.asked,
      one.takenWrongly,
      one.askedWrongly,
      percent(one.onsets, one.notes),
      '',
    ]
      .join(' | ')
      .trim(),
  );
  return `| music | tracks | early or late | taken out | asked about | left | taken out wrongly | asked about wrongly | onsets right |
|---|---|---|---|---|---|---|---|---|
${rows.join('\n')}`;
}
