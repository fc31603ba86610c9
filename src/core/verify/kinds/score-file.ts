import { readerSees } from '../../receivers/strict-reader';
import { attempt, isScore, listIn, many, nameOf, type ClaimKind } from './kind';

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
            parts: view.parts.map(
              ({ name, notes, transposes }) => `${name}: ${notes} notes, ${transposes} semitones to sounding pitch`,
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
    const transposed = players.length > 0 ? ` Transposing: ${players.join(', ')}.` : ' No part transposes.';
    const faults = [
      ...(Number(uneven) > 0 ? [`${many(uneven, 'bar')} not as long as the meter`] : []),
      ...(Number(open) > 0 ? [`${many(open, 'tie, slur or tuplet', 'ties, slurs or tuplets')} left open`] : []),
    ];
    const titled = title === '' ? 'without a title' : `“${String(title)}”`;
    return `${nameOf(path)}: MusicXML ${String(version)}, ${titled}, ${many(listIn(parts).length, 'part')}, ${many(bars, 'bar')}, ${many(notes, 'note head')}.${transposed}${faults.length > 0 ? ` ${faults.join('; ')}.` : ''}`;
  },
};
