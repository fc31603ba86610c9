'use client';

import { say } from '@/core/words';
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
  get 1() {
    return say('rhythm.n1Modulation');
  },
  get 7() {
    return say('rhythm.n7Volume');
  },
  get 11() {
    return say('rhythm.n11Expression');
  },
};

/** Amounts of a loosening: field, name, most, unit. */
export const looseningFields = (): readonly [keyof Omit<Loosening, 'swing'>, string, number, string][] => [
  ['velocity', say('rhythm.randomVelocity'), 40, ''],
  ['accent', say('rhythm.velocityByBeat'), 40, ''],
  ['onset', say('rhythm.randomTiming'), 60, 'ms'],
  ['legato', say('rhythm.overlapNextNote'), 200, 'ms'],
  ['spread', say('rhythm.chordsSpreadOver'), 200, 'ms'],
  ['seed', say('rhythm.seed'), 9999, ''],
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
          <Values label={say('rhythm.grid')} value={does.grid} onChange={(grid) => onChange({ ...does, grid })} />
          <label>
            {say('rhythm.triplets')}
            <Switch
              size="small"
              aria-label={say('rhythm.triplets')}
              checked={does.triplets}
              onChange={(triplets) => onChange({ ...does, triplets })}
            />
          </label>
          {number(
            say('rhythm.strength'),
            Math.round(does.strength * 100),
            [0, 100],
            (value) => ({ ...does, strength: value / 100 }),
            '%',
          )}
          <label>
            {say('rhythm.swing')}
            <Select<number>
              size="small"
              aria-label={say('rhythm.swingOfTheGrid')}
              disabled={does.triplets}
              value={does.swing}
              onChange={(swing) => onChange({ ...does, swing })}
              options={[1, 1.5, 2, 2.5, 3].map((value) => ({
                value,
                label: value === 1 ? say('rhythm.even') : `${value} : 1`,
              }))}
            />
          </label>
          <label>
            {say('rhythm.releasesToo')}
            <Switch
              size="small"
              aria-label={say('rhythm.releasesToo')}
              checked={does.ends}
              onChange={(ends) => onChange({ ...does, ends })}
            />
          </label>
        </>
      );
    case 'closeGaps':
      return (
        <Values label={say('rhythm.gapsUpTo')} value={does.upTo} onChange={(upTo) => onChange({ ...does, upTo })} />
      );
    case 'trimOverlaps':
      return <p className="soft">{say('rhythm.anOverlappingNoteEndsWhereTheNext')}</p>;
    case 'level':
      return number(say('rhythm.velocity2'), does.velocity, [1, 127], (velocity) => ({ ...does, velocity }));
    case 'scale':
      return (
        <>
          {number(say('rhythm.weakest'), does.weakest, [1, 127], (weakest) => ({ ...does, weakest }))}
          {number(say('rhythm.strongest'), does.strongest, [1, 127], (strongest) => ({ ...does, strongest }))}
        </>
      );
    case 'accents':
      return (
        <>
          {number(say('rhythm.firstBeat'), does.first, [-60, 60], (first) => ({ ...does, first }))}
          {number(say('rhythm.otherBeats'), does.beats, [-60, 60], (beats) => ({ ...does, beats }))}
          {number(say('rhythm.betweenBeats'), does.between, [-60, 60], (between) => ({ ...does, between }))}
        </>
      );
    case 'loosen':
      return (
        <>
          <label>
            {say('rhythm.swing')}
            <Select<number | 'even'>
              size="small"
              style={{ width: 110 }}
              aria-label={say('rhythm.swingOfTheEighths')}
              value={does.loosening.swing}
              onChange={(swing) => onChange({ ...does, loosening: { ...does.loosening, swing } })}
              options={[1, 1.5, 2, 2.5, 3].map((value) => ({
                value,
                label: value === 1 ? say('rhythm.none') : `${value} : 1`,
              }))}
            />
          </label>
          {looseningFields().map(([field, label, most, suffix]) =>
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
          {number(say('rhythm.notesAtVelocity'), does.velocity, [1, 127], (velocity) => ({ ...does, velocity }))}
        </>
      );
    case 'toVelocity':
      return <Controllers value={does.controller} onChange={(controller) => onChange({ ...does, controller })} />;
    case 'thin':
      return number(say('rhythm.toleranceInSteps'), does.within, [0, 32], (within) => ({ ...does, within }));
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
      {say('rhythm.controller')}
      <Select<DynamicController>
        size="small"
        style={{ width: 132 }}
        aria-label={say('rhythm.controller')}
        value={value}
        onChange={onChange}
        options={DYNAMIC_CONTROLLERS.map((one) => ({ value: one, label: CONTROLLER_NAMES[one] }))}
      />
    </label>
  );
}
