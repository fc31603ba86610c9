/*
 * Grid: each beat of each part gets the subdivision its onsets were meant on, and each onset a place on it.
 *
 *     played   x    x   x  x    |x     x     x      |
 *     chosen   1 . . . 2 . 3 . 4|1   . 2   . 3   .  |     4 to the beat, then 3 to the beat
 *
 * Takes notes with the lead taken out; gives written starts. Per part a least-cost path over the beats (Viterbi):
 * timing misfit scaled by the part's own jitter, the cost of the division, of each place used, of changing the kind of
 * division, and of disagreeing with what other parts do in the same beat. Jitter and the part's habits are estimated
 * from the part in a few rounds. After the ideas of Cemgil, Desain & Kappen (2000) and Temperley (2001, 2007), from
 * memory.
 */
import { append } from '../../base';
import { noteValue, type PartId } from '../../score';
import { QUARTER, type Beat, type Seconds, type WrittenUnits } from '../../time';
import { beatIndexAt, type BeatLine } from './beats';
import { sameNumbers, stage, type Memo } from '../../base/stage';
import { absorbDoubles } from './doubles';
import { fitBeat, onOnePlace, tripletHalves, TWO_AT_ONCE, type BeatFit, type Way } from './fit-beat';
import { gatherStrikes, type Strike } from './strikes';
import type { PlacedNote, TimedNote } from './timed-note';
import { VALUE_LENGTH, type GridPin } from '../../settings';

export interface GridInput {
  id: PartId;
  notes: readonly TimedNote[];
  /** What people set, a later one before an earlier one. */
  pins: readonly GridPin[];
  /** One line at a time: two onsets of one part cannot share a place. */
  melodic: boolean;
}

export interface GridChoice {
  notes: PlacedNote[];
  /** Division of each beat of the piece; 1 where nothing begins. */
  divisions: number[];
  /** Standard deviation of the onsets around their places. */
  jitter: Seconds;
  /** Nearly all onsets lie exactly on a grid: the part was never played by hand. */
  exact: boolean;
  /** Smallest plain value found (undotted length). */
  smallest: WrittenUnits;
  tupletBeats: number;
  /** Beats (by index) whose parts are divided each in its own way; `divisions` has how many they are. */
  parted: ReadonlySet<number>;
  /** Beats (by index) written as a tuplet that would fit nearly as well without, and the reverse. */
  doubtfulTuplets: number[];
}

const FIRST_JITTER: Seconds = 0.022;
const LEAST_JITTER: Seconds = 0.004;
const MOST_JITTER: Seconds = 0.045;
const ROUNDS = 3;
/** Onsets this share of a beat before the next beat belong to that beat, played early. */
const EARLY_SHARE = 1 / 16;
const ENSEMBLE_WEIGHT = 0.35;
const LOUDEST = 4;
const MOSTLY_EXACT = 0.97;

const PLAIN = [1, 2, 4, 8];
const TRIPLET = [3, 6];
const COMPOUND = [1, 3, 6, 12];
const COMPOUND_TUPLET = [2, 4];
/** For music that lies exactly on its grid anything that fits is meant. */
const EXACT = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 24, 32];

const MOST_DIVISION = 32;
/** Nats between a tuplet and the best plain division below which it is asked about. */
const DOUBTFUL = 0.7;

/** −ln of how usual a division is before the part has shown its habits. */
const HABIT: Record<number, number> = { 1: 0.4, 2: 0.9, 4: 1.4, 8: 4.2, 3: 2.6, 6: 4.2, 12: 5 };
const COMPOUND_HABIT: Record<number, number> = { 1: 0.6, 3: 0.7, 6: 1.6, 12: 4.2, 2: 4, 4: 4.6 };

/** A part's grid before the others are heard. */
const partGrid = stage('grid', ({ id, notes, pins, melodic, line }: GridInput & { line: BeatLine }) => {
  const state = new PartGrid({ id, notes, pins, melodic }, line);
  state.fit(null);
  state.bearWitness();
  return state;
});

