'use client';

import { useEffect, useRef } from 'react';
import { QUARTER } from '@/core/time';
import { engraveWorker } from '@/workers/engrave-client';
import type { SheetMeasure } from '@/workers/engrave.worker';
import { useHearing } from '../audition/useHearing';
import { useWorkspace } from '../workspace/workspace';
import styles from './page.module.css';

interface SheetPlayheadProps {
  mei: string;
  page: number;
  onPage: (page: number) => void;
}

/** Runs through the pages of a sheet with what is heard, and turns them. It lies over the drawing. */
export function SheetPlayhead(props: SheetPlayheadProps) {
  const sounding = useHearing((state) => state.sounding);
  return sounding ? <Line {...props} /> : null;
}

function Line({ mei, page, onPage }: SheetPlayheadProps) {
  const line = useRef<HTMLDivElement>(null);
  const place = useHearing((state) => state.place);
  const shown = useRef(page);
  useEffect(() => {
    shown.current = page;
  }, [page]);
  useEffect(() => {
    let frame = 0;
    let measure: SheetMeasure | null = null;
    let asking = false;
    const { summary } = useWorkspace.getState();
    const draw = () => {
      frame = requestAnimationFrame(draw);
      const at = place();
      const bar = at && summary?.printedBars[at.bar];
      if (!at || !bar || !line.current) return;
      const quarters = (bar.start + at.share * bar.length) / QUARTER;
      const inside = measure && quarters >= measure.quarters && (measure.ends === null || quarters < measure.ends);
      if (!inside && !asking) {
        asking = true;
        void engraveWorker()
          .measureAt(mei, quarters)
          .then((found) => {
            measure = found;
            asking = false;
            if (found && found.page !== shown.current) onPage(found.page);
          });
      }
      if (measure) put(line.current, measure, quarters, bar.length / QUARTER);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [mei, onPage, place]);
  return <div ref={line} className={styles.sheetPlayhead} aria-hidden />;
}

/** @param usual quarters of a bar, for the last measure */
function put(
  line: HTMLDivElement,
  { id, quarters: begins, ends }: SheetMeasure,
  quarters: number,
  usual: number,
): void {
  const around = line.parentElement!.getBoundingClientRect();
  const box = document.getElementById(id)?.getBoundingClientRect();
  line.style.visibility = box ? 'visible' : 'hidden';
  if (!box) return;
  const share = Math.min(1, (quarters - begins) / Math.max(1e-6, (ends ?? begins + usual) - begins));
  line.style.left = `${box.left - around.left + share * box.width}px`;
  line.style.top = `${box.top - around.top}px`;
  line.style.height = `${box.height}px`;
}
