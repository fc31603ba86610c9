import { say } from '@/core/words';
import type { Bar } from '@/core/time';
import styles from './casting.module.css';
import type { DealPreview } from '@/core/engine';

const LANE = 46;
const WIDTH = 658;
/** Pixels for a bar; long pieces scroll. */
const BAR_WIDTH = 40;

/** A lane for each player, all on one time line; doubled notes are hollow. */
export function DealLanes({ preview, bars }: { preview: DealPreview; bars: readonly Bar[] }) {
  const first = bars[0]!;
  const last = bars.at(-1)!;
  const width = Math.max(WIDTH, bars.length * BAR_WIDTH);
  const length = last.start + last.length - first.start;
  const x = (at: number) => ((at - first.start) / length) * width;
  return (
    <div className={styles.lanes}>
      <div className={styles.laneNames}>
        {preview.players.map((player, p) => (
          <div key={p} style={{ height: LANE }}>
            <b>
              {player.instrument} {player.number ?? (preview.deal.to === 'players' ? p + 1 : '')}
            </b>
            <span className="soft">{say('casting.note', { notes: player.notes.length })}</span>
          </div>
        ))}
      </div>
      <div className={styles.laneScroll}>
        <svg
          width={width}
          height={preview.players.length * LANE}
          role="img"
          aria-label={preview.players
            .map((player, p) =>
              say('casting.instrumentPNotesNotes', {
                instrument: player.instrument,
                p: p + 1,
                notes: player.notes.length,
              }),
            )
            .join(', ')}
        >
          {bars.map((bar) => (
            <line
              key={bar.index}
              className={styles.laneBar}
              x1={x(bar.start)}
              x2={x(bar.start)}
              y1={0}
              y2={preview.players.length * LANE}
            />
          ))}
          {preview.players.map((player, p) => {
            const keys = player.notes.map((note) => note.key);
            const low = Math.min(...keys);
            const span = Math.max(8, Math.max(...keys) - low);
            return (
              <g key={p}>
                <line
                  className={styles.laneEdge}
                  x1={0}
                  x2={width}
                  y1={(p + 1) * LANE - 0.5}
                  y2={(p + 1) * LANE - 0.5}
                />
                {player.notes.map((note, i) => (
                  <rect
                    key={i}
                    className={note.shared ? styles.shared : styles.own}
                    x={x(note.start)}
                    y={(p + 1) * LANE - 8 - ((note.key - low) / span) * (LANE - 16)}
                    width={Math.max(1.5, x(note.end) - x(note.start) - 0.5)}
                    height={3.5}
                  />
                ))}
              </g>
            );
          })}
        </svg>
      </div>
    </div>
  );
}
