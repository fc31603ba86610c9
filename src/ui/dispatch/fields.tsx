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

type YesOrNo<T> = { [K in keyof T]-?: NonNullable<T[K]> extends boolean ? K : never }[keyof T];

/** Which of several files are wanted. @param names of the fields that say so, in order */
export function Ticks<T extends object>({
  of,
  names,
  onChange,
}: {
  of: T;
  names: readonly (readonly [YesOrNo<T>, string])[];
  onChange: (to: T) => void;
}) {
  return (
    <span className={styles.ticks}>
      {names.map(([key, name]) => (
        <Checkbox
          key={name}
          checked={of[key] === true}
          onChange={({ target }) => onChange({ ...of, [key]: target.checked })}
        >
          {name}
        </Checkbox>
      ))}
    </span>
  );
}

interface Option<T> {
  value: T;
  label: string;
}

interface OneOf<T> {
  name: string;
  value: T;
  options: readonly Option<T>[];
  onChange: (value: T) => void;
}

/** One of many, in a list that opens. */
export function Choice<T extends string | number>({ name, value, options, onChange }: OneOf<T>) {
  return (
    <label className={styles.field}>
      {name}
      <Select<T> size="small" aria-label={name} value={value} options={[...options]} onChange={onChange} />
    </label>
  );
}

/** One of few, all in sight. */
export function Few<T extends string | number | boolean>({ name, value, options, onChange }: OneOf<T>) {
  return (
    <span className={styles.field}>
      {name}
      <Segmented<T> size="small" aria-label={name} value={value} options={[...options]} onChange={onChange} />
    </span>
  );
}

export function Amount({
  name,
  value,
  min,
  max,
  step = 1,
  suffix,
  onChange,
}: {
  name: string;
  value: number;
  min: number;
  max: number;
  step?: number;
  suffix?: string;
  onChange: (value: number) => void;
}) {
  return (
    <label className={styles.field}>
      {name}
      <InputNumber<number>
        size="small"
        aria-label={name}
        min={min}
        max={max}
        step={step}
        suffix={suffix}
        value={value}
        onChange={(to) => {
          if (to !== null) onChange(to);
        }}
      />
    </label>
  );
}
