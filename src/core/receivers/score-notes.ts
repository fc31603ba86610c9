/*
 * What a MusicXML file sounds like, bar by bar, straight off the XML parser: keys at their places, ties joined, transposition
 * applied. Nothing of our reader or player is used, so that it can be held against what they made.
 */
import { all, child, numberIn, textIn, textOf, treeOf, type Node } from './strict-reader';

export interface HeardNote {
  key: number;
  /** Quarters from the beginning of the score. */
  quarters: number;
}

export interface HeardScore {
  parts: { name: string; notes: HeardNote[] }[];
  /** In the order they are printed. */
  bars: { number: string; quarters: number; length: number }[];
  /** Repeats, endings or jumps: what is heard is longer than what is printed. */
  folded: boolean;
}

const STEPS: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const JUMPS = ['dacapo', 'dalsegno', 'tocoda', 'fine'];

/** @throws Error when it is no partwise score */
export function scoreHeard(bytes: Uint8Array): HeardScore {
  const players = new Map<Node, PartPlayer>();
  const tree = treeOf(textOf(bytes), (measure, part) => {
    const player = players.get(part) ?? new PartPlayer();
    players.set(part, player);
    player.take(measure);
  });
  const root = child(tree, 'score-partwise');
  if (!root) throw new Error('This is no partwise score.');
  const listed = new Map(all(child(root, 'part-list'), 'score-part').map((one) => [one.attributes.id, one]));
  const parts = all(root, 'part').map((part) => ({ player: players.get(part), entry: listed.get(part.attributes.id) }));
  const [first] = parts;
  return {
    parts: parts.map(({ player, entry }) => ({
      name: textIn(child(entry, 'part-name')),
      notes: player?.sounding(drumsOf(entry)) ?? [],
    })),
    bars: first?.player?.bars ?? [],
    folded: parts.some(({ player }) => player?.folded),
  };
}

/** Keys of a part's unpitched instruments. */
function drumsOf(entry: Node | undefined): ReadonlyMap<string, number> {
  return new Map(
    all(entry, 'midi-instrument').flatMap((one): [string, number][] => {
      const key = child(one, 'midi-unpitched');
      return key ? [[one.attributes.id ?? '', Number(textIn(key)) - 1]] : [];
    }),
  );
}

interface Struck {
  /** Pitched: its key; unpitched: its instrument. */
  key: number | string;
  quarters: number;
}

class PartPlayer {
  readonly bars: HeardScore['bars'] = [];
  folded = false;
  private readonly struck: Struck[] = [];
  private divisions = 1;
  private transposes = 0;
  private quarters = 0;

  take(measure: Node): void {
    let [at, longest, begins] = [0, 0, 0];
    for (const node of measure.children) {
      if (node.name === 'attributes') this.takeAttributes(node);
      else if (node.name === 'backup') at -= numberIn(node, 'duration') / this.divisions;
      else if (node.name === 'forward') at += numberIn(node, 'duration') / this.divisions;
      else if (node.name === 'note') {
        const lasts = child(node, 'grace') ? 0 : numberIn(node, 'duration') / this.divisions;
        if (!child(node, 'chord')) [begins, at] = [at, at + lasts];
        this.strike(node, this.quarters + begins);
      } else this.takeForm(node);
      longest = Math.max(longest, at);
    }
    this.bars.push({ number: measure.attributes.number ?? '', quarters: this.quarters, length: longest });
    this.quarters += longest;
  }

  sounding(drums: ReadonlyMap<string, number>): HeardNote[] {
    return this.struck.flatMap(({ key, quarters }) => {
      const sounds = typeof key === 'number' ? key : drums.get(key);
      return sounds === undefined ? [] : [{ key: sounds, quarters }];
    });
  }

  private takeAttributes(attributes: Node): void {
    this.divisions = numberIn(attributes, 'divisions') || this.divisions;
    const transpose = child(attributes, 'transpose');
    if (transpose) this.transposes = numberIn(transpose, 'chromatic') + 12 * numberIn(transpose, 'octave-change');
  }

  private takeForm(node: Node): void {
    if (node.name === 'barline' && (child(node, 'repeat') ?? child(node, 'ending'))) this.folded = true;
    const sound = node.name === 'sound' ? node : child(node, 'sound');
    if (sound && JUMPS.some((jump) => sound.attributes[jump] !== undefined)) this.folded = true;
  }

  /** What is tied to a note before, is a cue or a grace note, begins nothing. */
  private strike(note: Node, quarters: number): void {
    const goesOn = all(note, 'tie').some(({ attributes }) => attributes.type === 'stop');
    if (goesOn || child(note, 'cue') || child(note, 'grace') || child(note, 'rest')) return;
    const pitch = child(note, 'pitch');
    if (pitch) {
      const key =
        12 * (numberIn(pitch, 'octave') + 1) +
        STEPS[textIn(child(pitch, 'step'))]! +
        Math.round(numberIn(pitch, 'alter'));
      this.struck.push({ key: key + this.transposes, quarters });
    } else this.struck.push({ key: child(note, 'instrument')?.attributes.id ?? '', quarters });
  }
}
