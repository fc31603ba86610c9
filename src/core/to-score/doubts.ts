/*
 * Doubts: what the engine is not sure of, as queries with their places.
 */
import type { DrumMap } from '../instruments';
import type { Performance, TrackId } from '../performance';
import type { Query } from '../score';
import { barBeat, barIndexAt, type Bar, type Milliseconds, type Seconds, type WrittenUnits } from '../time';
import { beatIndexAt, type BeatLine } from './beats';
import type { Casting, CastPart } from './casting';
import type { GridChoice } from './grid';
import { LEAST_LEAD_CONFIDENCE, type Lead } from './lead';

/** A note this far from its place is asked about, in shares of the part's jitter and absolutely. */
const FAR_JITTERS = 3.5;
const FAR: Seconds = 0.045;

/** Notes far off their place, and notes the instrument does not have. */
export function noteQueries(part: CastPart, grid: GridChoice, bars: readonly Bar[], line: BeatLine, drums: DrumMap): Query[] {
  const barStarts = bars.map((bar) => bar.start);
  const place = (at: WrittenUnits) => {
    const { bar, beat } = barBeat(bars, at);
    return { words: `${part.name}, bar ${bar}, beat ${beat}`, bar: barIndexAt(barStarts, at) };
  };
  return [...offGrid(part, grid, line, place), ...outside(part, grid, drums, place)];
}

type Place = (at: WrittenUnits) => { words: string; bar: number };

function offGrid(part: CastPart, grid: GridChoice, line: BeatLine, place: Place): Query[] {
  return grid.notes.flatMap((note): Query[] => {
    const away: Seconds = (note.onset - note.start) * line.secondsPerUnit[beatIndexAt(line, note.start)]!;
    if (Math.abs(away) <= Math.max(FAR, FAR_JITTERS * grid.jitter)) return [];
    const { words, bar } = place(note.start);
    const ms: Milliseconds = Math.round(away * 1000);
    return [
      {
        id: `off-grid/${part.id}/${note.id}`,
        kind: 'off-grid',
        part: part.id,
        at: note.start,
        bar,
        played: [note.id],
        message: `${words}: played ${Math.abs(ms)} ms ${ms > 0 ? 'after' : 'before'} the place it is written on.`,
        facts: { ms },
      },
    ];
  });
}

/** One query for each key that does not fit, at the first place it occurs. */
function outside(part: CastPart, grid: GridChoice, drums: DrumMap, place: Place): Query[] {
  const { unpitched, range } = part.instrument;
  const fits = (key: number) => (unpitched ? drums.has(key) : key >= range[0] && key <= range[1]);
  const strange = grid.notes.filter((note) => !fits(note.key));
  return [...new Set(strange.map((note) => note.key))].map((key): Query => {
    const notes = strange.filter((note) => note.key === key);
    const { words, bar } = place(notes[0]!.start);
    const times = notes.length > 1 ? ` (${notes.length} times)` : '';
    const kind = unpitched ? 'unmapped-drum' : 'out-of-range';
    return {
      id: `${kind}/${part.id}/${key}`,
      kind,
      part: part.id,
      at: notes[0]!.start,
      bar,
      played: notes.map((note) => note.id),
      message: unpitched ? `${words}: key ${key} is not in the drum map${times}.` : `${words}: key ${key} lies outside the instrument’s range ${range.join('–')}${times}.`,
      facts: { key },
    };
  });
}

/** Leads that are likely but not certain; they were not taken out. */
export function leadQueries(casting: Casting, leads: Map<TrackId, Lead>): Query[] {
  return casting.parts.flatMap((part) =>
    part.tracks.flatMap((track): Query[] => {
      const lead = leads.get(track)!;
      if (lead.pinned || lead.milliseconds === 0 || lead.confidence >= LEAST_LEAD_CONFIDENCE) return [];
      return [{ id: `lead/${track}`, kind: 'lead', track, part: part.id, message: `${part.name} may have been played ${Math.abs(lead.milliseconds)} ms ${lead.milliseconds > 0 ? 'early' : 'late'} (${Math.round(lead.confidence * 100)} % sure); written as played so far.`, facts: { ms: lead.milliseconds } }];
    }),
  );
}

/** What was odd in the file itself. */
export function fileQueries(performance: Performance): Query[] {
  return performance.warnings.map((warning, i) => ({ id: `file/${i}/${warning.track ?? ''}/${warning.tick ?? ''}`, kind: 'file', track: warning.track, message: warning.message }));
}
