import { drumSound, GENERAL_MIDI_DRUMS, instrumentById, type Clef, type DrumMap } from '../instruments';
import { clefsAt, type Marker, type Part, type PartBar, type Score, type ScoreNote, type SymbolInBar, type SymbolMarks, type TempoMark, type VoiceBar } from '../score';
import { QUARTER, type Bar, type WrittenUnits } from '../time';
import { barAccidentals } from './accidentals';
import { barBeams, type Beam } from './beams';
import { XmlWriter } from './xml-writer';

export interface MusicXmlOptions {
  drums?: DrumMap;
  /**
   * Identifiers for notes, for engraving on screen only: the attribute came with MusicXML 3.1 and exported files keep to 3.0.
   */
  noteId?: (note: ScoreNote, at: WrittenUnits) => string;
  /** The last bar is the end of the piece and gets a final barline; true unless a passage is written. */
  finalBarline?: boolean;
  /** Name of the program in the file's identification. */
  software?: string;
  /** ISO date for the file's identification; none by default, so that the same score gives the same bytes. */
  date?: string;
}

const CLEFS: Record<Clef, { sign: string; line?: number; octave?: number }> = {
  treble: { sign: 'G', line: 2 },
  'treble-8vb': { sign: 'G', line: 2, octave: -1 },
  bass: { sign: 'F', line: 4 },
  alto: { sign: 'C', line: 3 },
  tenor: { sign: 'C', line: 4 },
  percussion: { sign: 'percussion' },
};

/**
 * Writes a score as MusicXML 3.0 partwise text, which old and new readers open. No layout: the reader lays out.
 * docs/formats.md lists which element carries what.
 */
export function writeMusicXml(score: Score, options: MusicXmlOptions = {}): string {
  const xml = new XmlWriter(
    '<?xml version="1.0" encoding="UTF-8" standalone="no"?>',
    '<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 3.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">',
  );
  const ids = new Map(score.parts.map((part, i) => [part, `P${i + 1}`]));
  xml.open('score-partwise', { version: '3.0' });
  if (score.title) xml.open('work').leaf('work-title', score.title).close('work');
  xml.open('identification').open('encoding');
  xml.leaf('software', options.software ?? 'Dragoman');
  if (options.date) xml.leaf('encoding-date', options.date);
  for (const element of ['accidental', 'beam']) xml.leaf('supports', null, { element, type: 'yes' });
  xml.close('encoding').close('identification');
  writePartList(xml, score, ids, options.drums ?? GENERAL_MIDI_DRUMS);
  const divisions = divisionsOf(score);
  score.parts.forEach((part, i) => {
    xml.open('part', { id: ids.get(part) });
    new PartWriter(xml, score, part, ids.get(part)!, divisions, i === 0, options).write();
    xml.close('part');
  });
  return xml.close('score-partwise').toString();
}

/** Fewest divisions of a quarter note in which every duration and offset is whole. */
function divisionsOf(score: Score): number {
  let common: WrittenUnits = QUARTER;
  const take = (units: WrittenUnits) => {
    let a = common;
    let b = units;
    while (b > 0) [a, b] = [b, a % b];
    common = a;
  };
  for (const bar of score.bars) take(bar.length);
  for (const part of score.parts) for (const bar of part.bars) for (const voice of bar.voices) for (const symbol of voice.symbols) take(symbol.duration);
  return QUARTER / common;
}

function writePartList(xml: XmlWriter, score: Score, ids: Map<Part, string>, drums: DrumMap): void {
  xml.open('part-list');
  const groups = partGroups(score.parts);
  score.parts.forEach((part, i) => {
    groups.forEach(({ first, symbol }, g) => {
      if (first !== i) return;
      xml.open('part-group', { type: 'start', number: g + 1 }).leaf('group-symbol', symbol);
      // Barlines run through a family, not only through its like instruments.
      if (symbol === 'bracket') xml.leaf('group-barline', 'yes');
      xml.close('part-group');
    });
    writeScorePart(xml, part, ids.get(part)!, drums);
    for (let g = groups.length - 1; g >= 0; g--) if (groups[g]!.last === i) xml.leaf('part-group', null, { type: 'stop', number: g + 1 });
  });
  xml.close('part-list');
}