/** @param parts all parts of the piece, so that they can bear witness for each other; results in the same order */
export function fitGrids(parts: readonly GridInput[], line: BeatLine, memo: Memo): GridChoice[] {
  const states = parts.map((part) => memo.run(partGrid, { ...part, line }, part.id));
  const witness = new Float64Array(line.beats.length);
  for (const state of states) state.addWitness(witness);
  return states.map((state) => state.resultWith(witness));
}

class PartGrid {
  private readonly exact: boolean;
  private readonly strikes: Strike[];
  /** Strikes of each beat that has any. */
  private readonly byBeat = new Map<number, Strike[]>();
  private jitter = FIRST_JITTER;
  /** Learnt cost of each division, in plain and in compound beats. */
  private habits: [Float64Array, Float64Array] | null = null;
  private readonly candidates = new Map<string, number[]>();
  private path = new Map<number, BeatFit>();
  /** What it says by itself of each beat: for threes (positive) or twos (negative), in nats. */
  private readonly own: Float64Array;
  /** Jitter and habits as they were before the others were heard. */
  private alone: { jitter: Seconds; habits: [Float64Array, Float64Array] | null } | null = null;
  private last: { heard: Float64Array; result: GridChoice } | null = null;

  constructor(
    private readonly part: GridInput,
    private readonly line: BeatLine,
  ) {
    this.strikes = gatherStrikes(
      part.notes,
      line,
      (at) => this.pinAt(line.beats[beatIndexAt(line, at)]!) === undefined,
    );
    for (const strike of this.strikes) {
      const beat = strike.meant ? beatIndexAt(line, strike.at) : this.homeBeat(strike.at);
      const list = this.byBeat.get(beat);
      if (list) list.push(strike);
      else this.byBeat.set(beat, [strike]);
    }
    this.own = new Float64Array(line.beats.length);
    this.exact = this.strikes.filter(({ meant }) => meant).length >= MOSTLY_EXACT * this.strikes.length;
  }

  fit(witness: Float64Array | null): void {
    // With the others' witness the part's own habits are known already.
    for (let round = 0; round < (witness ? 1 : ROUNDS); round++) {
      const before = this.jitter;
      this.path = this.leastCostPath(witness);
      this.learn();
      if (round > 0 && Math.abs(this.jitter / before - 1) < 0.04) return;
    }
  }

  bearWitness(): void {
    for (const [beat, strikes] of this.byBeat) {
      // What is exact has no need of witnesses, but it is the best of them.
      const fits = this.fitsOf(beat, strikes);
      const best = (threes: boolean) =>
        Math.min(
          ...fits.filter((fit) => isThrees(fit.division, this.line.beats[beat]!) === threes).map((fit) => fit.cost),
          30,
        );
      // One part's certainty counts up to three nats; the rest is left to the others.
      this.own[beat] = Math.max(-3, Math.min(3, best(false) - best(true)));
    }
    this.alone = { jitter: this.jitter, habits: this.habits };
  }

  addWitness(witness: Float64Array): void {
    for (const beat of this.byBeat.keys()) witness[beat]! += this.own[beat]!;
  }

  /** The grid once the others are heard; the same as last time when they say the same. */
  resultWith(witness: Float64Array): GridChoice {
    const heard = Float64Array.from(this.byBeat.keys(), (beat) => this.heardAt(beat, witness));
    if (this.last && sameNumbers(this.last.heard, heard)) return this.last.result;
    Object.assign(this, this.alone);
    this.fit(witness);
    this.last = { heard, result: this.result() };
    return this.last.result;
  }

  /** What the others say of a beat; beyond a certain loudness more voices add nothing. */
  private heardAt(beat: number, witness: Float64Array): number {
    return Math.max(-LOUDEST, Math.min(LOUDEST, witness[beat]! - this.own[beat]!));
  }

  private result(): GridChoice {
    const divisions = Array<number>(this.line.beats.length).fill(1);
    const notes: PlacedNote[] = [];
    let smallest = 4 * QUARTER;
    let tupletBeats = 0;
    const parted = new Set<number>();
    for (const [beat, fit] of this.path) {
      if (fit.parted) parted.add(beat);
      divisions[beat] = fit.division;
      const unit = this.line.beats[beat]!.length / fit.division;
      if (noteValue(unit, 0)) smallest = Math.min(smallest, unit);
      // A dotted beat that is not divided is none.
      else if (fit.division > 1) tupletBeats++;
      this.byBeat.get(beat)!.forEach((strike, i) =>
        append(
          notes,
          strike.notes.map((note) => ({ ...note, start: fit.places[i]!, absorbed: [...(note.behind ?? [])] })),
        ),
      );
    }
    return {
      notes: absorbDoubles(notes),
      doubtfulTuplets: this.doubtfulTuplets(),
      divisions,
      jitter: this.jitter,
      exact: this.exact,
      smallest,
      tupletBeats,
      parted,
    };
  }

