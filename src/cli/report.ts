import type { Conversion } from '../core/to-score';

/** What the engine decided and what it doubts, for scripts to read. */
export function reportOf({ score, casting, queries, reports, audit }: Conversion) {
  return {
    title: score.title,
    bars: score.bars.length,
    keys: score.keys,
    parts: casting.parts.map((part, i) => {
      const { divisions: _divisions, ...report } = reports[i]!;
      return {
        id: part.id,
        name: part.name,
        instrument: part.instrument.id,
        tracks: part.tracks,
        notes: part.notes.length,
        ...report,
      };
    }),
    tracks: casting.tracks.map((track) => ({
      id: track.id,
      name: track.name,
      instrument: track.instrument.id,
      confidence: track.confidence,
      leftOut: track.leftOut,
      reason: track.reason,
      evidence: track.recognition.candidates[0]?.evidence ?? [],
    })),
    queries,
    audit,
  };
}