interface PartGroup {
  first: number;
  last: number;
  symbol: 'bracket' | 'brace';
}

/** A bracket for each family of two or more parts; inside it a brace for players of one instrument. Outer groups first. */
function partGroups(parts: readonly Part[]): PartGroup[] {
  const runs = (same: (a: Part, b: Part) => boolean, symbol: PartGroup['symbol']) => {
    const found: PartGroup[] = [];
    for (let first = 0, i = 1; i <= parts.length; i++) {
      if (i < parts.length && same(parts[first]!, parts[i]!)) continue;
      if (i - first > 1) found.push({ first, last: i - 1, symbol });
      first = i;
    }
    return found;
  };
  const family = (part: Part) => instrumentById(part.instrument).family;
  const alike = runs((a, b) => a.instrument === b.instrument && a.solo === b.solo && a.clefs.length === 1 && !a.unpitched, 'brace');
  return [...runs((a, b) => family(a) === family(b), 'bracket'), ...alike];
}

function writeScorePart(xml: XmlWriter, part: Part, id: string, drums: DrumMap): void {
  const sound = instrumentById(part.instrument).sound;
  xml.open('score-part', { id }).leaf('part-name', part.name).leaf('part-abbreviation', part.abbreviation);
  const keys = part.unpitched ? usedKeys(part) : [];
  if (keys.length > 0) {
    for (const key of keys) xml.open('score-instrument', { id: `${id}-I${key}` }).leaf('instrument-name', drumSound(drums, key).name).close('score-instrument');
    // The standard counts unpitched MIDI keys from 1.
    for (const key of keys) xml.open('midi-instrument', { id: `${id}-I${key}` }).leaf('midi-channel', 10).leaf('midi-unpitched', key + 1).close('midi-instrument');
  } else {
    xml.open('score-instrument', { id: `${id}-I1` }).leaf('instrument-name', part.name).leaf('instrument-sound', sound);
    // A section says so; one player says so where a section is usual too.
    if (part.solo) xml.leaf('solo');
    else if (instrumentById(part.instrument).section) xml.leaf('ensemble');
    xml.close('score-instrument');
    xml.open('midi-instrument', { id: `${id}-I1` }).leaf('midi-channel', part.channel);
    if (part.program !== null) xml.leaf('midi-program', part.program);
    xml.close('midi-instrument');
  }
  xml.close('score-part');
}

function usedKeys(part: Part): number[] {
  const keys = new Set<number>();
  for (const bar of part.bars) for (const voice of bar.voices) for (const symbol of voice.symbols) for (const note of symbol.notes) keys.add(note.key);
  return [...keys].sort((a, b) => a - b);
}

class PartWriter {
  private readonly unit: WrittenUnits;
  private fifths = 0;

  constructor(
    private readonly xml: XmlWriter,
    private readonly score: Score,
    private readonly part: Part,
    private readonly id: string,
    private readonly divisions: number,
    /** The top part carries what concerns the whole score. */
    private readonly top: boolean,
    private readonly options: MusicXmlOptions,
  ) {
    this.unit = QUARTER / divisions;
  }

  write(): void {
    this.score.bars.forEach((bar, i) => {
      this.xml.open('measure', { number: bar.number, implicit: bar.implicit ? 'yes' : undefined });
      this.attributes(bar, i);
      this.voices(bar, this.part.bars[i]!);
      if (i === this.score.bars.length - 1 && this.options.finalBarline !== false) this.xml.open('barline', { location: 'right' }).leaf('bar-style', 'light-heavy').close('barline');
      this.xml.close('measure');
    });
  }

