'use client';

import { useState, type KeyboardEvent, type MouseEvent } from 'react';
import type { Cell } from '@/core/proof';
import styles from './proof.module.css';

interface Props {
  name: string;
  cells: readonly Cell[];
  /** A bar in words, by its index. */
  inWords: (bar: number) => string;
  onOpen: (bar: number) => void;
}

/** Units of a drawing that is as wide as the row has bars. */
const HEIGHT = 17;
const GAP = 0.12;

/** All cells of one kind in one path: hundreds of parts with hundreds of bars stay a drawing, not tens of thousands of buttons. */
const pathOf = (cells: readonly Cell[], kinds: readonly Cell[], top: number, bottom: number): string =>
  cells
    .map((cell, b) => (kinds.includes(cell) ? `M${b + GAP} ${top}H${b + 1 - GAP}V${bottom}H${b + GAP}Z` : ''))
    .join('');

/** One part of the map: a drawing with one place that has the focus. */
export function MapRow({ name, cells, inWords, onOpen }: Props) {
  const [at, setAt] = useState(0);
  const last = cells.length - 1;
  const barUnder = ({ currentTarget, clientX }: MouseEvent) => {
    const { left, width } = currentTarget.getBoundingClientRect();
    return Math.max(0, Math.min(last, Math.floor(((clientX - left) / width) * cells.length)));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const to = { ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: last }[event.key];
    if (to !== undefined) setAt(Math.max(0, Math.min(last, to)));
    else if (event.key === 'Enter') onOpen(at);
    else return;
    event.preventDefault();
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      className={styles.row}
      aria-label={name}
      aria-valuemin={0}
      aria-valuemax={last}
      aria-valuenow={at}
      aria-valuetext={inWords(at)}
      title={`${name}, ${inWords(at)}`}
      onMouseMove={(event) => setAt(barUnder(event))}
      onClick={(event) => onOpen(barUnder(event))}
      onKeyDown={onKeyDown}
    >
      <svg viewBox={`0 0 ${cells.length} ${HEIGHT}`} preserveAspectRatio="none" aria-hidden>
        <path className={styles.samePath} d={pathOf(cells, [1, 2], 0, HEIGHT)} />
        <path className={styles.decidedPath} d={pathOf(cells, [2], HEIGHT - 4, HEIGHT)} />
        <path className={styles.differsPath} d={pathOf(cells, [3], 0, HEIGHT)} />
        <rect className={styles.atPath} x={at} y={0} width={1} height={HEIGHT} vectorEffect="non-scaling-stroke" />
      </svg>
    </div>
  );
}
