'use client';

import { say } from '@/core/words';
import { App, Button } from 'antd';
import { useMemo } from 'react';
import { partId } from '@/core/base';
import { asOne } from '@/core/decisions';
import { oddNames, type OddNames } from '@/core/dispatch';
import { enter } from '@/core/documents';
import { changeLedger } from '@/storage/jobs';
import type { JobRecord } from '@/storage/schema';
import { goToStation } from '../workspace/goToStation';
import { sentence } from '../shared/receive';
import { namesInWords } from './cueState';
import styles from './show.module.css';

/** Players that are called otherwise in one cue than in the others, each with its remedy. */
export function SameNames({ cues }: { cues: readonly JobRecord[] }) {
  const { message } = App.useApp();
  const odd = useMemo(
    () => oddNames(cues.map(({ id, name, facts }) => ({ id, name, parts: facts?.parts ?? [] }))),
    [cues],
  );
  const rename = (one: OddNames) =>
    changeLedger(one.cue, (ledger) =>
      enter(
        ledger,
        asOne(one.rename.map(({ part, name }) => ({ kind: 'renamePart' as const, part: partId(part), name }))),
      ),
    ).catch((error) => void message.error(sentence(error)));
  const said = namesInWords(cues, odd.length);
  if (odd.length === 0) return said ? <p className={styles.same}>{said}</p> : null;
  return (
    <ul className={styles.odd} aria-label={say('show.namesThatDiffer')}>
      {odd.map((one) => (
        <li key={`${one.cue} ${one.instrument}`}>
          <span>{one.words}</span>{' '}
          {one.rename.length > 0 && isToScore(cues, one.cue) ? (
            <Button size="small" onClick={() => void rename(one)}>
              {say('show.useTheSameName')}
            </Button>
          ) : (
            <Button size="small" onClick={() => goTo(one.cue)}>
              {say('show.showAtCasting')}
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** Names of a score's parts are given at Casting on the way to a sequencer too, by another decision. */
const isToScore = (cues: readonly JobRecord[], id: string) =>
  cues.find((cue) => cue.id === id)?.direction !== 'to-sequencer';

function goTo(cue: string): void {
  goToStation(cue, 'casting');
  // Another page: the browser loads it.
  window.location.reload();
}
