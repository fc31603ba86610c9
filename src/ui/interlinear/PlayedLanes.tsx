import { say } from '@/core/words';
import type { NoteId, PartId } from '@/core/base';
import type { Passage, PassagePart, PlayedMark } from '@/core/proof';
import { keyInWords } from '@/core/score';
import { xAt, type Geometry } from '../engraved/geometry';
import type { Lane } from '../engraved/staves';
import styles from './interlinear.module.css';

interface Props {
  passage: Passage;
  geometry: Geometry;
  lit: ReadonlySet<number>;
  flags: readonly { id: string; number: number; part: PartId; at: number; chosen: boolean }[];
  picked: ReadonlySet<number>;
  onLight: (ids: readonly number[]) => void;
  onPick: (part: PartId, notes: readonly NoteId[], more: boolean) => void;
  onFlag: (id: string) => void;
}

/** The played lines, drawn over the room that the engraving leaves above each part. */
export function PlayedLanes({ passage, geometry, lit, picked, flags, onLight, onPick, onFlag }: Props) {
  return (
    <svg
      className={styles.lanes}
      width={geometry.width}
      height={geometry.height}
      role="group"
      aria-label={say('interlinear.playedLines')}
    >
      {geometry.lanes.map((lane, i) => {
        const part = passage.parts[i]!;
        return (
          <g key={lane.part}>
            <LaneGround lane={lane} part={part} passage={passage} geometry={geometry} />
            {part.played.map((mark) => (
              <Mark
                key={mark.id}
                mark={mark}
                part={part}
                lane={lane}
                geometry={geometry}
                lit={lit.has(noteOf(mark))}
                picked={picked.has(noteOf(mark))}
                onLight={onLight}
                onPick={onPick}
              />
            ))}
            {flags
              .filter((flag) => flag.part === lane.part)
              .map((flag) => (
                <Flag key={flag.id} flag={flag} lane={lane} x={xAt(geometry, flag.at, 'start')} onFlag={onFlag} />
              ))}
          </g>
        );
      })}
    </svg>
  );
}

/** Beats and the fitted grid as hairlines. */
function LaneGround({
  lane,
  part,
  passage,
  geometry,
}: {
  lane: Lane;
  part: PassagePart;
  passage: Passage;
  geometry: Geometry;
}) {
  const left = geometry.bars[0]!.left;
  const right = geometry.bars.at(-1)!.right;
  const line = (at: number, className: string | undefined) => {
    const x = xAt(geometry, at, 'start');
    return <line key={`${className}${at}`} className={className} x1={x} x2={x} y1={lane.top} y2={lane.bottom} />;
  };
  return (
    <>
      <rect className={styles.ground} x={left} y={lane.top} width={right - left} height={lane.bottom - lane.top} />
      {part.grid.map((at) => line(at, styles.grid))}
      {passage.beats.map((at) => line(at, styles.beat))}
      {geometry.bars.map((bar) => (
        <line key={bar.number} className={styles.bar} x1={bar.right} x2={bar.right} y1={lane.top} y2={lane.bottom} />
      ))}
    </>
  );
}

type MarkProps = Pick<Props, 'geometry' | 'onLight' | 'onPick'> & {
  mark: PlayedMark;
  part: PassagePart;
  lane: Lane;
  lit: boolean;
  picked: boolean;
};

function classOf({ added }: PlayedMark, lit: boolean, picked: boolean): string {
  return [added && styles.added, picked && styles.picked, !picked && lit && styles.lit].filter(Boolean).join(' ');
}

/** The note a mark stands for: of a trill there are many. */
const noteOf = ({ id, of = id }: PlayedMark) => of;

function Mark({ mark, part, lane, geometry, lit, picked, onLight, onPick }: MarkProps) {
  const span = Math.max(7, part.highest - part.lowest);
  const height = Math.max(2.5, Math.min(6, (lane.bottom - lane.top - 8) / (span + 1)));
  const y = lane.bottom - 4 - height - ((mark.key - part.lowest) / span) * (lane.bottom - lane.top - 8 - height);
  const first = geometry.bars[0]!;
  const last = geometry.bars.at(-1)!;
  const x1 = mark.start < first.start ? first.left : xAt(geometry, Math.min(mark.start, last.end), 'start');
  const x2 = xAt(geometry, Math.min(Math.max(mark.end, first.start), last.end), 'end');
  const place =
    mark.written && mark.written.start >= first.start && mark.written.start < last.end
      ? xAt(geometry, mark.written.start, 'start')
      : null;
  return (
    <g
      className={classOf(mark, lit, picked)}
      onClick={(event) => onPick(part.id, [noteOf(mark)], event.shiftKey)}
      onPointerEnter={() => onLight([noteOf(mark)])}
      onPointerLeave={() => onLight([])}
      data-played={mark.id}
    >
      <title>
        {say('interlinear.playedNote', {
          markAdded: Boolean(mark.added),
          keyInWords: keyInWords(mark.key),
          velocity: mark.velocity,
        })}
      </title>
      {place !== null && Math.abs(place - x1) > 0.75 && (
        <line className={styles.shift} x1={x1} x2={place} y1={y + height / 2} y2={y + height / 2} />
      )}
      <rect
        className={styles.mark}
        x={x1}
        y={y}
        width={Math.max(2, x2 - x1)}
        height={height}
        rx={1}
        fillOpacity={0.35 + (0.65 * mark.velocity) / 127}
      />
      <rect className={styles.onset} x={x1 - 0.75} y={y - 1} width={1.5} height={height + 2} />
      {place !== null && <line className={styles.place} x1={place} x2={place} y1={lane.bottom - 4} y2={lane.bottom} />}
    </g>
  );
}

function Flag({
  flag,
  lane,
  x,
  onFlag,
}: {
  flag: { id: string; number: number; chosen: boolean };
  lane: Lane;
  x: number;
  onFlag: (id: string) => void;
}) {
  return (
    <g
      className={flag.chosen ? styles.flagChosen : styles.flag}
      role="button"
      tabIndex={0}
      aria-label={say('interlinear.queryFlag', { flag: flag.number })}
      onClick={() => onFlag(flag.id)}
      onKeyDown={(event) => event.key === 'Enter' && onFlag(flag.id)}
      transform={`translate(${x - 9}, ${lane.top - 4})`}
    >
      <path d="M0 0h18v14l-9 6-9-6z" />
      <text x={9} y={11} textAnchor="middle">
        {flag.number}
      </text>
    </g>
  );
}
