import { registerDecorator } from 'class-validator';
import { isInstrumentId } from '../instruments';

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
