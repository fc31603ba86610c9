import {
  barBeams,
  barStyles,
  FORTE_VELOCITY,
  PartAccidentals,
  stavesOf,
  type BarStyle,
  type Beam,
  type PrintedAccidental,
  type Grace,
  type Part,
  type PartBar,
  type Score,
  type ScoreNote,
  type Slur,
  type SymbolInBar,
  type SymbolMarks,
  type VoiceBar,
} from '../../score';
import { groupBy } from '../../base';
import { MARK_GROUPS, NOTE_MARKS, numbered, type Colour, type MarkElement, type MarkGroup } from '../../marks';
import { QUARTER, type Bar, type WrittenUnits } from '../../time';
import { attributesInside, writeAttributes, writeClosingStyles, type AttributesInside } from './attributes';
import { directionsByBar, type Direction } from './directions';
import { instrumentId } from './part-list';
import { bracketsOf, writeLyric, writeTimeModification, writeValue } from './note-elements';
import type { MusicXmlOptions } from './write';
import { canWrite, writeElement, type XmlSink } from './xml-writer';

type Accidentals = ReadonlyMap<ScoreNote, PrintedAccidental>;

/** Octaves that the standard has; what lies beyond is written in the last one, and asked about. */
const [LOWEST_OCTAVE, HIGHEST_OCTAVE] = [0, 9];

/** Slurs by the symbol where they begin or end: voice and place. */
type SlurEnds = ReadonlyMap<string, readonly { line: Slur; number: number }[]>;

/** How a part is written, apart from what it holds. */
export interface PartPlace {
  /** Id in the file. */
  id: string;
  divisions: number;
  /** The top part carries what concerns the whole score. */
  top: boolean;
}

/** One glyph on its way into the file. */
interface Glyph {
  symbol: SymbolInBar;
  voice: VoiceBar;
  bar: Bar;
  /** Of the first note of a chord. */
  beams: readonly Beam[];
  accidentals: Accidentals;
  asTablature: boolean;
  /** The same music once more, below: its values stand above already. */
  again: boolean;
}

/** Writes the measures of one part. */
export class PartWriter {
  private readonly id: string;
  private readonly divisions: number;
  private readonly unit: WrittenUnits;
  private readonly staves: number;
  private readonly slurs: { starts: SlurEnds; ends: SlurEnds };
  private readonly styles: ReadonlyMap<number, BarStyle[]>;
  private readonly directions: readonly Direction[][];
  private readonly colour: Colour;
  private readonly accidentals: PartAccidentals;

  constructor(
    private readonly xml: XmlSink,
    private readonly score: Score,
    private readonly part: Part,
    { id, divisions, top }: PartPlace,
    private readonly options: MusicXmlOptions,
  ) {
    this.id = id;
    this.divisions = divisions;
    this.unit = QUARTER / divisions;
    this.staves = stavesOf(part);
    const slurs = numbered(part.lines.slurs);
    this.slurs = {
      starts: groupBy(slurs, ({ line }) => `${line.voice}/${line.start}`),
      ends: groupBy(slurs, ({ line }) => `${line.endVoice ?? line.voice}/${line.end}`),
    };
    this.accidentals = new PartAccidentals(score, part, options.courtesy);
    this.styles = barStyles(part, score, options.multiRests ?? false);
    const color = options.suggestionColour;
    this.colour = ({ suggested }) => (suggested && color ? { color } : {});
    this.directions = directionsByBar(score, part, { id, top, colour: this.colour });
  }

  write(): void {
    this.score.bars.forEach((bar, i) => {
      this.xml.open('measure', { number: bar.number, implicit: bar.implicit ? 'yes' : undefined });
      this.lineBreak(bar.index);
      this.barlineBefore(i);
      writeAttributes(this.xml, this.score, this.part, i, this.divisions, this.styles.get(i) ?? []);
      this.voices(bar, this.part.bars[i]!);
      if (i === this.score.bars.length - 1) writeClosingStyles(this.xml, this.styles.get(i + 1) ?? []);
      this.barlineAfter(i);
      this.xml.close('measure');
    });
  }

  private lineBreak(index: number): void {
    const begins = this.options.breaks ? this.score.breaks?.[index] : undefined;
    if (begins) this.xml.leaf('print', null, { [begins === 'page' ? 'new-page' : 'new-system']: 'yes' });
  }

  private barlineBefore(index: number): void {
    const signs = this.score.signs[index];
    if (!signs?.repeatStart && !signs?.ending) return;
    this.xml.open('barline', { location: 'left' });
    if (signs.repeatStart) this.xml.leaf('bar-style', 'heavy-light');
    if (signs.ending)
      this.xml.leaf('ending', `${signs.ending.join(', ')}.`, { number: signs.ending.join(', '), type: 'start' });
    if (signs.repeatStart) this.xml.leaf('repeat', null, { direction: 'forward' });
    this.xml.close('barline');
  }

