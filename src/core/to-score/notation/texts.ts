/*
 * Words that the file carries: markers, tempo words, lyrics, and texts on tracks.
 *
 * Takes the performance's text events; gives each its place in the score. Nothing is thrown away: what finds no place
 * is reported.
 */
import type { NoteId, Performance, PlayedNote, PlayedTrack, TextEvent } from '../../performance';
import { isTempoWords, mapSymbols, type Lyric, type Marker, type Part, type SymbolInBar } from '../../score';
import { writtenUnits, type Ticks } from '../../time';
import type { MarkerStyle } from '../../settings';

/**
 * A letter, a number, or both, with or without the word before it: something to find one's place by (common practice).
 */
const REHEARSAL = /^(?:reh(?:earsal)?\.?\s*(?:mark)?\s*)?\[?([A-Z]{1,2}\d{0,2}|\d{1,3})\]?$/i;

export function markersOf(performance: Performance, style: MarkerStyle): Marker[] {
  return performance.markers.map(({ tick, text }) => {
    const letter = REHEARSAL.exec(text.trim())?.[1];
    const rehearsal = style === 'rehearsal' || (style === 'auto' && letter !== undefined);
    return {
      at: writtenUnits(tick, performance.ticksPerQuarter),
      text: style === 'auto' && letter ? letter : text,
      rehearsal,
    };
  });
}

export interface TempoWords {
  at: number;
  words: string;
}

/** Texts of tracks without notes that speak of tempo. */
export function tempoWords(performance: Performance): TempoWords[] {
  return performance.tracks
    .filter((track) => track.notes.length === 0)
    .flatMap((track) => track.texts.filter(({ kind, text }) => kind === 'text' && isTempoWords(text)))
    .map(({ tick, text }) => ({ at: writtenUnits(tick, performance.ticksPerQuarter), words: text.trim() }));
}

export interface PartTexts {
  /** By the note they are sung or said with. */
  lyrics: ReadonlyMap<NoteId, Lyric>;
  words: ReadonlyMap<NoteId, readonly string[]>;
  /** Texts that no note stands near. */
  lost: number;
}

/** A text belongs to the first note that starts this share of a quarter before it, or later. */
const BEFORE = 0.3;

/** Lyrics and texts of the tracks behind a part. Texts at the very start name things rather than say how to play. */
export function textsOf(tracks: readonly PlayedTrack[], ticksPerQuarter: number): PartTexts {
  const lyrics = new Map<NoteId, Lyric>();
  const words = new Map<NoteId, string[]>();
  let lost = 0;
  for (const track of tracks) {
    const notes = [...track.notes].sort((a, b) => a.start - b.start || b.key - a.key);
    const syllables = track.texts.filter(({ kind, text }) => kind === 'lyric' && text.trim() !== '');
    syllables.forEach((event, i) => {
      const note = noteAt(notes, event.tick, ticksPerQuarter);
      if (note && !lyrics.has(note.id)) lyrics.set(note.id, lyricOf(event.text, syllables[i - 1]));
      else lost++;
    });
    for (const event of track.texts) {
      if ((event.kind !== 'text' && event.kind !== 'cue') || event.tick === 0 || event.text.trim() === '') continue;
      const note = noteAt(notes, event.tick, ticksPerQuarter);
      if (note) words.set(note.id, [...(words.get(note.id) ?? []), event.text.trim()]);
      else lost++;
    }
  }
  return { lyrics, words, lost };
}

/** The note that starts nearest to a tick from a little before it on, the highest of a chord. */
function noteAt(notes: readonly PlayedNote[], tick: Ticks, ticksPerQuarter: number): PlayedNote | undefined {
  return notes.find((note) => note.start >= tick - BEFORE * ticksPerQuarter);
}

/**
 * "Hel-" begins a word; the syllable after one that began goes on. Files use a hyphen at the end or at the start of the
 * next.
 */
function lyricOf(text: string, before: TextEvent | undefined): Lyric {
  const clean = text.trim();
  const goesOn = /-$/.test(clean);
  const began = /^-/.test(clean) || /-$/.test(before?.text.trim() ?? '');
  return {
    verse: 1,
    text: clean.replace(/^-|-$/g, ''),
    syllabic: syllabicOf(began, goesOn),
  };
}

function syllabicOf(began: boolean, goesOn: boolean): Lyric['syllabic'] {
  if (goesOn) return began ? 'middle' : 'begin';
  return began ? 'end' : 'single';
}

/** Puts lyrics and words on the symbols where their notes begin. */
export function withTexts(part: Part, { lyrics, words }: PartTexts): Part {
  if (lyrics.size === 0 && words.size === 0) return part;
  const change = (symbol: SymbolInBar): SymbolInBar => {
    if (symbol.notes.length === 0 || symbol.notes[0]!.tieFromLast) return symbol;
    const ids = symbol.notes.flatMap((note) => note.played);
    const lyric = ids.map((id) => lyrics.get(id)).find((one) => one !== undefined);
    const said = ids.flatMap((id) => words.get(id) ?? []);
    if (!lyric && said.length === 0) return symbol;
    return {
      ...symbol,
      marks: {
        ...symbol.marks,
        ...(lyric && { lyrics: [lyric] }),
        ...(said.length > 0 && { words: [...(symbol.marks?.words ?? []), ...said] }),
      },
    };
  };
  return { ...part, bars: mapSymbols(part.bars, change) };
}
