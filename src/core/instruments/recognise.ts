import { say } from '../words';
import type { MidiKey } from '../time';
import { CATALOGUE, instrumentById } from './catalogue';
import { programName, USUAL_INSTRUMENT } from './general-midi';
import type { InstrumentId } from './catalogue';
import { spokenName, type Instrument } from './instrument';
import { nameDetails, nameWords, type NameDetails } from './name-words';
import { readTechnique, type TechniqueId } from './techniques';

export interface TrackFacts {
  name: string;
  /** General MIDI program 1–128, when the track sets one. */
  program: number | null;
  percussionChannel: boolean;
  /** Sounding keys of its notes, any order; empty for an empty track. */
  keys: readonly MidiKey[];
  mostAtOnce: number;
  /** There is a drum kit among the tracks. */
  band?: boolean;
  /** Other tracks are named for voices of a choir. */
  choir?: boolean;
  /** All tracks have the same program: nobody chose it. */
  sameProgram?: boolean;
  /** What the tracks above and below clearly are, where known. */
  company?: { above: Instrument | null; below: Instrument | null };
}

export interface Candidate {
  instrument: InstrumentId;
  /** 0–1 */
  confidence: number;
  /** In words, for people. */
  evidence: string[];
}

export interface Recognition {
  /** Best first; empty when nothing speaks for anything. */
  candidates: Candidate[];
  technique: TechniqueId | null;
  details: NameDetails;
}

/** Below this a candidate is no answer, and the track is asked about. */
export const SURE_ENOUGH = 0.4;

/** Words that join a name to its key ("Horn in F") and say nothing by themselves. */
const JOINING = new Set(['in', 'en', 'de']);

interface Phrase {
  instrument: Instrument;
  words: readonly string[];
  letters: number;
  /** A full name or a usual one, not a shortening. */
  full: boolean;
}

const PHRASES: readonly Phrase[] = CATALOGUE.flatMap((instrument) => {
  const full = Object.values(instrument.names);
  // Other languages' abbreviations mean other things in turn (“Tamb.”); the aliases hold those that are safe.
  const short = [instrument.abbreviations.en, ...instrument.aliases];
  const seen = new Set<string>();
  return [...full.map((text) => ({ text, full: true })), ...short.map((text) => ({ text, full: false }))].flatMap(
    ({ text, full: isFull }) => {
      const words = nameWords(text).filter((word) => !JOINING.has(word));
      const key = words.join(' ');
      if (!key || seen.has(key)) return [];
      seen.add(key);
      return [{ instrument, words, letters: key.replace(/ /g, '').length, full: isFull || words.join('').length > 5 }];
    },
  );
});

const byWord = new Map<string, Phrase[]>();
for (const phrase of PHRASES)
  for (const word of new Set(phrase.words)) byWord.set(word, [...(byWord.get(word) ?? []), phrase]);

/**
 * Says which instrument a track is: by its name first, then its General MIDI program, then its range and texture.
 * Returns ranked candidates, each with the evidence in words. No candidate is better than a wrong one.
 */
