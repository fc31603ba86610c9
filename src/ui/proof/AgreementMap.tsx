'use client';

import type { Agreement, Cell } from '@/core/proof';
import { goToBar } from '../workspace/goToBar';
import styles from './proof.module.css';

const NAMES: Record<Cell, string> = {
  0: 'nothing is played',
  1: 'the same',
  2: 'differs, explained',
  3: 'differs, unexplained',
};
const CLASSES: Record<Cell, string | undefined> = {
  0: styles.empty,
  1: styles.same,
  2: styles.decided,
  3: styles.differs,
};

interface Props {
  agreement: Agreement;
  part: number | null;
  onPart: (part: number | null) => void;
}

/** Parts one under the other, bars side by side; a cell opens its bar. */
export function AgreementMap({ agreement, part, onPart }: Props) {
  const { parts, bars, map } = agreement;
  const step = Math.max(1, Math.ceil(bars.length / 24));
  return (
    <section aria-label="Map" className={styles.mapSection}>
      <div className={styles.map} style={{ gridTemplateColumns: `150px repeat(${bars.length}, minmax(9px, 26px))` }}>
        <span />
        {bars.map(({ number }, b) => (
          <span key={b} className={styles.barNumber}>
            {b % step === 0 ? number : ''}
          </span>
        ))}
        {parts.map(({ id, names }, p) => (
          <Row
            key={id}
            name={names[0] ?? names[1] ?? ''}
            chosen={part === p}
            onName={() => onPart(part === p ? null : p)}
          >
            {map[p]!.map((cell, b) => (
              <button
                key={b}
                type="button"
                className={CLASSES[cell]}
                aria-label={`${names[0] ?? names[1]}, bar ${bars[b]!.number}: ${NAMES[cell]}`}
                title={`${names[0] ?? names[1]}, bar ${bars[b]!.number}: ${NAMES[cell]}`}
                onClick={() => goToBar(agreement, p, b)}
              />
            ))}
          </Row>
        ))}
      </div>
      <p className={styles.legend}>
        {([1, 2, 3] as const).map((cell) => (
          <span key={cell}>
            <i className={CLASSES[cell]} /> {NAMES[cell]}
          </span>
        ))}
        <span className="soft">A cell opens its bar.</span>
      </p>
    </section>
  );
}

function Row({
  name,
  chosen,
  onName,
  children,
}: {
  name: string;
  chosen: boolean;
  onName: () => void;
  children: React.ReactNode;
}) {
  return (
    <>
      <button type="button" className={chosen ? styles.nameChosen : styles.name} aria-pressed={chosen} onClick={onName}>
        {name}
      </button>
      {children}
    </>
  );
}
