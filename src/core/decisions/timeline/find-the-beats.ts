import { say } from '../../words';
import { ArrayMaxSize, Equals, IsArray, IsBoolean, IsIn, IsInt, IsNumber, IsOptional, Max, Min } from 'class-validator';
import { BEAT_UNITS, NO_FREE_TIME, type BeatUnit } from '../../settings';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';

/** The unit is told by the playing. */
const AS_FOUND = 'as found';
type SaidUnit = BeatUnit | typeof AS_FOUND;

/** The file has no bars that fit: beats are found in the playing. What is absent stays as it was decided before. */
export class FindTheBeats {
  @Equals('findTheBeats') kind!: 'findTheBeats';
  /** Seconds at which beats are known to be, rising. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20_000)
  @IsNumber({}, { each: true })
  @Min(0, { each: true })
  anchors?: number[];
  /** Single beats that were drawn to where they are, rising. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20_000)
  @IsNumber({}, { each: true })
  @Min(0, { each: true })
  placed?: number[];
  /** Seconds from beat to beat; 0 finds it. */
  @IsOptional() @IsNumber() @Min(0) @Max(4) period?: number;
  /** 0 finds it. */
  @IsOptional() @IsInt() @Min(0) @Max(12) beatsPerBar?: number;
  /** -1 finds it. */
  @IsOptional() @IsInt() @Min(-1) @Max(100) firstDownbeat?: number;
  @IsOptional() @IsIn([...BEAT_UNITS, AS_FOUND]) unit?: SaidUnit;
  /** As ledgers of before say it: a beat is a dotted quarter. */
  @IsOptional() @IsBoolean() compound?: boolean;
}

export const findTheBeats = decisionKind({
  kind: 'findTheBeats',
  points: NOWHERE,
  dto: FindTheBeats,
  apply: (settings, { anchors, placed, period, beatsPerBar, firstDownbeat, unit, compound }) => {
    const before = settings.freeTime ?? NO_FREE_TIME;
    const freeTime = {
      anchors: anchors ?? before.anchors,
      placed: placed ?? before.placed ?? [],
      period: period === undefined ? before.period : period || null,
      beatsPerBar: beatsPerBar === undefined ? before.beatsPerBar : beatsPerBar || null,
      firstDownbeat: firstDownbeat === undefined ? before.firstDownbeat : downbeat(firstDownbeat),
      unit: unitAfter(unitOf(unit, compound), before.unit),
    };
    return { ...settings, freeTime };
  },
  describe: ({ anchors, placed, period, beatsPerBar, firstDownbeat, unit, compound }) => {
    const beat = unitOf(unit, compound);
    const said = [
      anchors &&
        (anchors.length > 0
          ? say('decisions.anchorsBeatsAreKnown', { anchors: anchors.length })
          : say('decisions.noBeatsAreKnown')),
      placed &&
        (placed.length > 0
          ? say('decisions.placedCorrected', { placed: placed.length })
          : say('decisions.noneCorrected')),
      period !== undefined &&
        (period > 0
          ? say('decisions.aboutPeriodAMinute', { period: Math.round(60 / period) })
          : say('decisions.anyPace')),
      beatsPerBar !== undefined &&
        (beatsPerBar > 0 ? say('decisions.beatsPerBarToABar', { beatsPerBar }) : say('decisions.barsAutomatic')),
      firstDownbeat !== undefined &&
        (firstDownbeat >= 0
          ? say('decisions.theFirstBarAtBeatFirstDownbeat', { firstDownbeat: firstDownbeat + 1 })
          : say('decisions.firstBarAutomatic')),
      beat && UNIT_WORDS[beat],
    ].filter(Boolean);
    return say('decisions.barsFromThePlaying', { saidOver0: said.length > 0, said: said.join(', ') });
  },
});

const UNIT_WORDS: Record<SaidUnit, string> = {
  get quarter() {
    return say('decisions.beatsOfAQuarter');
  },
  get 'dotted quarter'() {
    return say('decisions.beatsOfThreeEighths');
  },
  get eighth() {
    return say('decisions.beatsOfAnEighth');
  },
  get 'as found'() {
    return say('decisions.beatsAutomatic');
  },
};

function unitAfter(said: SaidUnit | undefined, before: BeatUnit | null): BeatUnit | null {
  if (said === undefined) return before;
  return said === AS_FOUND ? null : said;
}

function unitOf(unit: SaidUnit | undefined, compound: boolean | undefined): SaidUnit | undefined {
  if (unit !== undefined || compound === undefined) return unit;
  return compound ? 'dotted quarter' : 'quarter';
}

const downbeat = (beat: number) => (beat < 0 ? null : beat);