  private doubtfulTuplets(): number[] {
    return [...this.path].flatMap(([beat, chosen]) => {
      const info = this.line.beats[beat]!;
      const strikes = this.byBeat.get(beat)!;
      if (!isThrees(chosen.division, info) || strikes.length < 2 || strikes.every(({ meant }) => meant)) return [];
      const plain = this.fitsOf(beat, strikes).filter((fit) => !isThrees(fit.division, info));
      const cost = (fit: BeatFit) => fit.cost + this.habit(fit.division, info);
      return Math.min(...plain.map(cost)) - cost(chosen) < DOUBTFUL ? [beat] : [];
    });
  }

  private homeBeat(at: number): number {
    const beat = beatIndexAt(this.line, Math.max(0, at));
    const { start, length } = this.line.beats[beat]!;
    return at >= start + length * (1 - EARLY_SHARE) && beat + 1 < this.line.beats.length ? beat + 1 : beat;
  }

  private leastCostPath(witness: Float64Array | null): Map<number, BeatFit> {
    const beats = [...this.byBeat.keys()].sort((a, b) => a - b);
    interface Node {
      fit: BeatFit;
      cost: number;
      from: Node | null;
    }
    let layer: Node[] = [];
    let previousBeat = -9;
    for (const beat of beats) {
      const info = this.line.beats[beat]!;
      const others = witness ? this.heardAt(beat, witness) * ENSEMBLE_WEIGHT : 0;
      const meeting = this.meeting(previousBeat, beat);
      const next: Node[] = this.fitsOf(beat, this.byBeat.get(beat)!).map((fit) => {
        const threes = isThrees(fit.division, info);
        const local = fit.cost + this.habit(fit.division, info) + (threes ? -others : 0);
        let best: Node | null = null;
        let bestCost = Infinity;
        for (const node of layer) {
          const met = node.fit.places.at(-1) === fit.places[0] ? meeting : 0;
          const cost = node.cost + changeCost(node.fit.division, fit.division, beat - previousBeat) + met;
          if (cost < bestCost) {
            bestCost = cost;
            best = node;
          }
        }
        return { fit, cost: local + (best ? bestCost : 0), from: best };
      });
      layer = next;
      previousBeat = beat;
    }
    const path = new Map<number, BeatFit>();
    let node: Node | null = layer.length > 0 ? layer.reduce((a, b) => (b.cost < a.cost ? b : a)) : null;
    for (let i = beats.length - 1; node; i--, node = node.from) path.set(beats[i]!, node.fit);
    return path;
  }

  private fitsOf(beat: number, strikes: readonly Strike[]): BeatFit[] {
    const info = this.line.beats[beat]!;
    const meant = strikes.filter((strike) => strike.meant).map((strike) => strike.at - info.start);
    const usual = this.divisionsFor(info);
    const fitting =
      meant.length === 0 ? usual : usual.filter((division) => meant.every((at) => (at * division) % info.length === 0));
    // What the file has exactly may need a division nobody would look for in played music.
    const whole = EXACT.find((division) => meant.every((at) => (at * division) % info.length === 0));
    const divisions = fitting.length > 0 ? fitting : [whole ?? (info.compound ? 3 : 2)];
    const manner = { jitter: this.jitter / this.line.secondsPerUnit[beat]!, melodic: this.part.melodic };
    if (fitting.length === 0 && whole === undefined)
      return [{ ...fitBeat(strikes, info, { division: divisions[0]! }, manner), parted: true }];
    if (meant.length === strikes.length) return [fitBeat(strikes, info, { division: Math.min(...divisions) }, manner)];
    const ways = [
      ...divisions.map((division): Way => ({ division })),
      ...(meant.length === 0 && !this.pinAt(info) ? tripletHalves(info, strikes) : []),
    ];
    return ways.map((way) => fitBeat(strikes, info, way, manner));
  }

