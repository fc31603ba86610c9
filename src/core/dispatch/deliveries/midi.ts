import type { MidiWish } from '../../documents';
import { sequencerSees } from '../../receivers/plain-sequencer';
import type { DispatchDesk, Working } from '../dispatch-desk';
import { many, number, type Draft } from '../draft';
import type { Task } from '../task';
import type { Deliverer } from './deliverer';

const MIDI_FILES = [
  { wish: 'whole', files: 'one', words: 'the whole piece' },
  { wish: 'parts', files: 'parts', words: 'one part' },
  { wish: 'sections', files: 'sections', words: 'one section' },
] as const;

function* tasks(desk: DispatchDesk, wish: MidiWish): Generator<Working, Task[]> {
  const all: Task[] = [];
  const { summary } = yield* desk.sequenced();
  const played = 'order' in summary ? summary.order.length : summary.bars.length;
  for (const { wish: which, files, words } of MIDI_FILES) {
    if (!wish[which]) continue;
    const made = yield* desk.midiFiles(wish, files);
    all.push({
      words: `MIDI: ${words}`,
      make: () =>
        made.map(({ label, bytes }, i) => ({
          folder: 'MIDI',
          label: files === 'one' ? '' : label || `Section ${i + 1}`,
          number: files === 'one' ? 0 : i + 1,
          extension: 'mid',
          bytes,
          bars: files === 'one' ? played : null,
          words: `Standard MIDI File, ${words}`,
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
    draft.says(`Of ${many(length, 'original')} only the first MIDI file is exported as MIDI.`, 0);
}

/** Read back from the bytes: it is the file that is described, not what it was meant to be. */
function midiInWords(
  which: 'whole' | 'parts' | 'sections',
  files: readonly { label: string; bytes: Uint8Array }[],
): string {
  const seen = files.map(({ bytes }) => sequencerSees(bytes));
  const [first] = seen;
  if (!first) return 'No MIDI file: there is nothing to put in it.';
  const mixer = seen.some(({ mixerData }) => mixerData > 0)
    ? `${many(
        seen.reduce((sum, one) => sum + one.mixerData, 0),
        'mixer event',
      )} (volume, pan, reverb, chorus)`
    : 'no mixer data';
  const format = `type ${first.format}, ${number(first.ticksPerQuarter)} ticks per quarter, ${mixer}`;
  if (which === 'whole')
    return `MIDI: ${format}, ${many(first.tracks.filter(({ notes }) => notes > 0).length, 'track')} with notes and a first one for tempo, meters and markers.`;
  return `MIDI, ${which === 'parts' ? `${many(files.length, 'part')} one by one` : many(files.length, 'section')}: ${format}.`;
}

/** Standard MIDI Files. */
export const midi: Deliverer<'midi'> = { tasks, foretell };