export function recognise(facts: TrackFacts): Recognition {
  const details = nameDetails(facts.name);
  const { technique, rest } = readTechnique(details.words);
  const words = rest.filter((word) => !JOINING.has(word)).map(singular);
  const scores = new Map<InstrumentId, Candidate>();
  const add = (instrument: Instrument, weight: number, evidence: string) => {
    const candidate = scores.get(instrument.id) ?? { instrument: instrument.id, confidence: 0, evidence: [] };
    // Independent pieces of evidence: what one leaves in doubt, the other may settle.
    candidate.confidence = 1 - (1 - candidate.confidence) * (1 - weight);
    candidate.evidence.push(evidence);
    scores.set(instrument.id, candidate);
  };

  for (const { instrument, weight, evidence } of matchName(words).map((match) => inTheLightOf(facts, match)))
    add(instrument, weight, evidence);
  if (facts.choir && words.length === 1) byChoir(words[0]!, add);
  if (scores.size === 0) byCompassOfFamily(words, add);
  byProgram(facts, add);
  // A hand by itself is a keyboard's.
  const hand = details.hand ?? (words.length === 0 ? details.staff : null);
  if (scores.size === 0 && hand) add(instrumentById('piano'), 0.65, say('instruments.aHand', { hand }));
  if (words.length === 1 && ANY_BASS.has(words[0]!)) byBand(facts, add);
  if (facts.percussionChannel) byPercussionChannel(scores, add);
  byCompany(facts, scores, words.length === 0, add);
  for (const candidate of scores.values()) {
    judgeByRange(candidate, facts);
    judgeByTexture(candidate, facts);
    judgeByPitches(candidate, facts);
    // Hands belong to instruments written on two staves.
    if (details.hand && instrumentById(candidate.instrument).clefs.length < 2) candidate.confidence *= 0.5;
  }
  const candidates = [...scores.values()].sort(
    (a, b) =>
      b.confidence - a.confidence || instrumentById(a.instrument).scoreOrder - instrumentById(b.instrument).scoreOrder,
  );
  doubtTies(candidates);
  details.hand ??= handOf(details, candidates[0]);
  return { candidates: candidates.slice(0, 6), technique, details };
}

function byPercussionChannel(
  scores: ReadonlyMap<InstrumentId, Candidate>,
  add: (instrument: Instrument, weight: number, evidence: string) => void,
): void {
  const named = [...scores.values()].some((candidate) => instrumentById(candidate.instrument).unpitched);
  if (!named) add(instrumentById('drum-kit'), 0.9, 'channel 10');
  // Channel 10 carries no pitches, so that a pitched instrument's name there is less likely.
  for (const candidate of scores.values())
    if (!instrumentById(candidate.instrument).unpitched) candidate.confidence *= 0.4;
}

/** Only an instrument of two staves has one for each hand. */
function handOf({ staff }: NameDetails, best: Candidate | undefined): NameDetails['hand'] {
  return best && instrumentById(best.instrument).clefs.length > 1 ? staff : null;
}

/**
 * Short names that mean one of several instruments; the program tells which. Common practice in sequences, no source.
 */
const MEANS_TOO: Readonly<Record<string, readonly InstrumentId[]>> = {
  ...Object.fromEntries(
    ['gtr', 'gt', 'git', 'guitar', 'gitarre', 'chitarra', 'guitare', 'guitarra', 'guit', 'chit'].map((word) => [
      word,
      ['electric-guitar', 'acoustic-guitar', 'bass-guitar'],
    ]),
  ),
  ...Object.fromEntries(
    ['bass', 'bs', 'basse', 'basso', 'bajo', 'b'].map((word) => [word, ['bass-guitar', 'double-bass']]),
  ),
  soprano: ['soprano-sax'],
  sop: ['soprano-sax'],
  alto: ['alto-sax'],
  alt: ['alto-sax'],
  tenor: ['tenor-sax'],
  ten: ['tenor-sax'],
  baritone: ['baritone-sax'],
  bar: ['baritone-sax'],
  lead: ['electric-guitar', 'voice'],
  clav: ['harpsichord', 'clavichord'],
};

/** The instrument a name means, on the program that goes with it. */
function inTheLightOf(
  { program }: TrackFacts,
  { phrase, weight }: NameMatch,
): { instrument: Instrument; weight: number; evidence: string } {
  const name = phrase.words.join(' ');
  const other =
    program === null
      ? undefined
      : MEANS_TOO[name]?.find((id) => id !== phrase.instrument.id && instrumentById(id).programs.includes(program));
  const member = program === null ? undefined : memberOf(phrase.instrument, program);
  if (member)
    return {
      instrument: member,
      weight,
      evidence: say('instruments.nameOnProgram', { name, program: programName(program!) }),
    };
  if (!other || program === null || phrase.instrument.programs.includes(program))
    return { instrument: phrase.instrument, weight, evidence: say('instruments.nameContains', { name }) };
  return {
    instrument: instrumentById(other),
    weight,
    evidence: say('instruments.nameOnProgram', { name, program: programName(program) }),
  };
}

