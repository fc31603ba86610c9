import { memo } from 'react';

const WIDTH = 134;
const HEIGHT = 14;

/** When a track plays: one column a bar (or a few bars), the darker the more onsets. */
export const Density = memo(function Density({ density }: { density: readonly number[] }) {
  const columns = Math.min(density.length, WIDTH / 2);
  const perColumn = density.length / columns;
  const sums = Array.from({ length: columns }, (_, c) => {
    const slice = density.slice(
      Math.floor(c * perColumn),
      Math.max(Math.floor((c + 1) * perColumn), Math.floor(c * perColumn) + 1),
    );
    return slice.reduce((a, b) => a + b, 0) / slice.length;
  });
  const most = Math.max(...sums, 1);
  return (
    <svg width={WIDTH} height={HEIGHT} aria-hidden style={{ display: 'block', background: 'var(--played)' }}>
      {sums.map(
        (sum, c) =>
          sum > 0 && (
            <rect
              key={c}
              x={(c * WIDTH) / columns}
              y={0}
              width={Math.max(1, WIDTH / columns - 0.5)}
              height={HEIGHT}
              fill="var(--saffron)"
              fillOpacity={0.25 + (0.75 * sum) / most}
            />
          ),
      )}
    </svg>
  );
});