  private attributes(bar: Bar, index: number): void {
    const { xml, part } = this;
    const before = this.score.bars[index - 1];
    const k = this.score.keys.findIndex((candidate) => candidate.bar === index);
    const newKey = k >= 0 && !(part.unpitched && index > 0);
    const newMeter = !before || before.meter.beats !== bar.meter.beats || before.meter.beatType !== bar.meter.beatType;
    const clefs = part.clefChanges.filter((change) => change.bar === index && index > 0);
    if (index > 0 && !newKey && !newMeter && clefs.length === 0) return;
    xml.open('attributes');
    if (index === 0) xml.leaf('divisions', this.divisions);
    if (newKey) {
      this.fifths = part.writtenKeys[k]!;
      xml.open('key').leaf('fifths', this.fifths);
      if (!part.unpitched) xml.leaf('mode', this.score.keys[k]!.mode);
      xml.close('key');
    }
    if (newMeter) xml.open('time').leaf('beats', bar.meter.beats).leaf('beat-type', bar.meter.beatType).close('time');
    if (index === 0) {
      if (part.clefs.length > 1) xml.leaf('staves', part.clefs.length);
      clefsAt(part, 0).forEach((clef, s) => this.clef(clef, part.clefs.length > 1 ? s + 1 : undefined));
      this.transpose();
    }
    for (const { staff, clef } of clefs) this.clef(clef, part.clefs.length > 1 ? staff : undefined);
    xml.close('attributes');
  }

  private clef(clef: Clef, number: number | undefined): void {
    const { sign, line, octave } = CLEFS[clef];
    this.xml.open('clef', { number }).leaf('sign', sign);
    if (line) this.xml.leaf('line', line);
    if (octave) this.xml.leaf('clef-octave-change', octave);
    this.xml.close('clef');
  }

  /** The standard gives what must be added to the written pitch to get the sounding one, whole octaves apart. */
  private transpose(): void {
    const { transposition, transpositionSteps } = this.part;
    if (transposition === 0 && transpositionSteps === 0) return;
    const octaves = Math.trunc(-transposition / 12);
    this.xml.open('transpose');
    this.xml.leaf('diatonic', positiveZero(-transpositionSteps - octaves * 7)).leaf('chromatic', positiveZero(-transposition - octaves * 12));
    if (octaves !== 0) this.xml.leaf('octave-change', octaves);
    this.xml.close('transpose');
  }

  private voices(bar: Bar, partBar: PartBar): void {
    const directions = this.top ? this.directionsOf(bar) : [];
    const staves = this.part.clefs.map((_, s) => partBar.voices.filter((voice) => voice.staff === s + 1));
    const accidentals = new Map(staves.flatMap((voices) => (this.part.unpitched ? [] : [...barAccidentals(voices, this.fifths)])));
    partBar.voices.forEach((voice, v) => {
      if (v > 0) this.xml.open('backup').leaf('duration', bar.length / this.unit).close('backup');
      const beams = barBeams(voice.symbols, bar);
      for (const symbol of voice.symbols) {
        for (const words of symbol.marks?.words ?? []) this.playingWords(words, voice);
        while (v === 0 && directions[0] && directions[0].at < symbol.at + symbol.duration) this.direction(directions.shift()!, symbol.at);
        this.symbol(symbol, voice, bar, beams.get(symbol) ?? [], accidentals);
      }
    });
  }

  private directionsOf(bar: Bar): Direction[] {
    const within = ({ at }: { at: WrittenUnits }) => at >= bar.start && at < bar.start + bar.length;
    const tempos = this.score.tempos.filter(within).map((tempo): Direction => ({ at: tempo.at - bar.start, tempo }));
    const markers = this.score.markers.filter(within).map((marker): Direction => ({ at: marker.at - bar.start, marker }));
    const swing: Direction[] = this.score.swing && bar.index === 0 ? [{ at: 0, words: 'Swing' }] : [];
    return [...markers, ...swing, ...tempos].sort((a, b) => a.at - b.at);
  }

