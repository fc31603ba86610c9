/* The music of one part, bar by bar: its staves with their layers, and what points at them. */
import {
  barBeams,
  barStyles,
  changesInside,
  PartAccidentals,
  type Part,
  type PartBar,
  type PrintedAccidental,
  type Score,
  type ScoreNote,
  type VoiceBar,
} from '../score';
import type { Bar, WrittenUnits } from '../time';
import { Ids, type NameNote } from './ids';
import { lineNodes } from './lines';
import { nested } from './nesting';
import { pieceOf, type Written } from './note';
import { pointingNodes } from './note-marks';
import { mei, type MeiNode } from './tree';
import { clefNode, keyNode } from './values';

export interface PartMusicOptions {
  nameNote?: NameNote;
  /** Of marks that are only suggested; none where there are none. */
  colour?: string;
  multiRests: boolean;
  /** Before ids of what has no name. */
  prefix: string;
}

/** Fewer repeat signs in a row are not counted; the first one never is. */
const COUNTED_FROM = 4;

/** What stands on the staves of a bar, and what points at it. */
export interface MusicOfBar {
  staves: MeiNode[];
  pointing: MeiNode[];
}

export class PartMusic {
  private readonly ids: Ids;
  private readonly again: Ids | null;
  private readonly lines: ReadonlyMap<number, MeiNode[]>;
  private readonly repeats: ReadonlyMap<number, MeiNode>;
  /** How many bars the rest takes that begins with a bar. */
  readonly rests: ReadonlyMap<number, number>;
  private readonly accidentals: PartAccidentals;

  constructor(
    private readonly score: Score,
    private readonly part: Part,
    private readonly firstStaff: number,
    private readonly options: PartMusicOptions,
  ) {
    const { bars } = score;
    const { prefix, nameNote, colour } = options;
    this.ids = new Ids(part, bars, prefix, nameNote);
    this.again = part.tablature?.show === 'both' ? new Ids(part, bars, `${prefix}t`, nameNote) : null;
    const lines = lineNodes({ part, bars, ids: this.ids, firstStaff, colour });
    this.lines = new Map(bars.map(({ index }) => [index, []]));
    for (const { bar, node } of lines) this.lines.get(bar)!.push(node);
    const styles = barStyles(part, score, options.multiRests);
    this.rests = new Map(
      [...styles].flatMap(([bar, list]) =>
        list.flatMap((style): [number, number][] => (style.kind === 'multiple-rest' ? [[bar, style.bars]] : [])),
      ),
    );
    this.repeats = repeatSigns(part);
    this.accidentals = new PartAccidentals(score, part);
  }

  bar(bar: Bar): MusicOfBar {
    const { part } = this;
    const partBar = part.bars[bar.index]!;
    const accidentals = this.accidentals.next(bar, partBar);
    const sign = this.signFor(bar);
    const pointing = [...(this.lines.get(bar.index) ?? [])];
    const staves = part.clefs.map((_, s) => {
      const voices = partBar.voices.filter(({ staff }) => staff === s + 1);
      const layers = sign
        ? [mei('layer', { n: 1 }, sign, this.clefAfter(bar, s + 1))]
        : voices.map((voice, v) => this.layer(voice, v, bar, accidentals, pointing));
      return mei(
        'staff',
        { n: this.firstStaff + s },
        layers.length > 0 ? layers : mei('layer', { n: 1 }, mei('mSpace')),
      );
    });
    if (this.again) staves.push(this.stringsBelow(partBar, sign));
    return { staves, pointing };
  }

  /** What stands for all notes of a bar: a sign of repetition, or a rest over several bars. */
  private signFor({ index }: Bar): MeiNode | null {
    const rest = this.rests.get(index);
    return rest ? mei('multiRest', { num: rest }) : (this.repeats.get(index) ?? null);
  }

