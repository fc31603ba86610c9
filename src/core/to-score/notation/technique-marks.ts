/*
 * Techniques as a copyist writes them: words where the way of playing changes, signs on the notes where a sign exists.
 *
 * Takes a part's written notes with the technique of each; gives the marks of the notes that need some. Words and signs
 * are common practice of orchestral parts, no single source.
 */
import { BRASS_MUTES, printedTechnique, type Instrument, type TechniqueId } from '../../instruments';
import type { NoteId } from '../../performance';
import type { SymbolMarks } from '../../score';
import type { WrittenUnits } from '../../time';

/**
 * A way of playing that goes on until it is called off: what is written when it begins, and the group it belongs to.
 */
interface Manner {
  group: 'bow' | 'mute' | 'place';
  words: string;
}

const MANNERS: Partial<Record<TechniqueId, Manner>> = {
  pizzicato: { group: 'bow', words: 'pizz.' },
  'col-legno': { group: 'bow', words: 'col legno' },
  muted: { group: 'mute', words: 'con sord.' },
  ...Object.fromEntries(
    [...BRASS_MUTES, 'stopped' as const].map((mute) => [mute, { group: 'mute', words: printedTechnique(mute) }]),
  ),
  'sul-ponticello': { group: 'place', words: 'sul pont.' },
  'sul-tasto': { group: 'place', words: 'sul tasto' },
};

const BACK = { bow: 'arco', mute: 'senza sord.', place: 'ord.' } as const;
/** A band player takes a mute out by this. */
const OPEN = 'open';

const SIGNS: Partial<Record<TechniqueId, SymbolMarks>> = {
  staccato: { articulations: ['staccato'] },
  spiccato: { articulations: ['staccato'] },
  marcato: { articulations: ['marcato'] },
  tremolo: { tremolo: 3 },
  trill: { trill: true },
  harmonics: { harmonic: true },
};

/** @param notes in any order; those that start together change together */
export function techniqueMarks(
  notes: readonly { id: NoteId; start: WrittenUnits }[],
  techniqueOf: ReadonlyMap<NoteId, TechniqueId>,
  instrument: Pick<Instrument, 'family' | 'unpitched'>,
): Map<NoteId, SymbolMarks> {
  const marks = new Map<NoteId, SymbolMarks>();
  if (techniqueOf.size === 0 || instrument.unpitched) return marks;
  const now = { bow: '', mute: '', place: '' };
  for (const note of [...notes].sort((a, b) => a.start - b.start)) {
    const technique = techniqueOf.get(note.id);
    const manner = technique && MANNERS[technique];
    const words: string[] = [];
    for (const group of ['bow', 'mute', 'place'] as const) {
      const wanted = manner?.group === group ? manner.words : '';
      if (wanted === now[group]) continue;
      const open = group === 'mute' && now.mute !== MANNERS.muted!.words;
      words.push(wanted || (open ? OPEN : BACK[group]));
      now[group] = wanted;
    }
    const signs = technique ? SIGNS[technique] : undefined;
    if (words.length > 0 || signs) marks.set(note.id, { ...signs, ...(words.length > 0 && { words }) });
  }
  return marks;
}
