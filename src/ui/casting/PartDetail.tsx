'use client';

import { say } from '@/core/words';
import type { PartId } from '@/core/base';
import { CloseOutlined } from '@ant-design/icons';
import { Button, Select, Switch } from 'antd';
import {
  clefName,
  instrumentById,
  TECHNIQUES,
  techniqueName,
  usualTechniques,
  type TechniqueId,
} from '@/core/instruments';
import { keyInWords } from '@/core/score';
import { useWorkspace } from '../workspace/workspace';
import { Doublings, ProgramRule } from './Doublings';
import pane from '../shared/pane.module.css';
import styles from './casting.module.css';
import { settingsOf } from '@/core/documents';
import type { PartSummary, SourceSummary, Summary } from '@/core/engine';

const NONE = 'none';

/** What is usual on the instrument first, then the rest. */
function techniqueOptions(instrument: string) {
  const usual = usualTechniques(instrumentById(instrument).family);
  const ordered = [...usual, ...TECHNIQUES.filter((technique) => !usual.includes(technique))];
  return [
    { value: NONE, label: say('casting.ordinary') },
    ...ordered.map((technique) => ({ value: technique, label: techniqueName(technique) })),
  ];
}

/** One part closely: what it is made of, how each track is played, its keyswitches, and where it stands. */
export function PartDetail({ part, onClose, onDeal }: { part: PartSummary; onClose: () => void; onDeal: () => void }) {
  const parts = useWorkspace((state) => state.summary!.parts);
  const track = useWorkspace((state) => state.summary!.tracks.find((one) => one.id === part.tracks[0]))!;
  const decide = useWorkspace((state) => state.decide);
  const at = parts.findIndex((other) => other.id === part.id);
  const instrument = instrumentById(part.instrument);
  const candidate = track.recognition.candidates.find((one) => one.instrument === part.instrument);
  const move = (before: PartId | null) => decide({ kind: 'movePart', part: part.id, before });
  return (
    <section className={pane.pane} aria-label={say('casting.partInDetail', { part: part.name })}>
      <div className={pane.head}>
        <h2>{part.name}</h2>
        <span className="soft">{writtenInWords(part.instrument)}</span>
        {!part.unpitched && <span className="soft">{rangesInWords(part.instrument)}</span>}
        <span className={pane.grow} />
        {!part.unpitched && (
          <Button size="small" onClick={onDeal}>
            {say('casting.divided', { partPlayer: Boolean(part.player) })}
          </Button>
        )}
        <Button size="small" disabled={at === 0} onClick={() => move(parts[at - 1]!.id)}>
          {say('casting.moveUp')}
        </Button>
        <Button size="small" disabled={at === parts.length - 1} onClick={() => move(parts[at + 2]?.id ?? null)}>
          {say('casting.moveDown')}
        </Button>
        <Button type="text" size="small" aria-label={say('casting.close')} icon={<CloseOutlined />} onClick={onClose} />
      </div>
      <p className="soft">{whoChose(track.by, candidate?.evidence)}</p>
      {instrument.section && !part.player && (
        <label className={styles.inline}>
          <Switch
            size="small"
            checked={part.solo}
            onChange={(solo) => decide({ kind: 'setSolo', part: part.id, solo })}
            aria-label={say('casting.solo')}
          />{' '}
          {say('casting.onePlayer', { partSolo: Boolean(part.solo) })}
        </label>
      )}
      <ul className={styles.sources}>
        {part.sources.map((source) => (
          <Source key={source.track} source={source} part={part} />
        ))}
      </ul>
      {!part.unpitched && <Doublings part={part} />}
    </section>
  );
}

function Source({ source, part }: { source: SourceSummary; part: PartSummary }) {
  const name =
    useWorkspace((state) => state.opened!.survey.tracks.find((one) => one.id === source.track)?.name) || source.track;
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const options = techniqueOptions(part.instrument);
  const { keyswitches } = settingsOf(ledger);
  const meanings = keyswitches[source.track];
  const keys = meanings ? Object.keys(meanings).map(Number) : [];
  return (
    <li>
      <span className={styles.sourceName}>{name}</span>
      <span className="soft">{say('casting.note', { notes: source.notes })}</span>
      {!part.unpitched && (
        <label className={styles.inline}>
          {say('casting.played')}
          <Select<TechniqueId | typeof NONE>
            size="small"
            style={{ width: 120 }}
            aria-label={say('casting.techniqueOfName', { name })}
            value={source.technique ?? NONE}
            options={options}
            onChange={(technique) => decide({ kind: 'setTechnique', tracks: [source.track], technique })}
          />
        </label>
      )}
      <ProgramRule source={source} name={name} />
      {part.tracks.length > 1 && (
        <Button size="small" onClick={() => decide({ kind: 'standAlone', tracks: [source.track] })}>
          {say('casting.makeASeparatePart')}
        </Button>
      )}
      {!meanings && source.switches.length > 0 && (
        <Button
          size="small"
          onClick={() =>
            decide({
              kind: 'setKeyswitches',
              track: source.track,
              meanings: source.switches.map((key) => ({ key, technique: NONE })),
            })
          }
        >
          {say('casting.deleteKeyswitchesSwitches', { switches: source.switches.map(keyInWords).join(', ') })}
        </Button>
      )}
      {keys.map((key) => (
        <label key={key} className={styles.inline}>
          {say('casting.keyInWordsMeans', { keyInWords: keyInWords(key) })}
          <Select<TechniqueId | typeof NONE>
            size="small"
            style={{ width: 120 }}
            aria-label={say('casting.meaningOfKeyswitchKeyInWords', { keyInWords: keyInWords(key) })}
            value={meanings![key] ?? NONE}
            options={options}
            onChange={(technique) =>
              decide({
                kind: 'setKeyswitches',
                track: source.track,
                meanings: keys.map((other) => ({
                  key: other,
                  technique: other === key ? technique : meanings![other]!,
                })),
              })
            }
          />
        </label>
      ))}
      {keys.length > 0 && (
        <Button
          size="small"
          type="text"
          onClick={() => decide({ kind: 'setKeyswitches', track: source.track, meanings: [] })}
        >
          {say('casting.keepAsNotes')}
        </Button>
      )}
    </li>
  );
}

function writtenInWords(id: string): string {
  const { clefs, transposition } = instrumentById(id);
  const clef = say('casting.clefsClef', {
    clefs: clefs.map((name) => clefName(name)).join(' + '),
    clefs2: clefs.length,
  });
  if (transposition === 0) return say('casting.clefWrittenAsItSounds', { clef });
  return say('casting.clefWrittenTranspositionSemitone', {
    clef,
    transposition: Math.abs(transposition),
    transpositionOver0: transposition > 0,
  });
}

/** "B3–C7, easy C4–G6, at most B3–D7": as it sounds. */
function rangesInWords(id: string): string {
  const { range, easyRange, extremeRange } = instrumentById(id);
  const words = (keys: readonly number[]) => keys.map(keyInWords).join('–');
  const easy = words(easyRange) === words(range) ? [] : [say('casting.easyWords', { words: words(easyRange) })];
  return [
    say('casting.soundsWords', { words: words(range) }),
    ...easy,
    say('casting.atMostWords', { words: words(extremeRange) }),
  ].join(', ');
}

function whoChose(by: Summary['tracks'][number]['by'], evidence: readonly string[] | undefined): string {
  if (by === 'you') return say('casting.instrumentChosenByYou');
  if (by === 'house list') return say('casting.instrumentFromYourHouseList');
  return evidence ? evidence.join(' · ') : say('casting.theFileDoesNotNameTheInstrument');
}