/** “Woodwind 3” on a clarinet's program is the clarinet. */
function memberOf(section: Instrument, program: number): Instrument | undefined {
  if (section.id !== 'woodwind-section' && section.id !== 'brass-section') return undefined;
  const member = instrumentById(USUAL_INSTRUMENT[program] ?? 'unknown');
  return member.family === section.family && member.id !== section.id ? member : undefined;
}

/** Words for a family whose members differ in compass; the usual ones first. */
const SAXOPHONES: readonly InstrumentId[] = ['alto-sax', 'tenor-sax', 'baritone-sax', 'soprano-sax'];
const RECORDERS: readonly InstrumentId[] = ['recorder-soprano', 'recorder-alto', 'recorder-tenor', 'recorder-bass'];
const TOLD_BY_COMPASS: Readonly<Record<string, readonly InstrumentId[]>> = {
  ...Object.fromEntries(
    ['sax', 'saxes', 'saxophone', 'saxophon', 'saxofon', 'saxofono', 'saxo', 'sassofono'].map((w) => [w, SAXOPHONES]),
  ),
  ...Object.fromEntries(['recorder', 'blockflote', 'rec'].map((w) => [w, RECORDERS])),
};

/** One of a family: where several have the notes, the usual one. */
function byCompassOfFamily(
  words: readonly string[],
  add: (instrument: Instrument, weight: number, evidence: string) => void,
): void {
  const word = words.find((one) => TOLD_BY_COMPASS[one]);
  if (word)
    TOLD_BY_COMPASS[word]!.forEach((id, i) =>
      add(instrumentById(id), 0.65 - 0.03 * i, say('instruments.wordByItsNotes', { word })),
    );
}

/** Words for whatever plays the bass. */
const ANY_BASS = new Set(['bass', 'bs', 'basse', 'basso', 'bajo']);

/** Parts of a choir that stand next to its bass. */
const SINGERS: readonly InstrumentId[] = ['alto', 'tenor', 'baritone', 'bass'];

/** A bass beside a tenor sings, beside a drum kit it is a bass guitar; elsewhere it may be several things, these first. */
function byBand(
  { band, program, company }: TrackFacts,
  add: (instrument: Instrument, weight: number, evidence: string) => void,
): void {
  const sings = instrumentById('bass');
  const plain = program === null || program === 1;
  const voice = [company?.above, company?.below].find((one) => one && SINGERS.includes(one.id));
  if (voice && !band && (plain || sings.programs.includes(program)))
    return add(sings, 0.8, say('instruments.bassNextTo', { voice: spokenName(voice) }));
  // Beside a drum kit whatever has keys or strings to pluck stands in for a bass guitar; a tuba is one.
  if (band && (plain || STANDS_IN.has(instrumentById(USUAL_INSTRUMENT[program] ?? 'unknown').family)))
    return add(instrumentById('bass-guitar'), 0.82, say('instruments.bassBesideADrumKit'));
  if (!plain) return;
  add(instrumentById('double-bass'), 0.36, say('instruments.aBass'));
  add(instrumentById('bass-guitar'), 0.34, say('instruments.aBass'));
}

const STANDS_IN: ReadonlySet<Instrument['family']> = new Set(['keyboard', 'plucked']);

/** Two instruments that fit equally well are a question, not an answer, unless one is what is usually meant. */
function doubtTies(candidates: readonly Candidate[]): void {
  const [best, second] = candidates;
  if (!best || !second || best.confidence - second.confidence > 0.01) return;
  const usual: readonly InstrumentId[] = Object.values(USUAL_INSTRUMENT);
  if (usual.includes(best.instrument) && !usual.includes(second.instrument)) return;
  for (const candidate of candidates) candidate.confidence *= 0.5;
}

/** A plural that the catalogue does not know becomes the singular it knows. */
function singular(word: string): string {
  return !byWord.has(word) && word.endsWith('s') && byWord.has(word.slice(0, -1)) ? word.slice(0, -1) : word;
}

interface NameMatch {
  phrase: Phrase;
  weight: number;
  /** Which words of the name. */
  at: Set<number>;
}

