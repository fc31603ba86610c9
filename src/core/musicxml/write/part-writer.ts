import type { Part, PartBar, Score, ScoreNote, Slur, SymbolInBar, SymbolMarks, VoiceBar } from '../../score';
import { MARK_GROUPS, NOTE_MARKS, type Colour, type MarkElement, type MarkGroup } from '../../marks';
import { QUARTER, type Bar, type WrittenUnits } from '../../time';
import { barAccidentals, type PrintedAccidental } from './accidentals';
import { stavesOf, writeAttributes, type BarStyle } from './attributes';
import { barBeams, type Beam } from './beams';
import { directionsByBar, type Direction } from './directions';
import type { MusicXmlOptions } from './write';
import { writeElement, type XmlWriter } from './xml-writer';

type Accidentals = ReadonlyMap<ScoreNote, PrintedAccidental>;

/** Octaves that the standard has; what lies beyond is written in the last one, and asked about. */
const [LOWEST_OCTAVE, HIGHEST_OCTAVE] = [0, 9];

/** Writes the measures of one part. */
export class PartWriter {
  private readonly unit: WrittenUnits;
  private readonly staves: number;
  private readonly slurs: { starts: ReadonlyMap<string, Slur>; ends: ReadonlyMap<string, Slur> };
  private readonly styles: ReadonlyMap<number, BarStyle[]>;
  private readonly directions: readonly Direction[][];
  private readonly colour: Colour;
  private fifths = 0;
  /** Accidentals shown in the last bar, by staff and place. */
  private shown: ReadonlyMap<string, number>[] = [];

  constructor(
    private readonly xml: XmlWriter,
    private readonly score: Score,
    private readonly part: Part,
    private readonly id: string,
    private readonly divisions: number,
    /** The top part carries what concerns the whole score. */
    top: boolean,
    private readonly options: MusicXmlOptions,
  ) {
    this.unit = QUARTER / divisions;
    this.staves = stavesOf(part);
    this.slurs = {
      starts: new Map(part.lines.slurs.map((slur) => [`${slur.voice}/${slur.start}`, slur])),
      ends: new Map(part.lines.slurs.map((slur) => [`${slur.voice}/${slur.end}`, slur])),
    };
    this.styles = barStyles(part, options.multiRests ?? false);
    const color = options.suggestionColour;
    this.colour = ({ suggested }) => (suggested && color ? { color } : {});
    this.directions = directionsByBar(score, part, top, this.colour);
  }

