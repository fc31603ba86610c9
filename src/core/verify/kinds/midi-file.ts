import { say } from '../../words';
import { sequencerSees } from '../../receivers/plain-sequencer';
import { attempt, isMidi, listIn, nameOf, type ClaimKind } from './kind';

/** What a plain sequencer counts in a MIDI file. */
export const midiFile: ClaimKind = {
  find: (files) =>
    files.filter(isMidi).flatMap(({ path, bytes }) => {
      const view = attempt(() => sequencerSees(bytes));
      if (!view) return [];
      const sounding = view.tracks.filter(({ notes }) => notes > 0);
      return [
        {
          about: [path],
          facts: {
            format: view.format,
            ticksPerQuarter: view.ticksPerQuarter,
            tracks: sounding.map(({ name }) => name),
            notes: sounding.reduce((sum, { notes }) => sum + notes, 0),
            bars: view.bars,
            tempos: view.tempos,
            meters: view.meters,
            markers: view.markers,
          },
        },
      ];
    }),
  says: ({ format, ticksPerQuarter, tracks, notes, bars, tempos, meters, markers }, [path]) =>
    say('verify.nameOfMIDITypeFormat', {
      nameOf: nameOf(path),
      format: String(format),
      ticksPerQuarter: Number(ticksPerQuarter),
      listIn: Number(listIn(tracks).length),
      notes: Number(notes),
      bars: Number(bars),
      tempos: Number(tempos),
      meters: Number(meters),
      markers: Number(markers),
    }),
};
