/* What is doubtful about a MIDI file set up for a sequencer; each with an id that stays the same while the place does. */
import { inNumbers, say } from '../../words';
import { queryId } from '../../base';
import { CLEAR, type Casting } from '../../casting';
import { drumSound, GENERAL_MIDI_DRUMS, programName } from '../../instruments';
import { barsOfPerformance, performanceFromSmf, type Performance } from '../../performance';
import type { Query } from '../../queries';
import { keyInWords } from '../../score';
import { partSettings, type CleaningPlan, type DirectionB } from '../../settings';
import type { SmfFile } from '../../smf';
import { barIndexAt, writtenUnits, type MidiKey } from '../../time';
import type { ArrangedFile } from '../arranging/arrange';

interface Asked {
  original: Performance;
  cleaned: SmfFile;
  casting: Casting;
  whole: ArrangedFile;
  plan: CleaningPlan;
  settings: DirectionB;
}

export function askArrangement(asked: Asked): Query[] {
  return [
    ...soundsQuery(asked),
    ...drumQueries(asked),
    ...velocityQuery(asked),
    ...faderQueries(asked),
    ...tickQuery(asked),
  ];
}

/** Of many so many are named. */
const MOST_NAMED = 4;

function listOf(names: readonly string[]): string {
  const some = names.slice(0, MOST_NAMED).join(', ');
  return names.length > MOST_NAMED
    ? say('toSequencer.someAndNamesMore', { some, names: names.length - MOST_NAMED })
    : some;
}

/** Programs that stand for a whole family, or a way of playing in it. */
const FAMILY_SOUNDS: Readonly<Record<string, readonly number[]>> = {
  strings: [45, 46, 49, 50, 51, 52],
  brass: [60, 62, 63, 64],
  voice: [53, 54, 55],
};

/** Programs that clearly belong to another instrument than the name says. */
function soundsQuery({ original, casting, settings }: Asked): Query[] {
  const wrong = casting.parts.flatMap((part) => {
    const track = original.tracks.find(({ id }) => id === part.tracks[0])!;
    const cast = casting.tracks.find(({ id }) => id === part.tracks[0])!;
    const received = track.programs[0]?.program;
    const [usual] = part.instrument.programs;
    const own = partSettings(settings, part.id).program;
    const sure = cast.by !== 'engine' || cast.confidence >= CLEAR;
    const decided = own !== undefined || settings.arranging.sounds === 'instrument';
    if (received === undefined || usual === undefined || part.instrument.unpitched || !sure || decided) return [];
    const fits =
      part.instrument.programs.includes(received) || FAMILY_SOUNDS[part.instrument.family]?.includes(received);
    return fits ? [] : [{ part, received, program: usual }];
  });
  if (wrong.length === 0) return [];
  const names = wrong.map(({ part, received }) =>
    say('toSequencer.partAsProgramName', { part: part.name, programName: programName(received) }),
  );
  return [
    {
      id: queryId('wrong-sounds'),
      kind: 'wrong-sounds',
      message: say('toSequencer.oneTrackHasAnotherSoundThanTheName', { wrong: wrong.length, names: listOf(names) }),
      touches: wrong.reduce((sum, { part }) => sum + part.notes.length, 0),
      facts: { tracks: wrong.map(({ part, program }) => ({ part: part.id, program })) },
    },
  ];
}

function drumQueries({ casting, whole, settings }: Asked): Query[] {
  return casting.parts.flatMap((part): Query[] => {
    if (!part.instrument.unpitched) return [];
    const struck = new Map<MidiKey, number>();
    for (const track of whole.tracks)
      if (track.part === part.id) for (const { key } of track.notes) struck.set(key, (struck.get(key) ?? 0) + 1);
    const silent = [...struck].filter(([key]) => !GENERAL_MIDI_DRUMS.has(key)).sort(([a], [b]) => a - b);
    if (silent.length === 0) return [];
    const moved = partSettings(settings, part.id).drumKeys ?? {};
    // What is asked about are the keys that were received.
    const received = (key: MidiKey) => Number(Object.entries(moved).find(([, to]) => to === key)?.[0] ?? key);
    const words = silent.map(([key, times]) =>
      say('toSequencer.keyKeyKeyInWordsStruckOnce', { key, keyInWords: keyInWords(key), times }),
    );
    return [
      {
        id: queryId(`silent-drums/${part.id}`),
        kind: 'silent-drums',
        part: part.id,
        message: say('toSequencer.generalMIDIHasNoDrumOnWordsInPartA', { words: listOf(words), part: part.name }),
        facts: { moved, targets: silent.map(([key]) => ({ ...targetOf(key), key: received(key) })) },
      },
    ];
  });
}