  /** What it costs that two onsets about the border of two beats, one rounded up and one down, are on one place. */
  private meeting(before: number, beat: number): number {
    const [last, first] = [this.byBeat.get(before)?.at(-1), this.byBeat.get(beat)![0]!];
    return last ? onOnePlace(last, first, this.part.melodic ? TWO_AT_ONCE : 0) : 0;
  }

  private pinAt(beat: Beat): GridPin | undefined {
    return this.part.pins.findLast(({ bars }) => !bars || (beat.bar >= bars.from && beat.bar < bars.to));
  }

  private divisionsFor(beat: Beat): number[] {
    const pin = this.pinAt(beat);
    const slot = `${beat.length}/${beat.compound}/${pin ? this.part.pins.indexOf(pin) : ''}`;
    let divisions = this.candidates.get(slot);
    if (!divisions) this.candidates.set(slot, (divisions = this.possibleDivisions(beat, pin)));
    return divisions;
  }

  private possibleDivisions(beat: Beat, pin: GridPin | undefined): number[] {
    const usual = beat.compound ? [...COMPOUND, ...COMPOUND_TUPLET] : [...PLAIN, ...TRIPLET];
    const candidates = [...usual, ...(pin?.also ?? [])].filter((division) => Number.isInteger(beat.length / division));
    if (!pin) return candidates;
    const least = VALUE_LENGTH[pin.smallest];
    const allowed = candidates.filter((division) => {
      const unit = beat.length / division;
      if ((pin.also as readonly number[]).includes(division)) return true;
      return noteValue(unit, 0) ? unit >= least : division === 1 || (pin.triplets && unit * 1.5 >= least);
    });
    return allowed.length > 0 ? allowed : [1];
  }

  private habit(division: number, beat: Beat): number {
    const learnt = this.habits?.[Number(beat.compound) as 0 | 1][division];
    return learnt || ((beat.compound ? COMPOUND_HABIT : HABIT)[division] ?? 2 + Math.log2(division));
  }

  /**
   * Jitter and habits from the path just found; both are drawn towards what is usual while there is little to go by.
   */
  private learn(): void {
    let squares = 0;
    let count = 0;
    const uses: [Float64Array, Float64Array] = [
      new Float64Array(MOST_DIVISION + 1),
      new Float64Array(MOST_DIVISION + 1),
    ];
    let beats = 0;
    for (const [beat, fit] of this.path) {
      const info = this.line.beats[beat]!;
      uses[Number(info.compound) as 0 | 1][fit.division]!++;
      beats++;
      this.byBeat.get(beat)!.forEach((strike, i) => {
        if (strike.meant) return;
        const away = Math.min(Math.abs(strike.at - fit.places[i]!) * this.line.secondsPerUnit[beat]!, 0.06);
        squares += away * away;
        count++;
      });
    }
    const usual = 0.012;
    this.jitter = Math.min(MOST_JITTER, Math.max(LEAST_JITTER, Math.sqrt((squares + 4 * usual * usual) / (count + 4))));
    const prior = 6;
    this.habits = [new Float64Array(MOST_DIVISION + 1), new Float64Array(MOST_DIVISION + 1)];
    for (const [compound, usual] of [HABIT, COMPOUND_HABIT].entries()) {
      for (const [division, cost] of Object.entries(usual)) {
        this.habits[compound as 0 | 1][Number(division)] = -Math.log(
          (uses[compound as 0 | 1][Number(division)]! + prior * Math.exp(-cost)) / (beats + prior),
        );
      }
    }
  }
}

function isThrees(division: number, beat: Beat): boolean {
  return beat.compound ? false : division % 3 === 0;
}

function kindOf(division: number): number {
  return [3, 5, 7].find((prime) => division % prime === 0) ?? 2;
}

function changeCost(from: number, to: number, distance: number): number {
  if (from === to) return 0;
  const cost = kindOf(from) === kindOf(to) || from === 1 || to === 1 ? 0.2 : 0.8;
  return distance > 4 ? cost / 2 : cost;
}
