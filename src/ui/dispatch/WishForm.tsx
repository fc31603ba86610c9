'use client';

import { say } from '@/core/words';
import { Input } from 'antd';
import { DELIVERY, type Delivery, type DeliveryKind, type Field, type Recipe } from '@/core/documents';
import { FRAME_RATES, sameCode, type FrameRate } from '@/core/studio';
import { CodeField } from '../shared/CodeField';
import { Amount, Choice, Few, Ticks, Wish } from './fields';
import styles from './dispatch.module.css';

type Values = Record<string, unknown>;

interface Props {
  kind: DeliveryKind;
  recipe: Recipe;
  onChange: (change: Partial<Recipe>) => void;
}

/** One kind of file, with the fields its delivery asks for. */
export function WishForm({ kind, recipe, onChange }: Props) {
  const delivery: Pick<Delivery<object>, 'name' | 'about' | 'usual'> = DELIVERY[kind];
  const wish: Values = { ...delivery.usual, ...recipe[kind] };
  const change = (to: Values) => onChange({ [kind]: { ...wish, ...to } });
  const fields = Object.entries<Field>(DELIVERY[kind].form);
  const ticks = fields.flatMap(([field, asked]) => ('tick' in asked ? [{ field, ...asked }] : []));
  const others = fields.flatMap(([field, asked]) => ('tick' in asked ? [] : [{ field, asked }]));
  const instead = others.flatMap(({ asked }) => asked.instead?.(recipe) ?? []);
  return (
    <Wish
      name={delivery.name}
      about={delivery.about}
      on={recipe[kind] !== null}
      onToggle={(on) => onChange({ [kind]: on ? delivery.usual : null })}
    >
      <Ticks of={wish} ticks={ticks.filter(({ isFile }) => isFile)} onChange={change} />
      <Ticks of={wish} ticks={ticks.filter(({ isFile }) => !isFile)} onChange={change} />
      {others
        .filter(({ asked }) => !asked.instead?.(recipe))
        .map(({ field, asked }) => (
          <OneField
            key={field}
            asked={asked}
            value={wish[field]}
            wish={wish}
            onChange={(value) => change({ ...recoded(fields, wish, field, value), [field]: value })}
          />
        ))}
      {[...new Set(instead)].map((words) => (
        <span key={words} className="soft">
          {words}
        </span>
      ))}
    </Wish>
  );
}

const rateIn = (value: unknown): FrameRate => FRAME_RATES.find((one) => one === value) ?? '25';

/** Codes that are counted at a rate say the same at another one. */
function recoded(fields: [string, Field][], wish: Values, changed: string, value: unknown): Values {
  const codes = fields.filter(([, asked]) => 'codeAt' in asked && asked.codeAt === changed);
  return Object.fromEntries(
    codes.map(([field]) => [field, sameCode(Number(wish[field]), rateIn(wish[changed]), rateIn(value))]),
  );
}

interface FieldProps {
  asked: Exclude<Field, { tick: string }>;
  value: unknown;
  wish: Values;
  onChange: (value: unknown) => void;
}

function OneField({ asked, value, wish, onChange }: FieldProps) {
  const { name } = asked;
  if ('oneOf' in asked) {
    const Control = asked.few ? Few : Choice;
    return <Control name={name} value={value} options={asked.oneOf} onChange={onChange} />;
  }
  if ('from' in asked) return <Amount {...asked} value={Number(value)} onChange={onChange} />;
  if ('codeAt' in asked) {
    const rate = rateIn(wish[asked.codeAt]);
    return (
      <label className={styles.field}>
        {name}
        <CodeField key={`${rate}${String(value)}`} name={name} frames={Number(value)} rate={rate} onCommit={onChange} />
      </label>
    );
  }
  return (
    <label className={styles.wide}>
      {name}
      <Input.TextArea
        size="small"
        rows={2}
        maxLength={asked.atMost}
        aria-label={name}
        placeholder={say('dispatch.none2')}
        value={String(value)}
        onChange={({ target }) => onChange(target.value)}
      />
    </label>
  );
}
