import type { ENGLISH } from './en';

/** The texts of an area in another language: the same messages, none more. */
export type Words<Area extends keyof typeof ENGLISH> = Readonly<Record<keyof (typeof ENGLISH)[Area], string>>;
