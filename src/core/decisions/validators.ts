import { Type } from 'class-transformer';
import { IsArray, IsObject, registerDecorator, ValidateNested } from 'class-validator';
import { isInstrumentId, TECHNIQUES } from '../instruments';

/**
 * Ids of tracks ("t3"; "t0c10" and "t9s6" split by channel and by what is struck; "o2t3" of the second original) and of
 * parts: a track's, or that of a further player dealt out of it ("t3p2").
 */
export const TRACK = /^(o\d+)?t\d+(c\d+)?(g\d+)?(s\d+)?$/;
export const PART = /^(o\d+)?t\d+(c\d+)?(g\d+)?(s\d+)?(p\d+)?$/;

/** An id a score file gives its part. */
export const SCORE_PART = /^[\w.-]{1,120}$/;

export const TECHNIQUE_OR_NONE = [...TECHNIQUES, 'none'] as const;

/** One object of a shape of ours, checked by its own rules; a list in its place is refused. */
export function IsShape(shape: new () => object): PropertyDecorator {
  return (target, name) => {
    for (const rule of [IsObject(), ValidateNested(), Type(() => shape)]) rule(target, name);
  };
}

/** A list of such objects. */
export function AreShapes(shape: new () => object): PropertyDecorator {
  return (target, name) => {
    for (const rule of [IsArray(), IsObject({ each: true }), ValidateNested({ each: true }), Type(() => shape)])
      rule(target, name);
  };
}

/** A plain object with at most so many entries, each of which is good. */
export function IsRecord(good: (value: unknown, record: object) => boolean, most: number) {
  return (target: object, propertyName: string): void =>
    registerDecorator({
      name: 'isRecord',
      target: target.constructor,
      propertyName,
      validator: {
        validate: (value: unknown) =>
          typeof value === 'object' &&
          value !== null &&
          !Array.isArray(value) &&
          Object.keys(value).length <= most &&
          Object.values(value).every((one) => good(one, value)),
        defaultMessage: () => `${propertyName} holds a value out of bounds`,
      },
    });
}

/** The value is an id of the catalogue. */
export function IsInstrumentId() {
  return (target: object, propertyName: string): void =>
    registerDecorator({
      name: 'isInstrumentId',
      target: target.constructor,
      propertyName,
      validator: {
        validate: (value: unknown) => typeof value === 'string' && isInstrumentId(value),
        defaultMessage: () => `${propertyName} is not an instrument of the catalogue`,
      },
    });
}

/** Two or more whole numbers above 0 that make up another number of the same object. */
export function AreParts(whole: string) {
  return (target: object, propertyName: string): void =>
    registerDecorator({
      name: 'areParts',
      target: target.constructor,
      propertyName,
      validator: {
        validate: (value: unknown, of) =>
          Array.isArray(value) &&
          value.length > 1 &&
          value.every((part) => Number.isInteger(part) && part > 0) &&
          value.reduce((sum: number, part: number) => sum + part, 0) === Reflect.get(of?.object ?? {}, whole),
        defaultMessage: () => `${propertyName} must add up to ${whole}`,
      },
    });
}
