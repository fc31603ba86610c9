import { say } from '../../words';
import { readerSees } from '../../receivers/strict-reader';
import { attempt, isScore, listIn, nameOf, type ClaimKind } from './kind';

/** What a strict notation reader counts in a score: names, bars, notes, transposition. */
export const scoreFile: ClaimKind = {
  find: (files) =>
    files.filter(isScore).flatMap(({ path, bytes }) => {
      const view = attempt(() => readerSees(bytes));
      if (!view) return [];
      return [
        {
          about: [path],
          facts: {
            version: view.version,
            title: view.title,
            parts: view.parts.map(({ name, notes, transposes }) =>
              say('verify.nameNotesNotesTransposesSemitones', { name, notes, transposes }),
            ),
            bars: Math.max(0, ...view.parts.map(({ measures }) => measures)),
            notes: view.parts.reduce((sum, { notes }) => sum + notes, 0),
            transposing: view.parts.filter(({ transposes }) => transposes !== 0).map(({ name }) => name),
            uneven: view.uneven.length,
            open: view.open.length,
          },
        },
      ];
    }),
  says: ({ version, title, parts, bars, notes, transposing, uneven, open }, [path]) => {
    const players = listIn(transposing);
    const transposed =
      players.length > 0
        ? say('verify.transposingPlayers', { players: players.join(', ') })
        : say('verify.noPartTransposes');
    const faults = [
      ...(Number(uneven) > 0 ? [say('verify.barNotAsLongAsTheMeter', { uneven: Number(uneven) })] : []),
      ...(Number(open) > 0 ? [say('verify.tieSlurOrTupletLeftOpen', { open: Number(open) })] : []),
    ];
    const titled = title === '' ? say('verify.withoutATitle') : say('verify.titled', { title: String(title) });
    return say('verify.nameOfMusicXMLVersionTitledPartBar', {
      nameOf: nameOf(path),
      version: String(version),
      titled,
      listIn: Number(listIn(parts).length),
      bars: Number(bars),
      notes: Number(notes),
      transposed,
      faultsOver0: faults.length > 0,
      faults: faults.join('; '),
    });
  },
};