  private barlineAfter(index: number): void {
    const signs = this.score.signs[index];
    const final = index === this.score.bars.length - 1 && this.options.finalBarline !== false;
    const { barline, fermata } = signs ?? {};
    if (!signs?.endingStop && !signs?.repeatEnd && !final && !barline && !fermata) return;
    this.xml.open('barline', { location: 'right' });
    if (signs?.repeatEnd || final) this.xml.leaf('bar-style', 'light-heavy');
    else if (barline) this.xml.leaf('bar-style', barline);
    if (fermata) this.xml.leaf('fermata', null, { type: 'upright' });
    if (signs?.endingStop) this.xml.leaf('ending', null, { number: this.endingAt(index), type: signs.endingStop });
    if (signs?.repeatEnd)
      this.xml.leaf('repeat', null, {
        direction: 'backward',
        times: signs.repeatEnd.times > 2 ? signs.repeatEnd.times : undefined,
      });
    this.xml.close('barline');
  }

  private endingAt(index: number): string {
    for (let b = index; b >= 0; b--) if (this.score.signs[b]?.ending) return this.score.signs[b]!.ending!.join(', ');
    return '1';
  }

  private voices(bar: Bar, partBar: PartBar): void {
    const { part } = this;
    const directions = this.directions[bar.index]!;
    const asTablature = part.tablature?.show === 'tablature';
    const accidentals = this.accidentals.next(bar, partBar);
    const inside = attributesInside(this.score, part, bar.index);
    partBar.voices.forEach((voice, v) => {
      if (v > 0) this.backup(bar.length);
      const beams = barBeams(voice.symbols, { ...bar, meter: part.localMeters?.[bar.index] ?? bar.meter });
      const firstOfStaff = partBar.voices.findIndex((other) => other.staff === voice.staff) === v;
      const waiting = firstOfStaff ? directions.filter((direction) => direction.staff === voice.staff) : [];
      const changes = inside.filter((change) => carrierOf(change, partBar) === voice);
      for (const symbol of voice.symbols) {
        while (changes[0] && changes[0].at <= symbol.at) changes.shift()!.write(this.xml);
        while (waiting[0] && waiting[0].at < symbol.at + symbol.duration) this.direction(waiting.shift()!, symbol.at);
        for (const words of symbol.marks?.words ?? []) this.playingWords(words, voice);
        this.symbol({
          symbol,
          voice,
          bar,
          beams: beams.get(symbol) ?? [],
          accidentals,
          asTablature,
          again: false,
        });
      }
      for (const direction of waiting) this.direction(direction, bar.length);
      if (v === 0)
        this.looseChanges(
          inside.filter((change) => carrierOf(change, partBar) === null),
          bar,
        );
    });
    if (part.tablature?.show === 'both') this.tablatureStaff(bar, partBar);
  }

  /** Changes where no voice has a symbol that begins: the cursor goes there and back. */
  private looseChanges(changes: readonly AttributesInside[], bar: Bar): void {
    for (const { at, write } of changes) {
      this.backup(bar.length - at);
      write(this.xml);
      this.xml
        .open('forward')
        .leaf('duration', (bar.length - at) / this.unit)
        .close('forward');
    }
  }

  /** The same notes again, as strings and frets below the notation. */
  private tablatureStaff(bar: Bar, partBar: PartBar): void {
    for (const voice of partBar.voices) {
      this.backup(bar.length);
      const below: VoiceBar = { ...voice, staff: this.staves, voice: voice.voice + 4 * (this.staves - 1) };
      for (const symbol of voice.symbols) {
        const { marks: _marks, ...plain } = symbol;
        this.symbol({
          symbol: plain,
          voice: below,
          bar,
          beams: [],
          accidentals: new Map(),
          asTablature: true,
          again: true,
        });
      }
    }
  }

  private backup(length: WrittenUnits): void {
    this.xml
      .open('backup')
      .leaf('duration', length / this.unit)
      .close('backup');
  }

  private direction(direction: Direction, symbolAt: WrittenUnits): void {
    direction.write(this.xml, {
      offset: Math.round((direction.at - symbolAt) / this.unit),
      staff: this.staves > 1 ? direction.staff : undefined,
    });
  }

  /** How to play from here on; the words that have a meaning for playback say so. */
  private playingWords(words: string, voice: VoiceBar): void {
    const { xml } = this;
    xml.open('direction', { placement: 'above' }).open('direction-type').leaf('words', words).close('direction-type');
    xml.leaf('voice', voice.voice);
    if (this.staves > 1) xml.leaf('staff', voice.staff);
    xml.close('direction');
    if (words === 'pizz.' || words === 'arco') xml.leaf('sound', null, { pizzicato: words === 'pizz.' ? 'yes' : 'no' });
  }

