'use client';

import { Input } from 'antd';
import { DELIVERY, type Delivery, type Field, type Recipe } from '@/core/documents';
import { FRAME_RATES } from '@/core/studio';
import { CodeField } from '../shared/CodeField';
import { Amount, Choice, Few, Ticks, Wish } from './fields';
import styles from './dispatch.module.css';

type Kind = keyof typeof DELIVERY;
type Values = Record<string, unknown>;

interface Props {
  kind: Kind;
  recipe: Recipe;
  onChange: (change: Partial<Recipe>) => void;
}

/** One kind of file, with the fields its delivery asks for. */
export function WishForm({ kind, recipe, onChange }: Props) {
  const delivery: Pick<Delivery<object>, 'name' | 'about' | 'usual'> = DELIVERY[kind];
  const wish: Values = { ...delivery.usual, ...recipe[kind] };
  const change = (to: Values) => onChange({ [kind]: { ...delivery.usual, ...recipe[kind], ...to } });
  const fields = Object.entries<Field>(DELIVERY[kind].form);
  const ticks = fields.flatMap(([field, asked]) => ('tick' in asked ? [{ field, ...asked }] : []));
  return (
    <Wish
      name={delivery.name}
      about={delivery.about}
      on={recipe[kind] !== null}
      onToggle={(on) => onChange({ [kind]: on ? delivery.usual : null })}
    >
      <Ticks of={wish} ticks={ticks.filter(({ isFile }) => isFile)} onChange={change} />
      <Ticks of={wish} ticks={ticks.filter(({ isFile }) => !isFile)} onChange={change} />
      {fields.map(([field, asked]) => (
        <OneField
          key={field}
          asked={asked}
          value={wish[field]}
          recipe={recipe}
          rate={FRAME_RATES.find((one) => one === wish.rate) ?? '25'}
          onChange={(value) => change({ [field]: value })}
        />
      ))}
    </Wish>
  );
}

interface FieldProps {
  asked: Field;
  value: unknown;
  recipe: Recipe;
  rate: (typeof FRAME_RATES)[number];
  onChange: (value: unknown) => void;
}

/** What is no tick: those stand together. */
function OneField({ asked, value, recipe, rate, onChange }: FieldProps) {
  if ('tick' in asked) return null;
  const instead = asked.instead?.(recipe) ?? null;
  if (instead !== null) return instead === '' ? null : <span className="soft">{instead}</span>;
  const { name } = asked;
  if ('oneOf' in asked) {
    const Control = asked.few ? Few : Choice;
    return <Control name={name} value={value} options={asked.oneOf} onChange={onChange} />;
  }
  if ('from' in asked) return <Amount {...asked} value={Number(value)} onChange={onChange} />;
  if ('codeAt' in asked)
    return (
      <label className={styles.field}>
        {name}
        <CodeField key={`${rate}${String(value)}`} name={name} frames={Number(value)} rate={rate} onCommit={onChange} />
      </label>
    );
  return (
    <label className={styles.wide}>
      {name}
      <Input.TextArea
        size="small"
        rows={2}
        maxLength={asked.atMost}
        aria-label={name}
        placeholder="none"
        value={String(value)}
        onChange={({ target }) => onChange(target.value)}
      />
    </label>
  );
}
