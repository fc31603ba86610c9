'use client';

import { Checkbox, InputNumber, Segmented, Select, Switch } from 'antd';
import type { ReactNode } from 'react';
import styles from './dispatch.module.css';

/* The few kinds of field that recipes are edited with. */

/** One kind of file a recipe can ask for, with its settings while it does. */
export function Wish({
  name,
  about,
  on,
  onToggle,
  children,
}: {
  name: string;
  about: string;
  on: boolean;
  onToggle: (on: boolean) => void;
  children: ReactNode;
}) {
  return (
    <section className={styles.wish} aria-label={name} data-on={on || undefined}>
      <div className={styles.wishHead}>
        <Switch size="small" aria-label={name} checked={on} onChange={onToggle} />
        <h3>{name}</h3>
        <span className="soft">{about}</span>
      </div>
      {on && <div className={styles.fields}>{children}</div>}
    </section>
  );
}

/** Which of several files are wanted. */
export function Ticks({
  of,
  ticks,
  onChange,
}: {
  of: Record<string, unknown>;
  ticks: readonly { field: string; tick: string }[];
  onChange: (to: Record<string, unknown>) => void;
}) {
  if (ticks.length === 0) return null;
  return (
    <span className={styles.ticks}>
      {ticks.map(({ field, tick }) => (
        <Checkbox
          key={field}
          checked={of[field] === true}
          onChange={({ target }) => onChange({ [field]: target.checked })}
        >
          {tick}
        </Checkbox>
      ))}
    </span>
  );
}

interface OneOf<T> {
  name: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}

/** Lists hold no null and no yes or no: they hold the places of the options. */
const placesOf = (options: readonly (readonly [unknown, string])[]) =>
  options.map(([, label], i) => ({ value: i, label }));
const placeOf = (value: unknown, options: readonly (readonly [unknown, string])[]) =>
  options.findIndex(([one]) => one === value);

/** One of many, in a list that opens. */
export function Choice<T>({ name, value, options, onChange }: OneOf<T>) {
  return (
    <label className={styles.field}>
      {name}
      <Select<number>
        size="small"
        aria-label={name}
        value={placeOf(value, options)}
        options={placesOf(options)}
        onChange={(i) => onChange(options[i]![0])}
      />
    </label>
  );
}

/** One of few, all in sight. */
export function Few<T>({ name, value, options, onChange }: OneOf<T>) {
  return (
    <span className={styles.field}>
      {name}
      <Segmented<number>
        size="small"
        aria-label={name}
        value={placeOf(value, options)}
        options={placesOf(options)}
        onChange={(i) => onChange(options[i]![0])}
      />
    </span>
  );
}

export function Amount({
  name,
  value,
  from,
  to,
  step = 1,
  unit,
  onChange,
}: {
  name: string;
  value: number;
  from: number;
  to: number;
  step?: number;
  unit?: string;
  onChange: (value: number) => void;
}) {
  return (
    <label className={styles.field}>
      {name}
      <InputNumber<number>
        size="small"
        aria-label={name}
        min={from}
        max={to}
        step={step}
        suffix={unit}
        value={value}
        onChange={(next) => {
          if (next !== null) onChange(next);
        }}
      />
    </label>
  );
}