/** What many things may be called: anything struck, a whole family. */
const GENERAL: ReadonlySet<InstrumentId> = new Set(['percussion', 'woodwind-section', 'brass-section', 'women', 'men']);

/** What a lone abbreviation of so many letters is worth; a longer one 0.85. */
const ABBREVIATED: Record<number, number> = { 0: 0.5, 1: 0.5, 2: 0.75 };

/** Words that say what plays only where nothing else does: “Lead Tpt” is a trumpet. */
const BY_ITSELF = new Set(['lead', 'fx']);

/** Phrases of the catalogue found in the name; one found inside a longer one does not count. */
function matchName(words: readonly string[]): NameMatch[] {
  const found: NameMatch[] = [];
  const considered = new Set(words.flatMap((word) => byWord.get(word) ?? []));
  for (const phrase of considered) {
    const places = phrase.words.map((word) => words.indexOf(word));
    if (places.some((place) => place < 0)) continue;
    // A single letter (“S.”, “T.”) names a voice only when nothing else stands there.
    if ((phrase.letters === 1 || BY_ITSELF.has(phrase.words.join(' '))) && words.length > 1) continue;
    const inOrder = places.every((place, k) => k === 0 || place === places[k - 1]! + 1);
    // “B Cl” is a bass clarinet, “Cl B” a clarinet in B flat.
    if (!inOrder && phrase.words.some((word) => word.length === 1)) continue;
    const coverage = phrase.words.length / words.length;
    const base = phrase.full || phrase.words.length > 1 ? 0.9 : (ABBREVIATED[phrase.letters] ?? 0.85);
    const weight = base * (inOrder ? 1 : 0.95) * (0.75 + 0.25 * coverage);
    found.push({ phrase, weight, at: new Set(places) });
  }
  if (found.length === 0) found.push(...matchBeginnings(words));
  const inside = (a: Set<number>, b: Set<number>) => a.size < b.size && [...a].every((place) => b.has(place));
  // A word for the very thing is worth more.
  for (const match of found) if (GENERAL.has(match.phrase.instrument.id)) match.weight *= 0.85;
  return (
    found
      .filter((match) => !found.some((other) => inside(match.at, other.at)))
      // One instrument is believed once, by its best phrase.
      .filter(
        (match) =>
          !found.some(
            (other) =>
              other.phrase.instrument === match.phrase.instrument &&
              (other.weight > match.weight ||
                (other.weight === match.weight && found.indexOf(other) < found.indexOf(match))),
          ),
      )
  );
}

/** Names cut short ("Trump", "Clarin"): four letters or more that begin a full name. */
function matchBeginnings(words: readonly string[]): NameMatch[] {
  return words.flatMap((word, place) =>
    word.length < 4 || TOLD_BY_COMPASS[word]
      ? []
      : PHRASES.filter((phrase) => phrase.full && isCutShort(word, phrase)).map((phrase) => ({
          phrase,
          weight: 0.6 * (phrase.words.length === 1 ? 1 : 0.8),
          at: new Set([place]),
        })),
  );
}

/** What a program says, which somebody chose; one that nobody chose; that the instrument may have it too. */
const STATED = 0.68;
const NOT_CHOSEN = 0.42;
const POSSIBLE = 0.33;

/** Not a first word that stands there whole: “Music” is no music box. */
const isCutShort = (word: string, { words: [first = ''] }: Phrase) => first.startsWith(word) && first !== word;

function byProgram(facts: TrackFacts, add: (instrument: Instrument, weight: number, evidence: string) => void): void {
  const { program } = facts;
  if (program === null || facts.percussionChannel) return;
  const evidence = say('instruments.programAndName', { program, name: programName(program) });
  const usual = USUAL_INSTRUMENT[program];
  // Program 1 is what a track has when nobody chose one; so is any that all tracks have.
  if (usual) add(instrumentById(usual), program === 1 || facts.sameProgram ? NOT_CHOSEN : STATED, evidence);
  for (const instrument of CATALOGUE) {
    const rank = instrument.programs.indexOf(program);
    if (rank >= 0 && instrument.id !== usual) add(instrument, POSSIBLE / (1 + 0.15 * rank), evidence);
  }
}

