'use client';

import { useEffect, useRef } from 'react';
import { useWorkspace } from '../workspace/workspace';
import type { Geometry } from '../engraved/geometry';
import { useHearing } from './useHearing';
import styles from './audition.module.css';

/** Runs through the bars in view with what is heard, and turns to the next ones at their end. */
export function Playhead({ from, geometry }: { from: number; geometry: Geometry }) {
  const sounding = useHearing((state) => state.sounding);
  return sounding ? <Line from={from} geometry={geometry} /> : null;
}

function Line({ from, geometry }: { from: number; geometry: Geometry }) {
  const line = useRef<HTMLDivElement>(null);
  const place = useHearing((state) => state.place);
  const show = useWorkspace((state) => state.show);
  useEffect(() => {
    let frame = 0;
    const draw = () => {
      const at = place();
      const bar = at && geometry.bars[at.bar - from];
      if (line.current) {
        line.current.style.visibility = bar ? 'visible' : 'hidden';
        if (bar) line.current.style.left = `${bar.left + at.share * (bar.right - bar.left)}px`;
      }
      if (at && !bar) show({ from: at.bar });
      frame = requestAnimationFrame(draw);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [from, geometry, place, show]);
  return <div ref={line} className={styles.playhead} aria-hidden />;
}
