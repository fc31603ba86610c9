'use client';

import { Input } from 'antd';
import {
  USUAL_LISTS,
  USUAL_MAP,
  USUAL_MIDI,
  USUAL_PAGES,
  USUAL_SCORE,
  USUAL_SOUND,
  type Recipe,
} from '@/core/documents';
import { MUSICXML_VERSIONS } from '@/core/engine';
import { PRESETS } from '@/core/settings';
import { FRAME_RATES } from '@/core/studio';
import { Amount, Choice, Few, Ticks, Wish } from './fields';
import styles from './dispatch.module.css';

interface Props {
  recipe: Recipe;
  onChange: (change: Partial<Recipe>) => void;
}

const same = <T extends string>(values: readonly T[], label: (value: T) => string = (value) => value) =>
  values.map((value) => ({ value, label: label(value) }));

export function ScoreFields({ recipe: { score }, onChange }: Props) {
  const wish = score ?? USUAL_SCORE;
  const change = (to: Partial<typeof wish>) => onChange({ score: { ...wish, ...to } });
  return (
    <Wish
      name="MusicXML"
      about="for notation programs, without layout"
      on={score !== null}
      onToggle={(on) => onChange({ score: on ? USUAL_SCORE : null })}
    >
      <Ticks
        of={wish}
        names={[
          ['whole', 'The score'],
          ['parts', 'Each part'],
          ['leadSheet', 'Lead sheet'],
          ['reduction', 'Piano reduction'],
        ]}
        onChange={change}
      />
      <Few
        name="File"
        value={wish.format}
        options={[
          { value: 'musicxml', label: '.musicxml' },
          { value: 'mxl', label: '.mxl, compressed' },
        ]}
        onChange={(format) => change({ format })}
      />
      <Few
        name="Version of MusicXML"
        value={wish.version}
        options={same(MUSICXML_VERSIONS)}
        onChange={(version) => change({ version })}
      />
      <Few
        name="Pitch"
        value={wish.concert}
        options={[
          { value: false, label: 'As players read' },
          { value: true, label: 'Concert' },
        ]}
        onChange={(concert) => change({ concert })}
      />
    </Wish>
  );
}

const TICKS = [96, 120, 192, 240, 384, 480, 960, 1920];
/** A select cannot hold null. */
const AS_THE_JOB = 'job';
const CARRIED = { bare: 'Bare: notes, velocities, tempo', expression: 'Keep expression', everything: 'Everything' };

export function MidiFields({ recipe: { midi }, onChange }: Props) {
  const wish = midi ?? USUAL_MIDI;
  const change = (to: Partial<typeof wish>) => onChange({ midi: { ...wish, ...to } });
  return (
    <Wish
      name="MIDI"
      about="for sequencers, no mixer data unless it is carried"
      on={midi !== null}
      onToggle={(on) => onChange({ midi: on ? USUAL_MIDI : null })}
    >
      <Ticks
        of={wish}
        names={[
          ['whole', 'The whole piece'],
          ['parts', 'Each part'],
          ['sections', 'Each section'],
        ]}
        onChange={change}
      />
      <Ticks of={wish} names={[['byInstrument', 'Named and sounding by instrument']]} onChange={change} />
      <Choice
        name="Carried"
        value={wish.carry ?? AS_THE_JOB}
        options={[{ value: AS_THE_JOB, label: 'As the job has it' }, ...same(PRESETS, (preset) => CARRIED[preset])]}
        onChange={(carry) => change({ carry: PRESETS.find((one) => one === carry) ?? null })}
      />
      <Choice
        name="Ticks a quarter"
        value={wish.ticksPerQuarter ?? 0}
        options={[{ value: 0, label: 'As the job has it' }, ...TICKS.map((value) => ({ value, label: String(value) }))]}
        onChange={(ticks) => change({ ticksPerQuarter: ticks === 0 ? null : ticks })}
      />
      <Choice
        name="SMF type"
        value={wish.type ?? -1}
        options={[
          { value: -1, label: 'As the job has it' },
          { value: 1, label: '1, a track for each' },
          { value: 0, label: '0, all in one track' },
        ]}
        onChange={(type) => change({ type: type === 0 || type === 1 ? type : null })}
      />
    </Wish>
  );
}

export function MapFields({ recipe: { map }, onChange }: Props) {
  const wish = map ?? USUAL_MAP;
  const change = (to: Partial<typeof wish>) => onChange({ map: { ...wish, ...to } });
  return (
    <Wish
      name="Studio map"
      about="tempo, meters, keys and markers, no notes"
      on={map !== null}
      onToggle={(on) => onChange({ map: on ? USUAL_MAP : null })}
    >
      <Ticks of={wish} names={[['click', 'Click']]} onChange={change} />
      <Amount name="Count-in, bars" value={wish.countIn} min={0} max={16} onChange={(countIn) => change({ countIn })} />
      <Amount
        name="Tolerance of tempo"
        value={wish.tolerance}
        min={0}
        max={1000}
        suffix="ms"
        onChange={(tolerance) => change({ tolerance })}
      />
      <Choice
        name="Ticks per quarter of the map"
        value={wish.ticksPerQuarter}
        options={TICKS.map((value) => ({ value, label: String(value) }))}
        onChange={(ticksPerQuarter) => change({ ticksPerQuarter })}
      />
      <Choice name="Time code" value={wish.rate} options={same(FRAME_RATES)} onChange={(rate) => change({ rate })} />
    </Wish>
  );
}