function targetOf(key: MidiKey) {
  const drums = [...GENERAL_MIDI_DRUMS.keys()];
  const octave = [key + 12, key - 12].find((one) => GENERAL_MIDI_DRUMS.has(one)) ?? null;
  const near = drums.reduce((best, one) => (Math.abs(one - key) < Math.abs(best - key) ? one : best));
  return { octave, near, nearName: drumSound(GENERAL_MIDI_DRUMS, near).name };
}

/** So few notes may be alike by accident. */
const FEW_NOTES = 24;

function velocityQuery({ whole }: Asked): Query[] {
  const notes = whole.tracks.flatMap((track) => track.notes);
  const [first] = notes;
  if (!first || notes.length < FEW_NOTES || notes.some(({ velocity }) => velocity !== first.velocity)) return [];
  return [
    {
      id: queryId('one-velocity'),
      kind: 'one-velocity',
      message: say('toSequencer.allNotesNotesHaveVelocityVelocity', { notes: notes.length, velocity: first.velocity }),
    },
  ];
}

const faders = () =>
  [
    ['volume', 7, say('toSequencer.theVolumeFader')],
    ['pan', 10, say('toSequencer.thePan')],
  ] as const;

function faderQueries({ whole, plan }: Asked): Query[] {
  if (plan.volume === 'drop' && plan.pan === 'drop') return [];
  const performance = performanceFromSmf({ file: whole.file, warnings: [] });
  const bars = barsOfPerformance(performance);
  const starts = bars.map((bar) => bar.start);
  return faders().flatMap(([data, number, words]): Query[] => {
    const jumps = performance.tracks.flatMap((track) => {
      const values = track.controllers.filter(({ controller }) => controller === number);
      const places = values
        .filter(({ value, channel }, i) => {
          const before = values.slice(0, i).findLast((one) => one.channel === channel);
          return before !== undefined && before.value !== value;
        })
        .map(({ tick }) => bars[barIndexAt(starts, writtenUnits(tick, performance.ticksPerQuarter))]!.number);
      return places.length > 0
        ? [
            {
              name: track.name || say('toSequencer.trackChunk', { chunk: track.chunk + 1 }),
              bars: [...new Set(places)],
            },
          ]
        : [];
    });
    if (jumps.length === 0) return [];
    const named = jumps.map((one) =>
      say('toSequencer.oneInBarBars', {
        one: one.name,
        bars: one.bars.slice(0, 3).join(', '),
        oneBarsOver3: one.bars.length > 3,
      }),
    );
    return [
      {
        id: queryId(`jumping-faders/${data}`),
        kind: 'jumping-faders',
        message: say('toSequencer.wordsWouldJumpWhileItPlaysNamed', { words, named: listOf(named) }),
        facts: { data },
      },
    ];
  });
}

function tickQuery({ cleaned, whole, settings }: Asked): Query[] {
  const { ticksPerQuarter } = settings.arranging;
  const { division } = cleaned;
  if (whole.betweenTicks === 0 || ticksPerQuarter === null || division.kind !== 'metrical') return [];
  const times = Math.ceil(ticksPerQuarter / division.ticksPerQuarter);
  return [
    {
      id: queryId(`between-ticks/${ticksPerQuarter}`),
      kind: 'between-ticks',
      message: say('toSequencer.betweenTicksEventsFallBetweenTwoOf', {
        betweenTicks: whole.betweenTicks,
        ticksPerQuarter,
        largestShiftMs: inNumbers(whole.largestShiftMs, 2),
      }),
      facts: { exact: times * division.ticksPerQuarter },
    },
  ];
}
