'use client';

import type { PartId } from '@/core/base';
import { CloseOutlined } from '@ant-design/icons';
import { Button, Select, Switch } from 'antd';
import {
  CLEF_WORDS,
  instrumentById,
  TECHNIQUES,
  techniqueName,
  usualTechniques,
  type TechniqueId,
} from '@/core/instruments';
import { keyInWords } from '@/core/score';
import { useWorkspace } from '../workspace/workspace';
import { count } from '../shared/words';
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
    { value: NONE, label: 'ordinary' },
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
    <section className={pane.pane} aria-label={`${part.name} in detail`}>
      <div className={pane.head}>
        <h2>{part.name}</h2>
        <span className="soft">{writtenInWords(part.instrument)}</span>
        {!part.unpitched && <span className="soft">{rangesInWords(part.instrument)}</span>}
        <span className={pane.grow} />
        {!part.unpitched && (
          <Button size="small" onClick={onDeal}>
            {part.player ? 'Divided …' : 'Divide among players …'}
          </Button>
        )}
        <Button size="small" disabled={at === 0} onClick={() => move(parts[at - 1]!.id)}>
          Move up
        </Button>
        <Button size="small" disabled={at === parts.length - 1} onClick={() => move(parts[at + 2]?.id ?? null)}>
          Move down
        </Button>
        <Button type="text" size="small" aria-label="Close" icon={<CloseOutlined />} onClick={onClose} />
      </div>
      <p className="soft">{whoChose(track.by, candidate?.evidence)}</p>
      {instrument.section && !part.player && (
        <label className={styles.inline}>
          <Switch
            size="small"
            checked={part.solo}
            onChange={(solo) => decide({ kind: 'setSolo', part: part.id, solo })}
            aria-label="Solo"
          />{' '}
          {part.solo ? 'one player' : 'a section'}
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
      <span className="soft">{count(source.notes, 'note', 'notes')}</span>
      {!part.unpitched && (
        <label className={styles.inline}>
          played
          <Select<TechniqueId | typeof NONE>
            size="small"
            style={{ width: 120 }}
            aria-label={`Technique of ${name}`}
            value={source.technique ?? NONE}
            options={options}
            onChange={(technique) => decide({ kind: 'setTechnique', tracks: [source.track], technique })}
          />
        </label>
      )}
      <ProgramRule source={source} name={name} />
      {part.tracks.length > 1 && (
        <Button size="small" onClick={() => decide({ kind: 'standAlone', tracks: [source.track] })}>
          Make a separate part
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
          Delete keyswitches {source.switches.map(keyInWords).join(', ')}
        </Button>
      )}
      {keys.map((key) => (
        <label key={key} className={styles.inline}>
          {keyInWords(key)} means
          <Select<TechniqueId | typeof NONE>
            size="small"
            style={{ width: 120 }}
            aria-label={`Meaning of keyswitch ${keyInWords(key)}`}
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
          Keep as notes
        </Button>
      )}
    </li>
  );
}

function writtenInWords(id: string): string {
  const { clefs, transposition } = instrumentById(id);
  const clef = `${clefs.map((name) => CLEF_WORDS[name]).join(' + ')} clef${clefs.length > 1 ? 's' : ''}`;
  if (transposition === 0) return `${clef}, written as it sounds`;
  return `${clef}, written ${Math.abs(transposition)} semitone${Math.abs(transposition) === 1 ? '' : 's'} ${transposition > 0 ? 'above' : 'below'} sounding`;
}

/** "B3–C7, easy C4–G6, at most B3–D7": as it sounds. */
function rangesInWords(id: string): string {
  const { range, easyRange, extremeRange } = instrumentById(id);
  const words = (keys: readonly number[]) => keys.map(keyInWords).join('–');
  const easy = words(easyRange) === words(range) ? [] : [`easy ${words(easyRange)}`];
  return [`Sounds ${words(range)}`, ...easy, `at most ${words(extremeRange)}`].join(', ');
}

function whoChose(by: Summary['tracks'][number]['by'], evidence: readonly string[] | undefined): string {
  if (by === 'you') return 'Instrument chosen by you.';
  if (by === 'house list') return 'Instrument from your house list.';
  return evidence ? evidence.join(' · ') : 'The file does not name the instrument.';
}
