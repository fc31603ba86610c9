import { say } from '../../words';
import { sequencerSees } from '../../receivers/plain-sequencer';
import { textOf } from '../../receivers/strict-reader';
import { attempt, isMidi, isScore, listIn, nameOf, type ClaimKind } from './kind';

/** What a file does not have: mixer data, moving faders, layout. Only what is absent is claimed. */
export const absent: ClaimKind = {
  find: (files) => [
    ...files.filter(isMidi).flatMap(({ path, bytes }) => {
      const view = attempt(() => sequencerSees(bytes));
      if (!view) return [];
      const none = [
        ...(view.mixerData === 0 ? [say('verify.volumePanReverbOrChorus')] : []),
        ...(view.contested.length === 0 ? [say('verify.channelWithTwoSounds')] : []),
        ...(view.tracks.every(({ hanging }) => hanging === 0) ? [say('verify.hangingNote')] : []),
      ];
      return none.length > 0 ? [{ about: [path], facts: { none } }] : [];
    }),
    ...files.filter(isScore).flatMap(({ path, bytes }) => {
      const text = attempt(() => textOf(bytes));
      return text !== null && !/<(?:defaults|page-layout|system-layout|measure-layout)\b|default-x=/.test(text)
        ? [{ about: [path], facts: { none: [say('verify.pageLayout')] } }]
        : [];
    }),
  ],
  says: ({ none }, [path]) =>
    say('verify.nameOfHasNoListIn', { nameOf: nameOf(path), listIn: listIn(none).join(', no ') }),
};
