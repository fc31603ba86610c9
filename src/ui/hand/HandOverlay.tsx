'use client';

import type { InHand } from './useHandMouse';
import styles from './hand.module.css';

/** What the mouse is about to do: the picked notes where they would go, or the box around those that will be picked. */
export function HandOverlay({ inHand }: { inHand: InHand }) {
  if (!inHand) return null;
  if ('box' in inHand)
    return (
      <svg className={styles.overlay}>
        <rect className={styles.box} {...inHand.box} />
      </svg>
    );
  const { drag, heads } = inHand;
  const [first] = heads;
  return (
    <>
      <svg className={styles.overlay}>
        {heads.map((head, i) => (
          <ellipse
            key={i}
            className={styles.ghost}
            cx={head.x + head.width / 2 + drag.dx}
            cy={head.y + head.height / 2 + drag.dy}
            rx={head.width / 2}
            ry={head.height / 2}
          />
        ))}
      </svg>
      {first && (
        <span className={styles.words} style={{ left: first.x + drag.dx, top: first.y + drag.dy - 30 }}>
          {drag.words}
        </span>
      )}
    </>
  );
}
