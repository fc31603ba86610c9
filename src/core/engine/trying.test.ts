import { describe, expect, it } from 'vitest';
import { meter, smfBytes, tempo, type HandTrack } from '../../testing/music';
import { barOf, plainPart, plainScore } from '../../testing/scores';
import { notationProgramsMidi } from '../../testing/unkind-sources';
import { partId, toEnd } from '../base';
import { EMPTY_LEDGER, enter, settingsOf, type Ledger } from '../documents';
import { writeMusicXml } from '../musicxml';
import { stepOf, type OpenQuery, type Remedy } from '../queries';
import { openSequence, type Version } from './index';

/* On the way to a sequencer a remedy is tried out beside what is there: in numbers, and in the music. */

const after = (ledger: Ledger, query: OpenQuery, remedy: Remedy) => settingsOf(enter(ledger, stepOf(query, remedy)));

describe('a remedy tried out on the way to a sequencer', () => {
  it('says what it would change in a MIDI file, and what it answers; the file stays as it is', () => {
    const desk = openSequence([notationProgramsMidi()]);
    const settings = settingsOf(EMPTY_LEDGER);
    const { queries } = desk.make(settings);
    const kinds = ['wrong-sounds', 'silent-drums', 'one-velocity'];
    const asked = kinds.map((kind) => queries.find((query) => query.kind === kind)!);
    const tried = asked.map((query) => toEnd(desk.trying(after(EMPTY_LEDGER, query, query.remedies[0]!))));
    expect(tried.map(({ answered, asked: anew }) => [answered, anew])).toEqual([
      [1, 0],
      [1, 0],
      [1, 0],
    ]);
    const [sounds, drums, velocities] = tried;
    // Another sound is no other note.
    expect(sounds!.notes).toBe(0);
    expect(sounds!.parts.length).toBeGreaterThan(0);
    expect(drums!.notes).toBeGreaterThan(0);
    expect(drums!.parts).toHaveLength(1);
    expect(velocities!.notes).toBeGreaterThan(drums!.notes);
    expect(desk.make(settings).queries).toEqual(queries);
  });

  it('shows the notes as they would go out', () => {
    const drums: HandTrack = {
      name: 'Drums',
      notes: Array.from({ length: 8 }, (_, i) => ({ key: 38, at: i, length: 0.5, velocity: 64, channel: 10 })),
    };
    const desk = openSequence([smfBytes([drums], [tempo(0, 100), meter(0, 4, 4)])]);
    const settings = settingsOf(EMPTY_LEDGER);
    desk.make(settings);
    const loud = settingsOf(
      enter(EMPTY_LEDGER, { kind: 'treat', part: null, bars: null, does: { kind: 'level', velocity: 96 } }),
    );
    const changes = toEnd(desk.trying(loud));
    const strengths = (which: Version) =>
      desk.playedNotes(partId('t1'), 0, 1e6, which).outgoing.map(({ velocity }) => velocity);
    expect(changes.notes).toBe(8);
    expect(new Set(strengths('tried'))).toEqual(new Set([96]));
    expect(new Set(strengths('now'))).toEqual(new Set([64]));
  });

  it('shows a score as it would be', () => {
    const text = writeMusicXml(plainScore([plainPart([barOf([60, 1], [62, 1], [64, 2])])]));
    const desk = openSequence([new TextEncoder().encode(text)]);
    desk.make(settingsOf(EMPTY_LEDGER));
    const higher = settingsOf(
      enter(EMPTY_LEDGER, { kind: 'shiftNotes', part: partId('t0'), notes: [1], semitones: 2 }),
    );
    expect(toEnd(desk.trying(higher))).toMatchObject({ notes: 1, parts: ['Flute'] });
    const keys = (which: Version) => desk.passage([partId('P1')], 0, 1, which).parts[0]!.played.map(({ key }) => key);
    expect(keys('tried')).toEqual([60, 64, 64]);
    expect(keys('now')).toEqual([60, 62, 64]);
  });
});
