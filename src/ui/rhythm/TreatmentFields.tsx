'use client';

import { InputNumber, Select, Switch } from 'antd';
import { valueName } from '@/core/decisions';
import {
  DYNAMIC_CONTROLLERS,
  SMALLEST_VALUES,
  type DynamicController,
  type Loosening,
  type SmallestValue,
  type Treatment,
} from '@/core/settings';

interface Props {
  does: Treatment;
  onChange: (does: Treatment) => void;
}

const CONTROLLER_NAMES: Record<DynamicController, string> = {
  1: '1 modulation',
  7: '7 volume',
  11: '11 expression',
};

/** Amounts of a loosening: field, name, most, unit. */
export const LOOSENING_FIELDS: readonly [keyof Omit<Loosening, 'swing'>, string, number, string][] = [
  ['velocity', 'Random velocity', 40, ''],
  ['accent', 'Velocity by beat', 40, ''],
  ['onset', 'Random timing', 60, 'ms'],
  ['legato', 'Overlap next note', 200, 'ms'],
  ['spread', 'Chords spread over', 200, 'ms'],
  ['seed', 'Seed', 9999, ''],
];

/** How much of a treatment. */
export function TreatmentFields({ does, onChange }: Props) {
  const number = (
    label: string,
    value: number,
    [min, max]: [number, number],
    take: (value: number) => Treatment,
    suffix = '',
  ) => (
    <label key={label}>
      {label}
      <InputNumber<number>
        size="small"
        min={min}
        max={max}
        value={value}
        aria-label={label}
        {...(suffix && { suffix })}
        onChange={(next) => next !== null && onChange(take(Math.round(next)))}
      />
    </label>
  );
  switch (does.kind) {
    case 'quantize':
      return (
        <>
          <Values label="Grid" value={does.grid} onChange={(grid) => onChange({ ...does, grid })} />
          <label>
            Triplets
            <Switch
              size="small"
              aria-label="Triplets"
              checked={does.triplets}
              onChange={(triplets) => onChange({ ...does, triplets })}
            />
          </label>
          {number(
            'Strength',
            Math.round(does.strength * 100),
            [0, 100],
            (value) => ({ ...does, strength: value / 100 }),
            '%',
          )}
          <label>
            Swing
            <Select<number>
              size="small"
              aria-label="Swing of the grid"
              disabled={does.triplets}
              value={does.swing}
              onChange={(swing) => onChange({ ...does, swing })}
              options={[1, 1.5, 2, 2.5, 3].map((value) => ({
                value,
                label: value === 1 ? 'even' : `${value} : 1`,
              }))}
            />
          </label>
          <label>
            Releases too
            <Switch
              size="small"
              aria-label="Releases too"
              checked={does.ends}
              onChange={(ends) => onChange({ ...does, ends })}
            />
          </label>
        </>
      );
    case 'closeGaps':
      return <Values label="Gaps up to" value={does.upTo} onChange={(upTo) => onChange({ ...does, upTo })} />;
    case 'trimOverlaps':
      return <p className="soft">An overlapping note ends where the next begins. Sustained notes stay.</p>;
    case 'level':
      return number('Velocity', does.velocity, [1, 127], (velocity) => ({ ...does, velocity }));
    case 'scale':
      return (
        <>
          {number('Weakest', does.weakest, [1, 127], (weakest) => ({ ...does, weakest }))}
          {number('Strongest', does.strongest, [1, 127], (strongest) => ({ ...does, strongest }))}
        </>
      );
    case 'accents':
      return (
        <>
          {number('First beat', does.first, [-60, 60], (first) => ({ ...does, first }))}
          {number('Other beats', does.beats, [-60, 60], (beats) => ({ ...does, beats }))}
          {number('Between beats', does.between, [-60, 60], (between) => ({ ...does, between }))}
        </>
      );
    case 'loosen':
      return (
        <>
          <label>
            Swing
            <Select<number | 'even'>
              size="small"
              style={{ width: 110 }}
              aria-label="Swing of the eighths"
              value={does.loosening.swing}
              onChange={(swing) => onChange({ ...does, loosening: { ...does.loosening, swing } })}
              options={[1, 1.5, 2, 2.5, 3].map((value) => ({ value, label: value === 1 ? 'none' : `${value} : 1` }))}
            />
          </label>
          {LOOSENING_FIELDS.map(([field, label, most, suffix]) =>
            number(
              label,
              does.loosening[field] ?? 0,
              [0, most],
              (value) => ({ ...does, loosening: { ...does.loosening, [field]: value } }),
              suffix,
            ),
          )}
        </>
      );
    case 'toController':
      return (
        <>
          <Controllers value={does.controller} onChange={(controller) => onChange({ ...does, controller })} />
          {number('Notes at velocity', does.velocity, [1, 127], (velocity) => ({ ...does, velocity }))}
        </>
      );
    case 'toVelocity':
      return <Controllers value={does.controller} onChange={(controller) => onChange({ ...does, controller })} />;
    case 'thin':
      return number('Tolerance in steps', does.within, [0, 32], (within) => ({ ...does, within }));
  }
}

function Values({
  label,
  value,
  onChange,
}: {
  label: string;
  value: SmallestValue;
  onChange: (value: SmallestValue) => void;
}) {
  return (
    <label>
      {label}
      <Select<SmallestValue>
        size="small"
        style={{ width: 132 }}
        aria-label={label}
        value={value}
        onChange={onChange}
        options={SMALLEST_VALUES.map((one) => ({ value: one, label: valueName(one) }))}
      />
    </label>
  );
}

function Controllers({
  value,
  onChange,
}: {
  value: DynamicController;
  onChange: (controller: DynamicController) => void;
}) {
  return (
    <label>
      Controller
      <Select<DynamicController>
        size="small"
        style={{ width: 132 }}
        aria-label="Controller"
        value={value}
        onChange={onChange}
        options={DYNAMIC_CONTROLLERS.map((one) => ({ value: one, label: CONTROLLER_NAMES[one] }))}
      />
    </label>
  );
}