  private layer(
    voice: VoiceBar,
    v: number,
    bar: Bar,
    accidentals: ReadonlyMap<ScoreNote, PrintedAccidental>,
    pointing: MeiNode[],
  ): MeiNode {
    const { part, ids, firstStaff, options } = this;
    const { colour } = options;
    const staff = firstStaff + voice.staff - 1;
    const how: Written = {
      part,
      staff,
      firstStaff,
      stem: part.unpitched ? stemOf(voice) : undefined,
      asTablature: part.tablature?.show === 'tablature',
      again: false,
      accidentals,
      idOf: ids.note,
      octaves: (ofStaff, at) => this.octavesAt(ofStaff, bar.start + at),
      colour,
    };
    const changes = v === 0 ? this.changesInside(bar, voice.staff) : [];
    const nodes = voice.symbols.map((symbol, i) => {
      const id = ids.symbol(symbol);
      const next = ids.after(voice, i);
      const notes = symbol.notes.map(ids.note);
      if (!symbol.hidden) pointing.push(...pointingNodes(symbol, { id, next, staff, notes, colour }));
      const before: MeiNode[] = [];
      while (changes[0] && changes[0].at <= symbol.at) before.push(changes.shift()!.node);
      const piece = pieceOf(symbol, id, how);
      return before.length > 0 ? { ...piece, before: [...before, ...piece.before] } : piece;
    });
    const meter = part.localMeters?.[bar.index] ?? bar.meter;
    const beams = how.asTablature ? new Map() : barBeams(voice.symbols, { ...bar, meter });
    return mei(
      'layer',
      { n: v + 1 },
      nested(voice.symbols, nodes, beams),
      v === 0 && [...changes.map(({ node }) => node), ...this.clefAfter(bar, voice.staff)],
    );
  }

  /** The same notes once more as strings and frets. */
  private stringsBelow({ voices }: PartBar, sign: MeiNode | null): MeiNode {
    const { part, again, firstStaff } = this;
    const staff = firstStaff + part.clefs.length;
    const how: Written = {
      part,
      staff,
      firstStaff,
      asTablature: true,
      again: true,
      accidentals: new Map(),
      idOf: again!.note,
      octaves: () => 0,
      colour: undefined,
    };
    const layers = voices.map((voice, v) =>
      mei(
        'layer',
        { n: v + 1 },
        nested(
          voice.symbols,
          voice.symbols.map((symbol) => pieceOf(symbol, again!.symbol(symbol), how)),
          new Map(),
        ),
      ),
    );
    return mei('staff', { n: staff }, sign ? mei('layer', { n: 1 }, mei(sign.name, sign.attributes)) : layers);
  }

  private octavesAt(staff: number, at: WrittenUnits): number {
    return (
      this.part.lines.octaveLines.find((line) => line.staff === staff && at >= line.start && at < line.end)?.octaves ??
      0
    );
  }

  private changesInside(bar: Bar, staff: number): { at: WrittenUnits; node: MeiNode }[] {
    if (this.part.tablature?.show === 'tablature') return [];
    return changesInside(this.score, this.part, bar.index).flatMap((change) => {
      if (!('clef' in change)) return [{ at: change.at, node: keyNode(change.fifths) }];
      return change.staff === staff ? [{ at: change.at, node: clefNode(change.clef) }] : [];
    });
  }

  /** The clef that the next bar begins with stands before its barline. */
  private clefAfter({ index }: Bar, staff: number): MeiNode[] {
    const { part } = this;
    if (part.tablature?.show === 'tablature') return [];
    const next = index + (this.rests.get(index) ?? 1);
    const change = part.clefChanges.find((one) => one.bar === next && !one.at && one.staff === staff);
    return change && next < this.score.bars.length ? [clefNode(change.clef)] : [];
  }
}

/** Of drums: hands up, feet down. */
const stemOf = ({ voice }: VoiceBar) => ((voice - 1) % 4 === 0 ? 'up' : 'down');

/** Signs for bars that are like the one or the two before them; counted where there are many in a row. */
function repeatSigns({ bars }: Part): ReadonlyMap<number, MeiNode> {
  const signs = new Map<number, MeiNode>();
  let row = 0;
  bars.forEach(({ likeBefore }, b) => {
    row = likeBefore === 1 ? row + 1 : 0;
    if (likeBefore === 2) signs.set(b, mei('mRpt2'));
    if (likeBefore === 0) signs.set(b, mei('mSpace'));
    if (likeBefore !== 1) return;
    let all = row;
    for (let next = b + 1; bars[next]?.likeBefore === 1; next++) all++;
    // The bar that is repeated counts as the first.
    const counted = row > 1 && all >= COUNTED_FROM;
    signs.set(b, mei('mRpt', { 'num.visible': counted ? undefined : 'false' }));
  });
  return signs;
}
