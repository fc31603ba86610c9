import { ArrayMaxSize, Equals, IsArray, IsBoolean, IsInt, IsNumber, IsOptional, Max, Min } from 'class-validator';
import { NO_FREE_TIME } from '../../settings';
import { decisionKind } from '../decision-kind';

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
  @IsOptional() @IsBoolean() compound?: boolean;
}

export const findTheBeats = decisionKind({
  kind: 'findTheBeats',
  dto: FindTheBeats,
  apply: (settings, { anchors, placed, period, beatsPerBar, firstDownbeat, compound }) => {
    const before = settings.freeTime ?? NO_FREE_TIME;
    const freeTime = {
      anchors: anchors ?? before.anchors,
      placed: placed ?? before.placed ?? [],
      period: period === undefined ? before.period : period || null,
      beatsPerBar: beatsPerBar === undefined ? before.beatsPerBar : beatsPerBar || null,
      firstDownbeat: firstDownbeat === undefined ? before.firstDownbeat : downbeat(firstDownbeat),
      compound: compound ?? before.compound,
    };
    return { ...settings, freeTime };
  },
  describe: ({ anchors, placed, period, beatsPerBar, firstDownbeat, compound }) => {
    const said = [
      anchors && (anchors.length > 0 ? `${anchors.length} beats are known` : 'no beats are known'),
      placed && (placed.length > 0 ? `${placed.length} set right` : 'none set right'),
      period !== undefined && (period > 0 ? `about ${Math.round(60 / period)} a minute` : 'any pace'),
      beatsPerBar !== undefined && (beatsPerBar > 0 ? `${beatsPerBar} to a bar` : 'bars as found'),
      firstDownbeat !== undefined &&
        (firstDownbeat >= 0 ? `the first bar at beat ${firstDownbeat + 1}` : 'the first bar as found'),
      compound !== undefined && (compound ? 'beats of three eighths' : 'beats of a quarter'),
    ].filter(Boolean);
    return `Bars from the playing${said.length > 0 ? `: ${said.join(', ')}` : ''}`;
  },
});

const downbeat = (beat: number) => (beat < 0 ? null : beat);