  write(): void {
    this.score.bars.forEach((bar, i) => {
      this.xml.open('measure', { number: bar.number, implicit: bar.implicit ? 'yes' : undefined });
      this.lineBreak(bar.index);
      this.barlineBefore(i);
      this.fifths =
        writeAttributes(this.xml, this.score, this.part, i, this.divisions, this.styles.get(i) ?? []) ?? this.fifths;
      this.voices(bar, this.part.bars[i]!);
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
    const ends = signs?.endingStop || signs?.repeatEnd;
    if (!ends && !final) return;
    this.xml.open('barline', { location: 'right' });
    if (signs?.repeatEnd || final) this.xml.leaf('bar-style', 'light-heavy');
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
    const { part, options } = this;
    const directions = this.directions[bar.index]!;
    const accidentals = new Map<ScoreNote, PrintedAccidental>();
    if (!part.unpitched) {
      part.clefs.forEach((_, s) => {
        const { printed, shown } = barAccidentals(
          partBar.voices.filter((voice) => voice.staff === s + 1),
          this.fifths,
          options.courtesy === false ? undefined : this.shown[s],
        );
        for (const [note, sign] of printed) accidentals.set(note, sign);
        this.shown[s] = shown;
      });
    }
    const onlyTablature = part.tablature?.show === 'tablature';
    partBar.voices.forEach((voice, v) => {
      if (v > 0) this.backup(bar);
      const beams = barBeams(voice.symbols, bar);
      const firstOfStaff = partBar.voices.findIndex((other) => other.staff === voice.staff) === v;
      const waiting = firstOfStaff ? directions.filter((direction) => direction.staff === voice.staff) : [];
      for (const symbol of voice.symbols) {
        while (waiting[0] && waiting[0].at < symbol.at + symbol.duration) this.direction(waiting.shift()!, symbol.at);
        for (const words of symbol.marks?.words ?? []) this.playingWords(words, voice);
        this.symbol(
          symbol,
          voice,
          bar,
          beams.get(symbol) ?? [],
          onlyTablature ? new Map() : accidentals,
          onlyTablature,
        );
      }
      for (const direction of waiting) this.direction(direction, bar.length);
    });
    if (part.tablature?.show === 'both') this.tablatureStaff(bar, partBar);
  }

  /** The same notes again, as strings and frets below the notation. */
  private tablatureStaff(bar: Bar, partBar: PartBar): void {
    for (const voice of partBar.voices) {
      this.backup(bar);
      const below: VoiceBar = { ...voice, staff: this.staves, voice: voice.voice + 4 * (this.staves - 1) };
      for (const symbol of voice.symbols) {
        const { marks: _marks, ...plain } = symbol;
        this.symbol(plain, below, bar, [], new Map(), true, true);
      }
    }
  }

  private backup(bar: Bar): void {
    this.xml
      .open('backup')
      .leaf('duration', bar.length / this.unit)
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

  private symbol(
    symbol: SymbolInBar,
    voice: VoiceBar,
    bar: Bar,
    beams: readonly Beam[],
    accidentals: Accidentals,
    asTablature: boolean,
    again = false,
  ): void {
    if (symbol.notes.length === 0) {
      this.xml
        .open('note', { 'print-object': again ? 'no' : undefined })
        .leaf('rest', null, { measure: symbol.wholeBar ? 'yes' : undefined });
      this.timing(symbol, voice, bar, null, beams, accidentals, 0, asTablature);
      this.xml.close('note');
    }
    symbol.marks?.graces?.forEach((note, n, graces) =>
      this.grace(note, graces.length > 1 ? n : null, graces.length, voice, bar.start + symbol.at, accidentals),
    );
    symbol.notes.forEach((note, n) => {
      this.xml.open('note', { id: this.options.noteId?.(note, bar.start + symbol.at) });
      if (n > 0) this.xml.leaf('chord');
      this.pitch(note);
      this.timing(symbol, voice, bar, note, n === 0 ? beams : [], accidentals, n, asTablature, again);
      this.xml.close('note');
    });
  }

  /** @param at place among several, which are beamed; null for a single one, which has a stroke through its stem */
  private grace(
    note: ScoreNote,
    at: number | null,
    count: number,
    voice: VoiceBar,
    time: WrittenUnits,
    accidentals: Accidentals,
  ): void {
    const { xml } = this;
    xml
      .open('note', { id: this.options.noteId?.(note, time) })
      .leaf('grace', null, { slash: at === null ? 'yes' : undefined });
    this.pitch(note);
    if (this.part.unpitched) xml.leaf('instrument', null, { id: `${this.id}-I${note.key}` });
    xml.leaf('voice', voice.voice).leaf('type', at === null ? 'eighth' : '16th');
    this.accidental(accidentals.get(note));
    if (this.part.unpitched) this.stemAndHead(note, voice);
    if (this.staves > 1) xml.leaf('staff', voice.staff);
    if (at !== null)
      for (const level of [1, 2])
        xml.leaf('beam', at === 0 ? 'begin' : at === count - 1 ? 'end' : 'continue', { number: level });
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
    xml.leaf('octave', Math.max(LOWEST_OCTAVE, Math.min(HIGHEST_OCTAVE, pitch.octave))).close('pitch');
  }

  private timing(
    symbol: SymbolInBar,
    voice: VoiceBar,
    bar: Bar,
    note: ScoreNote | null,
    beams: readonly Beam[],
    accidentals: Accidentals,
    n: number,
    asTablature: boolean,
    again = false,
  ): void {
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
    if (note) this.accidental(accidentals.get(note));
    if (symbol.tuplet) {
      const { actual, normal, normalType } = symbol.tuplet;
      xml
        .open('time-modification')
        .leaf('actual-notes', actual)
        .leaf('normal-notes', normal)
        .leaf('normal-type', normalType)
        .close('time-modification');
    }
    if (note && this.part.unpitched) this.stemAndHead(note, voice);
    // The values stand above already.
    else if (note && again) xml.leaf('stem', 'none');
    if (this.staves > 1) xml.leaf('staff', voice.staff);
    beams.forEach((beam, level) => xml.leaf('beam', beam, { number: level + 1 }));
    this.notations(symbol, voice, bar.start + symbol.at, note, n, asTablature);
    if (n === 0)
      symbol.marks?.lyrics?.forEach(({ text, syllabic }, verse) =>
        xml
          .open('lyric', { number: verse + 1 })
          .leaf('syllabic', syllabic)
          .leaf('text', text)
          .close('lyric'),
      );
  }

  private accidental(printed: PrintedAccidental | undefined): void {
    if (printed) this.xml.leaf('accidental', printed.sign, { cautionary: printed.courtesy ? 'yes' : undefined });
  }

  private stemAndHead({ notehead }: ScoreNote, { voice }: VoiceBar): void {
    this.xml.leaf('stem', (voice - 1) % 4 === 0 ? 'up' : 'down');
    if (notehead && notehead !== 'normal') this.xml.leaf('notehead', notehead);
  }

  private notations(
    symbol: SymbolInBar,
    { voice }: VoiceBar,
    at: WrittenUnits,
    note: ScoreNote | null,
    n: number,
    asTablature: boolean,
  ): void {
    const { xml } = this;
    const first = n === 0;
    const bracket = first && symbol.tuplet && (symbol.tuplet.first || symbol.tuplet.last);
    const signs = note ? this.signs(symbol.marks, first) : new Map<MarkGroup, MarkElement[]>();
    const fingering = asTablature ? note?.fingering : undefined;
    const slurEnd = first && !note?.tieFromLast ? this.slurs.ends.get(`${voice}/${at}`) : undefined;
    const slurStart = first ? this.slurs.starts.get(`${voice}/${at}`) : undefined;
    if (!bracket && !note?.tieFromLast && !note?.tieToNext && signs.size === 0 && !fingering && !slurEnd && !slurStart)
      return;
    xml.open('notations');
    if (note?.tieFromLast) xml.leaf('tied', null, { type: 'stop' });
    if (note?.tieToNext) xml.leaf('tied', null, { type: 'start' });
    const number = ((voice - 1) % 6) + 1;
    if (slurEnd) xml.leaf('slur', null, { type: 'stop', number });
    if (slurStart) xml.leaf('slur', null, { type: 'start', number, ...this.colour(slurStart) });
    if (bracket && symbol.tuplet!.first) xml.leaf('tuplet', null, { type: 'start', bracket: 'yes' });
    if (bracket && symbol.tuplet!.last) xml.leaf('tuplet', null, { type: 'stop' });
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

  /** What the marks of a symbol put on one of its notes, by the element it stands in. */
  private signs(marks: SymbolMarks | undefined, first: boolean): ReadonlyMap<MarkGroup, MarkElement[]> {
    const groups = new Map<MarkGroup, MarkElement[]>();
    if (!marks) return groups;
    for (const kind of NOTE_MARKS) {
      const elements = first || kind.everyNote ? kind.elements(marks, this.colour) : [];
      if (elements.length > 0) groups.set(kind.group, [...(groups.get(kind.group) ?? []), ...elements]);
    }
    return groups;
  }
}

/** Where repeat signs for equal bars and rests over several bars begin and end, by bar index. */
function barStyles({ bars }: Part, multiRests: boolean): ReadonlyMap<number, BarStyle[]> {
  const styles = new Map<number, BarStyle[]>();
  const add = (bar: number, style: BarStyle) => styles.set(bar, [...(styles.get(bar) ?? []), style]);
  for (let b = 0; b < bars.length;) {
    const like = bars[b]!.likeBefore;
    const same = (bar: PartBar | undefined) =>
      bar?.likeBefore !== undefined && (like === 1 ? bar.likeBefore === 1 : bar.likeBefore !== 1);
    if (like) {
      let end = b;
      while (same(bars[end])) end++;
      add(b, { kind: 'like-before', type: 'start', bars: like });
      if (end < bars.length) add(end, { kind: 'like-before', type: 'stop', bars: like });
      b = end;
      continue;
    }
    let end = b;
    while (multiRests && end < bars.length && isEmpty(bars[end]!)) end++;
    if (end - b > 1) add(b, { kind: 'multiple-rest', bars: end - b });
    b = Math.max(end, b + 1);
  }
  return styles;
}

function isEmpty(bar: PartBar): boolean {
  return bar.voices.every((voice) => voice.symbols.every((symbol) => symbol.wholeBar === true));
}