  private symbol(glyph: Glyph): void {
    const { symbol, bar, again } = glyph;
    if (symbol.notes.length === 0) {
      this.xml.open('note', { 'print-object': again || symbol.hidden ? 'no' : undefined });
      if (symbol.cue) this.xml.leaf('cue');
      this.xml.leaf('rest', null, { measure: symbol.wholeBar ? 'yes' : undefined });
      this.timing(glyph, null, 0);
      this.xml.close('note');
    }
    const { graces = [], gracesAfter = [] } = symbol.marks ?? {};
    this.graces(graces, bar.start + symbol.at, glyph);
    symbol.notes.forEach((note, n) => {
      this.xml.open('note', {
        id: this.options.noteId?.(note, bar.start + symbol.at),
        'print-object': symbol.hidden && 'no',
        dynamics: note.velocity === undefined ? undefined : Math.round((note.velocity / FORTE_VELOCITY) * 10000) / 100,
      });
      if (symbol.cue) this.xml.leaf('cue');
      if (n > 0) this.xml.leaf('chord');
      this.pitch(note);
      this.timing(glyph, note, n);
      this.xml.close('note');
    });
    this.graces(gracesAfter, bar.start + symbol.at + symbol.duration, glyph);
  }

  /** Several one after the other are beamed where they have flags. */
  private graces(graces: readonly Grace[], time: WrittenUnits, glyph: Glyph): void {
    graces.forEach((grace, g) => {
      const flagged = graces.length > 1 && graces.every(({ type }) => (GRACE_BEAMS[type] ?? 0) > 0);
      const later: Beam = g === graces.length - 1 ? 'end' : 'continue';
      const edge: Beam = g === 0 ? 'begin' : later;
      grace.notes.forEach((note, n) => this.graceNote(grace, note, n, flagged ? edge : null, time, glyph));
    });
  }

  private graceNote(
    { type, slash, steals }: Grace,
    note: ScoreNote,
    n: number,
    beam: Beam | null,
    time: WrittenUnits,
    { voice, accidentals }: Glyph,
  ): void {
    const { xml } = this;
    xml.open('note', { id: this.options.noteId?.(note, time) }).leaf('grace', null, {
      slash: slash && 'yes',
      'steal-time-previous': steals?.from === 'before' ? steals.percent : undefined,
      'steal-time-following': steals?.from === 'after' ? steals.percent : undefined,
    });
    if (n > 0) xml.leaf('chord');
    this.pitch(note);
    this.playedOn(note);
    xml.leaf('voice', voice.voice).leaf('type', type);
    this.accidental(accidentals.get(note));
    this.stemAndHead(note, voice);
    if (this.staves > 1) xml.leaf('staff', note.staff ?? voice.staff);
    if (beam && n === 0)
      for (let level = 1; level <= GRACE_BEAMS[type]!; level++) xml.leaf('beam', beam, { number: level });
    xml.close('note');
  }

  private pitch({ pitch, cents = 0 }: ScoreNote): void {
    const { xml } = this;
    if (this.part.unpitched) {
      xml.open('unpitched').leaf('display-step', pitch.step).leaf('display-octave', pitch.octave).close('unpitched');
      return;
    }
    xml.open('pitch').leaf('step', pitch.step);
    const alter = pitch.alter + cents / 100;
    if (alter !== 0) xml.leaf('alter', alter);
    xml.leaf('octave', Math.max(LOWEST_OCTAVE, Math.min(HIGHEST_OCTAVE, pitch.octave))).close('pitch');
  }

  /** Which instrument, where the part has several. */
  private playedOn({ key, doubling }: ScoreNote): void {
    const id = this.part.unpitched ? `${this.id}-I${key}` : this.part.doublings && instrumentId(this.id, doubling);
    if (id) this.xml.leaf('instrument', null, { id });
  }

  private timing(glyph: Glyph, note: ScoreNote | null, n: number): void {
    const { xml } = this;
    const { symbol, voice, beams, accidentals, again } = glyph;
    xml.leaf('duration', symbol.duration / this.unit);
    if (note && !symbol.cue) this.ties(note, 'tie');
    if (note) this.playedOn(note);
    xml.leaf('voice', voice.voice);
    writeValue(xml, symbol);
    if (note) this.accidental(accidentals.get(note));
    if (symbol.tuplet) writeTimeModification(xml, symbol.tuplet);
    // The values stand above already.
    if (note && again && !this.part.unpitched) xml.leaf('stem', 'none');
    else if (note) this.stemAndHead(note, voice);
    if (this.staves > 1) xml.leaf('staff', (!again && note?.staff) || voice.staff);
    if (n === 0) beams.forEach((beam, level) => xml.leaf('beam', beam, { number: level + 1 }));
    this.notations(glyph, note, n);
    if (n === 0) for (const lyric of symbol.marks?.lyrics ?? []) writeLyric(xml, lyric);
  }

