import { describe, expect, it } from 'vitest';
import { everyDecision, everySequencing } from '../../testing/every-decision';
import { partId } from '../base';
import { apply, DECISION_KINDS, type Decision } from '../decisions';
import { NO_JOB_SETTINGS } from '../settings';
import { JobError, parseJob, settingsOf } from './index';

describe('job files', () => {
  const good = {
    format: 'dragoman-job',
    version: 1,
    name: 'Goose',
    originals: [{ fileName: 'a.mid', sha256: 'a'.repeat(64), size: 10 }],
    ledger: { decisions: everyDecision, position: 3 },
  };
  const parse = (change: (job: Record<string, unknown>) => void = () => {}) => {
    const job = structuredClone(good) as Record<string, unknown>;
    change(job);
    return parseJob(JSON.stringify(job), 'job.json');
  };

  it('takes several decisions that are one step, each checked by its own shape', () => {
    const step = (...made: unknown[]) => ({ decisions: [{ kind: 'together', decisions: made }], position: 1 });
    const gaps = { kind: 'setGaps', part: 't1', upTo: '16th' };
    expect(parse((job) => (job['ledger'] = step(gaps, gaps))).ledger).toEqual(step(gaps, gaps));
    expect(() => parse((job) => (job['ledger'] = step(gaps, { ...gaps, upTo: '5th' })))).toThrow(/line 1 .*upTo/);
    expect(() => parse((job) => (job['ledger'] = step({ kind: 'together', decisions: [gaps] })))).toThrow(/within/);
    expect(() => parse((job) => (job['ledger'] = step()))).toThrow(/line 1/);
  });
  it('takes every kind of decision there is', () => {
    expect(parse().ledger).toEqual({ decisions: everyDecision, position: 3 });
    const kinds = new Set([
      ...everyDecision.map((decision) => decision.kind),
      ...everySequencing.map((decision) => decision.kind),
      'chooseMelody',
      'chooseReduced',
      'freeGrid',
      'setOrnaments',
      'setClefs',
      'setOctaveLines',
      'dismissQuery',
      'findTheBeats',
      'believeBars',
      'setTempo',
      'drawTempo',
      'setMeters',
      'shiftBarlines',
      'setMarker',
      'numberBar',
      'printTempo',
      'sayTempo',
      'splitTrack',
      'readSoundChanges',
      'placeOriginal',
      'takeTime',
      'setTextEncoding',
      'setLengths',
      'setStaves',
      'writeAs',
      'writeAnew',
      'setBreaks',
      'together',
      'addNotes',
      'removeNotes',
      'setEnds',
      'setVoiceOf',
      'setStaffOf',
      'setGrace',
      'giveNotes',
    ]);
    expect(kinds).toEqual(new Set(Object.keys(DECISION_KINDS)));
  });

  const bad: [string, (job: Record<string, unknown>) => void, RegExp][] = [
    ['an unknown version', (job) => (job.version = 9), /version 9/],
    [
      'an unknown decision',
      (job) => ((job.ledger as { decisions: unknown[] }).decisions[1] = { kind: 'teleport' }),
      /line 2.*“teleport”/,
    ],
    [
      'a decision named like a built-in',
      (job) => ((job.ledger as { decisions: unknown[] }).decisions[0] = { kind: 'constructor' }),
      /“constructor”/,
    ],
    [
      'an unknown instrument',
      (job) =>
        ((job.ledger as { decisions: unknown[] }).decisions[1] = {
          kind: 'assignInstrument',
          tracks: ['t1'],
          instrument: 'kazoophone',
        }),
      /catalogue/,
    ],
    [
      'a lead of an hour',
      (job) =>
        ((job.ledger as { decisions: unknown[] }).decisions[3] = {
          kind: 'setLead',
          track: 't8',
          milliseconds: 3_600_000,
        }),
      /milliseconds/,
    ],
    [
      'a track id that is none',
      (job) => ((job.ledger as { decisions: unknown[] }).decisions[0] = { kind: 'leaveOut', tracks: ['../x'] }),
      /tracks/,
    ],
    [
      'a list where a range of bars belongs',
      (job) =>
        ((job.ledger as { decisions: unknown[] }).decisions[0] = {
          kind: 'preferNames',
          part: null,
          bars: [{ from: 0, to: 8 }],
          prefer: 'flats',
        }),
      /bars/,
    ],
    ['a list in place of the ledger', (job) => (job.ledger = []), /ledger/],
    ['a field nobody knows', (job) => (job.surprise = 1), /surprise/],
    ['a ledger beyond its end', (job) => ((job.ledger as { position: number }).position = 99), /line 99 of/],
    ['a damaged hash', (job) => ((job.originals as { sha256: string }[])[0]!.sha256 = 'zz'), /sha256/],
    ['no ledger', (job) => delete job.ledger, /ledger/],
  ];
  it.each(bad)('refuses %s with one sentence', (_, change, words) => {
    expect(() => parse(change)).toThrow(JobError);
    expect(() => parse(change)).toThrow(words);
  });
  it.each(['__proto__', 'constructor', 'prototype'])('refuses the key “%s” at every level', (key) => {
    for (const text of [`{"${key}":1}`, `{"ledger":{"${key}":{"x":1}}}`, `{"originals":[{"${key}":1}]}`])
      expect(() => parseJob(text, 'x')).toThrow(`it has the key “${key}”`);
  });
  it('refuses what is nested without end', () => {
    const deep = '['.repeat(3000) + ']'.repeat(3000);
    expect(() => parseJob(`{"format":"dragoman-job","version":1,"name":${deep}}`, 'x')).toThrow(/nested more than/);
  });
  it('replays a hundred thousand decisions as one by one', () => {
    const many = Array.from({ length: 100_000 }, (_, i): Decision => {
      const part = partId(`t${(i % 4000) + 1}`);
      if (i % 3 === 0) return { kind: 'movePart', part, before: null };
      return i % 3 === 1
        ? { kind: 'renamePart', part, name: `Part ${i}` }
        : { kind: 'setSolo', part, solo: i % 2 === 0 };
    });
    const ledger = { decisions: many, position: many.length };
    const settings = settingsOf(ledger);
    expect(settings.moves).toHaveLength(33_334);
    expect(Object.keys(settings.partNames)).toHaveLength(4000);
    const short = many.slice(0, 500);
    expect(settingsOf({ decisions: short, position: 500 })).toEqual(short.reduce(apply, NO_JOB_SETTINGS));
  });
  it('refuses what is no JSON, or no object', () => {
    expect(() => parseJob('{', 'x.json')).toThrow(/“x.json” is not a job file/);
    expect(() => parseJob('3', 'x.json')).toThrow(JobError);
  });
});