  private direction({ at, tempo, marker, words }: Direction, symbolAt: WrittenUnits): void {
    const { xml } = this;
    const offset = Math.round((at - symbolAt) / this.unit);
    if (tempo && !tempo.shown) {
      xml.open('sound', { tempo: tempo.bpm });
      if (offset !== 0) xml.leaf('offset', offset);
      xml.close('sound');
      return;
    }
    xml.open('direction', { placement: 'above' }).open('direction-type');
    if (marker) xml.leaf('words', marker.text, { 'font-weight': 'bold' });
    else if (words) xml.leaf('words', words);
    else this.metronome(tempo!);
    xml.close('direction-type');
    if (offset !== 0) xml.leaf('offset', offset, { sound: 'yes' });
    if (this.part.clefs.length > 1) xml.leaf('staff', 1);
    if (tempo) xml.leaf('sound', null, { tempo: tempo.bpm });
    xml.close('direction');
  }

  /** How to play from here on; the words that have a meaning for playback say so. */
  private playingWords(words: string, voice: VoiceBar): void {
    const { xml } = this;
    xml.open('direction', { placement: 'above' }).open('direction-type').leaf('words', words).close('direction-type');
    xml.leaf('voice', voice.voice);
    if (this.part.clefs.length > 1) xml.leaf('staff', voice.staff);
    if (words === 'pizz.' || words === 'arco') xml.leaf('sound', null, { pizzicato: words === 'pizz.' ? 'yes' : 'no' });
    xml.close('direction');
  }

  /** Compound meters count dotted quarters. */
  private metronome(tempo: TempoMark): void {
    const bar = this.score.bars.findLast((candidate) => candidate.start <= tempo.at) ?? this.score.bars[0]!;
    const dotted = bar.meter.beatType === 8 && bar.meter.beats % 3 === 0;
    this.xml.open('metronome').leaf('beat-unit', 'quarter');
    if (dotted) this.xml.leaf('beat-unit-dot');
    this.xml.leaf('per-minute', Math.round((dotted ? tempo.bpm / 1.5 : tempo.bpm) * 10) / 10).close('metronome');
  }

  private symbol(symbol: SymbolInBar, voice: VoiceBar, bar: Bar, beams: readonly Beam[], accidentals: ReadonlyMap<ScoreNote, string>): void {
    if (symbol.notes.length === 0) {
      this.xml.open('note').leaf('rest', null, { measure: symbol.wholeBar ? 'yes' : undefined });
      this.timing(symbol, voice, null, beams, accidentals);
      this.xml.close('note');
    }
    symbol.marks?.graces?.forEach((note, n, graces) => this.grace(note, graces.length > 1 ? n : null, graces.length, voice, bar.start + symbol.at, accidentals));
    symbol.notes.forEach((note, n) => {
      this.xml.open('note', { id: this.options.noteId?.(note, bar.start + symbol.at) });
      if (n > 0) this.xml.leaf('chord');
      this.pitch(note);
      this.timing(symbol, voice, note, n === 0 ? beams : [], accidentals, n);
      this.xml.close('note');
    });
  }

  /** @param at place among several, which are beamed; null for a single one, which has a stroke through its stem */
  private grace(note: ScoreNote, at: number | null, count: number, voice: VoiceBar, time: WrittenUnits, accidentals: ReadonlyMap<ScoreNote, string>): void {
    const { xml } = this;
    xml.open('note', { id: this.options.noteId?.(note, time) }).leaf('grace', null, { slash: at === null ? 'yes' : undefined });
    this.pitch(note);
    xml.leaf('voice', voice.voice).leaf('type', at === null ? 'eighth' : '16th');
    const accidental = accidentals.get(note);
    if (accidental) xml.leaf('accidental', accidental);
    if (this.part.clefs.length > 1) xml.leaf('staff', voice.staff);
    if (at !== null) for (const level of [1, 2]) xml.leaf('beam', at === 0 ? 'begin' : at === count - 1 ? 'end' : 'continue', { number: level });
    xml.close('note');
  }

