import { say } from '../../words';
import type { PartId } from '../../base';
import { SOUND_WORDS, type Recipe, type SoundWish } from '../../documents';
import type { Desk, Made } from '../../engine';
import { clickAlone, later, type Stretch } from '../../hearing';
import type { Seconds } from '../../time';
import type { DispatchDesk, Working } from '../dispatch-desk';
import { type Draft } from '../draft';
import type { Task } from '../task';
import type { Deliverer } from './deliverer';

const BARS_AT_ONCE = 64;
/** What a machine can hold in memory, at 48 kHz in stereo. */
const LONGEST_MINUTES = 30;

/** Mix, stems and click begin together, and with the map where one goes out: what it counts in is silent in them. */
function* tasks(desk: DispatchDesk, wish: SoundWish, { map }: Recipe): Generator<Working, Task[]> {
  const { desk: made, summary } = yield* desk.made();
  const version = audible(wish.version, summary);
  const layout = made.soundLayout(map?.countIn ?? 0);
  // Stems are turned down as the mix is, so that together they are the mix.
  let gain: number | null = null;
  const task = (label: string, number: number, what: string, stretches: () => Stretch[]): Task => ({
    words: say('dispatchCore.soundLabel', { label }),
    make: async (makers, onShare) => {
      const rendered = await makers.wav({ stretches: stretches(), gain }, wish.sampleRate, onShare);
      gain ??= rendered.gain;
      const words = say('dispatchCore.wAVSampleRateKHz16BitsWhatBarOne', {
        sampleRate: wish.sampleRate / 1000,
        what,
        barOne: layout.barOne,
      });
      return [{ folder: 'Sound', label, number, extension: 'wav', bytes: rendered.wav, bars: null, words }];
    },
  });
  const heard = (parts: PartId[]) => () => stretchesOf(made, version, parts, layout.countIn);
  return [
    ...(wish.mix || wish.stems ? [task(say('dispatchCore.mix'), 0, SOUND_WORDS[version], heard([]))] : []),
    ...(wish.stems ? summary.parts.map(({ id, name }, i) => task(name, i + 1, SOUND_WORDS[version], heard([id]))) : []),
    ...(wish.click
      ? [
          task(say('dispatchCore.click'), 0, say('dispatchCore.theClickAlone'), () => [
            clickAlone(layout.click, layout.end),
          ]),
        ]
      : []),
  ];
}

/** What can be heard of a job: a score has no playing that was received, a MIDI file that stays one is not written. */
function audible(version: SoundWish['version'], summary: Made): SoundWish['version'] {
  if (summary.kind === 'to-score' || version === 'delivered') return version;
  return summary.kind === 'score' ? 'written' : 'received';
}

function stretchesOf(desk: Desk, version: SoundWish['version'], parts: PartId[], countIn: Seconds): Stretch[] {
  const stretches: Stretch[] = [];
  let seconds = 0;
  for (let from: Stretch['next'] = { bar: 0, pass: 0 }; from;) {
    const fromZero = stretches.length === 0;
    const heard: Stretch = desk.hear(version, { from, bars: BARS_AT_ONCE, parts, click: false, fromZero });
    const stretch = fromZero ? later(heard, countIn) : heard;
    stretches.push(stretch);
    seconds += stretch.end;
    if (seconds > LONGEST_MINUTES * 60) throw new Error(say('dispatchCore.soundTooLong', { minutes: LONGEST_MINUTES }));
    from = stretch.next;
  }
  return stretches;
}

function* foretell(
  draft: Draft,
  { mix, stems, click, version: wished, sampleRate }: SoundWish,
): Generator<Working, void> {
  const { summary } = yield* draft.desk.made();
  const { parts, queries } = summary;
  const version = audible(wished, summary);
  const what = [
    ...(mix || stems ? [say('dispatchCore.theMix')] : []),
    ...(stems ? [say('dispatchCore.stem', { parts: parts.length })] : []),
    ...(click ? [say('dispatchCore.theClick')] : []),
  ];
  draft.says(
    say('dispatchCore.soundOfSoundWordsWhatWAVAt', {
      soundWords: SOUND_WORDS[version],
      what: what.join(', '),
      sampleRate: sampleRate / 1000,
    }),
    (mix || stems ? 1 : 0) + (stems ? parts.length : 0) + Number(click),
  );
  if (version !== 'received') draft.concern(queries);
}

/** WAV files. */
export const sound: Deliverer<'sound'> = { tasks, foretell };