/** “Alto” is a viola in one language and a voice in another: in a choir it sings. */
const VOICES: Readonly<Record<string, InstrumentId>> = {
  alto: 'alto',
  alti: 'alto',
  alt: 'alto',
};

function byChoir(word: string, add: (instrument: Instrument, weight: number, evidence: string) => void): void {
  const voice = VOICES[word];
  if (voice) add(instrumentById(voice), 0.75, say('instruments.inAChoir'));
}

/** A place in score order between its neighbours speaks for an instrument, the more so the closer they stand. */
function byCompany(
  { company, percussionChannel, keys }: TrackFacts,
  scores: ReadonlyMap<InstrumentId, Candidate>,
  nameless: boolean,
  add: (instrument: Instrument, weight: number, evidence: string) => void,
): void {
  const { above, below } = company ?? {};
  if (!above || !below || percussionChannel || above.scoreOrder > below.scoreOrder || above.family !== below.family)
    return;
  const between = CATALOGUE.filter(
    (one) =>
      one.scoreOrder >= above.scoreOrder &&
      one.scoreOrder <= below.scoreOrder &&
      !one.unpitched &&
      keys.every((key) => key >= one.range[0] && key <= one.range[1]),
  );
  // Without a name or program, only instruments of the usual orchestra come into question, and never with certainty.
  const usual = nameless ? between.filter((one) => Object.values(USUAL_INSTRUMENT).includes(one.id)) : [];
  const candidates = scores.size > 0 ? between.filter((one) => scores.has(one.id)) : usual;
  const [a, b] = [spokenName(above), spokenName(below)];
  for (const one of candidates)
    add(
      one,
      scores.size > 0 ? 0.3 : 0.35 / candidates.length,
      a === b ? say('instruments.nextTo', { name: a }) : say('instruments.between', { above: a, below: b }),
    );
}

/** Chords speak against an instrument of one line; not strongly, since a track may be several players. */
function judgeByTexture(candidate: Candidate, { mostAtOnce, keys }: TrackFacts): void {
  const instrument = instrumentById(candidate.instrument);
  if (keys.length === 0 || mostAtOnce < 5 || instrument.polyphonic || instrument.unpitched) return;
  candidate.confidence *= 0.9;
  candidate.evidence.push(say('instruments.upToNotesAtOnce', { notes: mostAtOnce }));
}

/** Programs of percussion and noises, from General MIDI Level 1: there keys are no pitches. */
const FIRST_PERCUSSIVE_PROGRAM = 113;
const A_MELODY = 5;

/** What is struck has no melody: a synthesizer's “Triangle” is a wave, not a bar of steel. */
function judgeByPitches(candidate: Candidate, { percussionChannel, program, keys }: TrackFacts): void {
  if (
    !instrumentById(candidate.instrument).unpitched ||
    percussionChannel ||
    program === null ||
    program === 1 ||
    program >= FIRST_PERCUSSIVE_PROGRAM
  )
    return;
  const pitches = new Set(keys).size;
  if (pitches < A_MELODY) return;
  candidate.confidence *= 0.3;
  candidate.evidence.push(say('instruments.keysOnAPitchedProgram', { keys: pitches }));
}

function judgeByRange(candidate: Candidate, facts: TrackFacts): void {
  const instrument = instrumentById(candidate.instrument);
  if (facts.keys.length === 0 || instrument.unpitched) return;
  const [low, high] = instrument.range;
  const inside = facts.keys.filter((key) => key >= low && key <= high).length / facts.keys.length;
  const lowest = facts.keys.reduce((a, b) => Math.min(a, b));
  const highest = facts.keys.reduce((a, b) => Math.max(a, b));
  candidate.evidence.push(
    inside < 1
      ? say('instruments.rangeOutside', { lowest, highest, share: Math.round((1 - inside) * 100), low, high })
      : say('instruments.rangeInside', { lowest, highest }),
  );
  candidate.confidence *= 0.55 + 0.45 * inside;
}
