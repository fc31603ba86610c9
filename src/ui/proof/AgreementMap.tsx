'use client';

import { say } from '@/core/words';
import { Fragment } from 'react';
import type { Agreement, Cell } from '@/core/proof';
import { goToBar } from '../workspace/goToBar';
import { MapRow } from './MapRow';
import styles from './proof.module.css';

const NAMES: Record<Cell, string> = {
  get 0() {
    return say('proof.nothingIsPlayed');
  },
  get 1() {
    return say('proof.theSame');
  },
  get 2() {
    return say('proof.differsExplained');
  },
  get 3() {
    return say('proof.differsUnexplained');
  },
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

/** Parts one under the other, bars side by side; a bar of a part is opened with a click, or with the arrow keys and Enter. */
export function AgreementMap({ agreement, part, onPart }: Props) {
  const { parts, bars, map } = agreement;
  const step = Math.max(1, Math.ceil(bars.length / 24));
  return (
    <section aria-label={say('proof.map')} className={styles.mapSection}>
      <div
        className={styles.map}
        style={{ gridTemplateColumns: `150px minmax(${bars.length * 9}px, ${bars.length * 26}px)` }}
      >
        <span />
        <div className={styles.barNumbersOfMap}>
          {bars.map(({ number }, b) =>
            b % step === 0 ? (
              <span key={b} style={{ left: `${(100 * b) / bars.length}%` }}>
                {number}
              </span>
            ) : null,
          )}
        </div>
        {parts.map(({ id, names }, p) => {
          const name = names[0] ?? names[1] ?? '';
          return (
            <Fragment key={id}>
              <button
                type="button"
                className={part === p ? styles.nameChosen : styles.name}
                aria-pressed={part === p}
                onClick={() => onPart(part === p ? null : p)}
              >
                {name}
              </button>
              <MapRow
                name={name}
                cells={map[p]!}
                inWords={(bar) => say('proof.barBarsNames', { bars: bars[bar]!.number, names: NAMES[map[p]![bar]!] })}
                onOpen={(bar) => goToBar(agreement, p, bar)}
              />
            </Fragment>
          );
        })}
      </div>
      <p className={styles.legend}>
        {([1, 2, 3] as const).map((cell) => (
          <span key={cell}>
            <i className={CLASSES[cell]} /> {NAMES[cell]}
          </span>
        ))}
        <span className="soft">{say('proof.aCellOpensItsBar')}</span>
      </p>
    </section>
  );
}
