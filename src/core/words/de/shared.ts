import type { Words } from '../words-of';

export const shared: Words<'shared'> = {
  language: 'Sprache',
  firstBarOfOf: 'Erster Takt von {of}',
  lastBarOfOf: 'Letzter Takt von {of}',
  notSet: 'nicht gesetzt',
  whereItIsNotSetCodeCountsFromThe: 'Ist er nicht gesetzt, zählt der Code ab dem Anfang der Map.',
  preset: 'Voreinstellung',
  bareNotesVelocitiesTempo: 'Bloße Noten, Velocity, Tempo',
  keepExpression: 'Ausdruck behalten',
  everything: 'Alles',
  all: 'alle',
  none: 'keine',
  bytesBytes: '{bytes} Bytes',
  bytesKB: '{bytes} kB',
  bytesMB: '{bytes} MB',
  bytesGB: '{bytes} GB',
  justNow: 'gerade eben',
  minutesMinAgo: 'vor {minutes} Min.',
  minutesHAgo: 'vor {minutes} Std.',
};
