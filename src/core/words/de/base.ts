import type { Words } from '../words-of';

export const base: Words<'base'> = {
  andMore: '{named} und {more} weitere',
  quoted: '„{name}“',
};