  private pitch({ pitch }: ScoreNote): void {
    const { xml } = this;
    if (this.part.unpitched) {
      xml.open('unpitched').leaf('display-step', pitch.step).leaf('display-octave', pitch.octave).close('unpitched');
      return;
    }
    xml.open('pitch').leaf('step', pitch.step);
    if (pitch.alter !== 0) xml.leaf('alter', pitch.alter);
    xml.leaf('octave', pitch.octave).close('pitch');
  }

  private timing(symbol: SymbolInBar, voice: VoiceBar, note: ScoreNote | null, beams: readonly Beam[], accidentals: ReadonlyMap<ScoreNote, string>, n = 0): void {
    const { xml } = this;
    xml.leaf('duration', symbol.duration / this.unit);
    if (note?.tieFromLast) xml.leaf('tie', null, { type: 'stop' });
    if (note?.tieToNext) xml.leaf('tie', null, { type: 'start' });
    if (note && this.part.unpitched) xml.leaf('instrument', null, { id: `${this.id}-I${note.key}` });
    xml.leaf('voice', voice.voice);
    if (!symbol.wholeBar) {
      xml.leaf('type', symbol.type);
      for (let dot = 0; dot < symbol.dots; dot++) xml.leaf('dot');
    }
    const accidental = note && accidentals.get(note);
    if (accidental) xml.leaf('accidental', accidental);
    if (symbol.tuplet) {
      const { actual, normal, normalType } = symbol.tuplet;
      xml.open('time-modification').leaf('actual-notes', actual).leaf('normal-notes', normal).leaf('normal-type', normalType).close('time-modification');
    }
    if (note && this.part.unpitched) {
      xml.leaf('stem', (voice.voice - 1) % 4 === 0 ? 'up' : 'down');
      if (note.notehead && note.notehead !== 'normal') xml.leaf('notehead', note.notehead);
    }
    if (this.part.clefs.length > 1) xml.leaf('staff', voice.staff);
    beams.forEach((beam, level) => xml.leaf('beam', beam, { number: level + 1 }));
    this.notations(symbol, note, n);
  }

  private notations(symbol: SymbolInBar, note: ScoreNote | null, n: number): void {
    const { xml } = this;
    const bracket = n === 0 && symbol.tuplet && (symbol.tuplet.first || symbol.tuplet.last);
    const marks = n === 0 && symbol.notes.length > 0 ? symbol.marks : undefined;
    const signs = marks && (marks.articulations || marks.tremolo || marks.trill || marks.harmonic);
    const arpeggio = note ? symbol.marks?.arpeggio : undefined;
    if (!bracket && !note?.tieFromLast && !note?.tieToNext && !signs && !arpeggio) return;
    xml.open('notations');
    if (note?.tieFromLast) xml.leaf('tied', null, { type: 'stop' });
    if (note?.tieToNext) xml.leaf('tied', null, { type: 'start' });
    if (bracket && symbol.tuplet!.first) xml.leaf('tuplet', null, { type: 'start', bracket: 'yes' });
    if (bracket && symbol.tuplet!.last) xml.leaf('tuplet', null, { type: 'stop' });
    if (marks && signs) this.signs(marks);
    if (arpeggio) xml.leaf('arpeggiate', null, { direction: arpeggio });
    xml.close('notations');
  }

  private signs({ articulations, tremolo, trill, harmonic }: SymbolMarks): void {
    const { xml } = this;
    if (trill || tremolo) {
      xml.open('ornaments');
      if (trill) xml.leaf('trill-mark');
      if (tremolo) xml.leaf('tremolo', tremolo, { type: 'single' });
      xml.close('ornaments');
    }
    if (harmonic) xml.open('technical').leaf('harmonic').close('technical');
    if (articulations) {
      xml.open('articulations');
      for (const articulation of articulations) xml.leaf(articulation === 'marcato' ? 'strong-accent' : articulation);
      xml.close('articulations');
    }
  }
}

interface Direction {
  at: WrittenUnits;
  tempo?: TempoMark;
  marker?: Marker;
  words?: string;
}

function positiveZero(value: number): number {
  return value === 0 ? 0 : value;
}