export function ListsFields({ recipe: { lists, map }, onChange }: Props) {
  const wish = lists ?? USUAL_LISTS;
  const change = (to: Partial<typeof wish>) => onChange({ lists: { ...wish, ...to } });
  return (
    <Wish
      name="Lists"
      about="for spreadsheets, and for whoever can answer"
      on={lists !== null}
      onToggle={(on) => onChange({ lists: on ? USUAL_LISTS : null })}
    >
      <Ticks
        of={wish}
        names={[
          ['tracks', 'Tracks'],
          ['times', 'Bars and times'],
          ['queries', 'Open queries'],
        ]}
        onChange={change}
      />
      {map ? (
        // One time line for both: count-in and time code are those of the map.
        <span className="soft">Bars and times as in the studio map</span>
      ) : (
        <Choice name="Time code" value={wish.rate} options={same(FRAME_RATES)} onChange={(rate) => change({ rate })} />
      )}
    </Wish>
  );
}

const PAPERS = [
  { value: 'A4', label: 'A4' },
  { value: 'Letter', label: 'Letter' },
  { value: '9x12', label: '9 × 12 in' },
  { value: 'A3', label: 'A3' },
] as const;

export function PagesFields({ recipe: { pages }, onChange }: Props) {
  const wish = pages ?? USUAL_PAGES;
  const change = (to: Partial<typeof wish>) => onChange({ pages: { ...wish, ...to } });
  return (
    <Wish
      name="Pages"
      about="PDF, for a look or for the stands; page turns are your notation program’s business"
      on={pages !== null}
      onToggle={(on) => onChange({ pages: on ? USUAL_PAGES : null })}
    >
      <Ticks
        of={wish}
        names={[
          ['score', 'The score'],
          ['parts', 'Each part'],
          ['allParts', 'All parts in one file'],
          ['leadSheet', 'Lead sheet'],
          ['reduction', 'Piano reduction'],
        ]}
        onChange={change}
      />
      <Choice name="Paper" value={wish.paper} options={PAPERS} onChange={(paper) => change({ paper })} />
      <Amount
        name="Score’s staff"
        value={wish.scoreStaff}
        min={2}
        max={12}
        step={0.2}
        suffix="mm"
        onChange={(scoreStaff) => change({ scoreStaff })}
      />
      <Amount
        name="Parts’ staff"
        value={wish.partStaff}
        min={2}
        max={12}
        step={0.2}
        suffix="mm"
        onChange={(partStaff) => change({ partStaff })}
      />
      <Few
        name="Bar numbers"
        value={wish.barNumbers}
        options={[
          { value: 'systems', label: 'Each system' },
          { value: 'every', label: 'Every bar' },
        ]}
        onChange={(barNumbers) => change({ barNumbers })}
      />
      <Few
        name="Pages’ pitch"
        value={wish.concert}
        options={[
          { value: false, label: 'As players read' },
          { value: true, label: 'Concert' },
        ]}
        onChange={(concert) => change({ concert })}
      />
      <label className={styles.wide}>
        Text of a cover
        <Input.TextArea
          size="small"
          rows={2}
          maxLength={2000}
          aria-label="Text of a cover"
          placeholder="none"
          value={wish.cover}
          onChange={({ target }) => change({ cover: target.value })}
        />
      </label>
    </Wish>
  );
}

export function SoundFields({ recipe: { sound }, onChange }: Props) {
  const wish = sound ?? USUAL_SOUND;
  const change = (to: Partial<typeof wish>) => onChange({ sound: { ...wish, ...to } });
  return (
    <Wish
      name="Sound"
      about="WAV, 16 bits in stereo, with the bank chosen under “Sounds”"
      on={sound !== null}
      onToggle={(on) => onChange({ sound: on ? USUAL_SOUND : null })}
    >
      <Ticks
        of={wish}
        names={[
          ['mix', 'Mix'],
          ['stems', 'Mix and stems'],
          ['click', 'Click'],
        ]}
        onChange={change}
      />
      <Choice
        name="Version of the sound"
        value={wish.version}
        options={[
          { value: 'received', label: 'as received' },
          { value: 'written', label: 'as written' },
          { value: 'delivered', label: 'as delivered' },
        ]}
        onChange={(version) => change({ version })}
      />
      <Few
        name="Sample rate"
        value={wish.sampleRate}
        options={[
          { value: 48000, label: '48 kHz' },
          { value: 44100, label: '44.1 kHz' },
        ]}
        onChange={(sampleRate) => change({ sampleRate })}
      />
    </Wish>
  );
}
