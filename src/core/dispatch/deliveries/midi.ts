import { say } from '../../words';
import type { MidiWish } from '../../documents';
import { sequencerSees } from '../../receivers/plain-sequencer';
import type { DispatchDesk, Working } from '../dispatch-desk';
import { type Draft } from '../draft';
import type { Task } from '../task';
import type { Deliverer } from './deliverer';

const MIDI_FILES = [
  {
    wish: 'whole',
    files: 'one',
    get words() {
      return say('dispatchCore.theWholePiece');
    },
  },
  {
    wish: 'parts',
    files: 'parts',
    get words() {
      return say('dispatchCore.onePart');
    },
  },
  {
    wish: 'sections',
    files: 'sections',
    get words() {
      return say('dispatchCore.oneSection');
    },
  },
] as const;

function* tasks(desk: DispatchDesk, wish: MidiWish): Generator<Working, Task[]> {
  const all: Task[] = [];
  const { summary } = yield* desk.sequenced();
  const played = 'order' in summary ? summary.order.length : summary.bars.length;
  for (const { wish: which, files, words } of MIDI_FILES) {
    if (!wish[which]) continue;
    const made = yield* desk.midiFiles(wish, files);
    all.push({
      words: say('dispatchCore.mIDIWords', { words }),
      make: () =>
        made.map(({ label, bytes }, i) => ({
          folder: 'MIDI',
          label: files === 'one' ? '' : label || say('dispatchCore.sectionI', { i: i + 1 }),
          number: files === 'one' ? 0 : i + 1,
          extension: 'mid',
          bytes,
          bars: files === 'one' ? played : null,
          words: say('dispatchCore.standardMIDIFileWords', { words }),
        })),
    });
  }
  return all;
}

function* foretell(draft: Draft, wish: MidiWish): Generator<Working, void> {
  const { desk } = draft;
  const { summary } = yield* desk.sequenced();
  draft.concern(summary.queries);
  for (const which of ['whole', 'parts', 'sections'] as const) {
    if (!wish[which]) continue;
    const out = yield* desk.midiFiles(wish, which === 'whole' ? 'one' : which);
    draft.says(midiInWords(which, out), out.length);
  }
  const { length } = desk.job.originals;
  if (summary.kind === 'midi' && length > 1)
    draft.says(say('dispatchCore.ofOriginalOnlyTheFirstMIDIFileIs', { length }), 0);
}

/** Read back from the bytes: it is the file that is described, not what it was meant to be. */
function midiInWords(
  which: 'whole' | 'parts' | 'sections',
  files: readonly { label: string; bytes: Uint8Array }[],
): string {
  const seen = files.map(({ bytes }) => sequencerSees(bytes));
  const [first] = seen;
  if (!first) return say('dispatchCore.noMIDIFileThereIsNothingToPutInIt');
  const mixer = seen.some(({ mixerData }) => mixerData > 0)
    ? say('dispatchCore.mixerEventVolumePanReverbChorus', { reduce: seen.reduce((sum, one) => sum + one.mixerData, 0) })
    : say('dispatchCore.noMixerData');
  const format = say('dispatchCore.typeFormatTicksPerQuarterTicksPer', {
    format: first.format,
    ticksPerQuarter: first.ticksPerQuarter,
    mixer,
  });
  if (which === 'whole')
    return say('dispatchCore.mIDIFormatTrackWithNotesAndAFirst', {
      format,
      tracks: first.tracks.filter(({ notes }) => notes > 0).length,
    });
  return say('dispatchCore.mIDIWhichFormat', {
    which:
      which === 'parts'
        ? say('dispatchCore.partOneByOne', { files: files.length })
        : say('dispatchCore.section', { files: files.length }),
    format,
  });
}

/** Standard MIDI Files. */
export const midi: Deliverer<'midi'> = { tasks, foretell };