  private ties({ tieFromLast, tieFromBeforeEndings, tieToNext }: ScoreNote, element: 'tie' | 'tied'): void {
    if (tieFromLast || tieFromBeforeEndings) this.xml.leaf(element, null, { type: 'stop' });
    if (tieToNext) this.xml.leaf(element, null, { type: 'start' });
  }

  private accidental(printed: PrintedAccidental | undefined): void {
    if (printed) this.xml.leaf('accidental', printed.sign, { cautionary: printed.courtesy ? 'yes' : undefined });
  }

  private stemAndHead({ notehead }: ScoreNote, { voice }: VoiceBar): void {
    if (this.part.unpitched) this.xml.leaf('stem', (voice - 1) % 4 === 0 ? 'up' : 'down');
    if (notehead && notehead !== 'normal') this.xml.leaf('notehead', notehead);
  }

  private notations(glyph: Glyph, note: ScoreNote | null, n: number): void {
    const { xml } = this;
    const { symbol, asTablature } = glyph;
    const brackets = n === 0 && symbol.tuplet ? bracketsOf(symbol.tuplet) : [];
    const signs = this.signs(symbol.marks, note, n === 0);
    const fingering = asTablature ? note?.fingering : undefined;
    const slurs = n === 0 && note ? this.slursAt(glyph, note) : [];
    const tied = note?.tieFromLast || note?.tieFromBeforeEndings || note?.tieToNext || note?.ringing;
    if (brackets.length + signs.size + slurs.length === 0 && !tied && !fingering) return;
    xml.open('notations');
    if (note) this.ties(note, 'tied');
    if (note?.ringing) writeElement(xml, RINGING);
    for (const element of [...slurs, ...brackets]) writeElement(xml, element);
    for (const group of MARK_GROUPS) {
      // A string and a fret stand after the signs.
      if (group === null && fingering)
        xml.open('technical').leaf('string', fingering.string).leaf('fret', fingering.fret).close('technical');
      const elements = signs.get(group) ?? [];
      if (group && elements.length > 0) xml.open(group);
      for (const element of elements) writeElement(xml, element);
      if (group && elements.length > 0) xml.close(group);
    }
    xml.close('notations');
  }

  /** What ends comes before what begins; a slur ends where a tied sound begins. */
  private slursAt({ symbol, voice, bar }: Glyph, { tieFromLast }: ScoreNote): MarkElement[] {
    const place = `${voice.voice}/${bar.start + symbol.at}`;
    const ends = tieFromLast ? [] : (this.slurs.ends.get(place) ?? []);
    const starts = this.slurs.starts.get(place) ?? [];
    return [
      ...ends.map(({ number }) => ({ name: 'slur', attributes: { type: 'stop', number } })),
      ...starts.map(({ number, line }) => ({
        name: 'slur',
        attributes: { type: 'start', number, ...this.colour(line) },
      })),
    ];
  }

  /** What the marks of a symbol put on one of its notes, by the element it stands in. */
  private signs(
    marks: SymbolMarks | undefined,
    note: ScoreNote | null,
    first: boolean,
  ): ReadonlyMap<MarkGroup, MarkElement[]> {
    const groups = new Map<MarkGroup, MarkElement[]>();
    if (!marks) return groups;
    for (const kind of NOTE_MARKS) {
      const here = first || (note && kind.everyNote?.(note));
      const elements = (here ? kind.elements(marks, this.colour, note ?? undefined) : []).filter((one) =>
        canWrite(one, this.xml.version),
      );
      if (elements.length > 0) groups.set(kind.group, [...(groups.get(kind.group) ?? []), ...elements]);
    }
    return groups;
  }
}

/** Beams of grace notes by their value. */
const GRACE_BEAMS: Partial<Record<Grace['type'], number>> = { eighth: 1, '16th': 2, '32nd': 3, '64th': 4 };

/** A tie to nowhere: older versions of the standard have words for it. */
const RINGING: MarkElement = {
  name: 'tied',
  attributes: { type: 'let-ring' },
  since: '4.0',
  before: { name: 'other-notation', text: 'let ring', attributes: { type: 'single' } },
};

/** The voice that has a symbol where something changes, one of the same staff if there is one. */
function carrierOf({ at, staff }: AttributesInside, { voices }: PartBar): VoiceBar | null {
  const begins = voices.filter((voice) => voice.symbols.some((symbol) => symbol.at === at));
  return begins.find((voice) => voice.staff === staff) ?? begins[0] ?? null;
}
