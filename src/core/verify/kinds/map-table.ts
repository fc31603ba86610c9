import { inNumbers, say } from '../../words';
import Papa from 'papaparse';
import { sequencerClock } from '../../receivers/sequencer-clock';
import { attempt, cueOf, inFolder, isMidi, nameOf, type ClaimKind } from './kind';

type Row = Record<string, string>;

/** The table of times against the map: the same bars at the same seconds, and where bar 1 is. */
export const mapTable: ClaimKind = {
  find: (files) =>
    files
      .filter(({ path }) => /\.csv$/i.test(path) && inFolder('Lists')({ path, bytes: NOTHING }))
      .flatMap((table) => {
        const map = files.find(
          (file) => isMidi(file) && inFolder('Studio')(file) && cueOf(file.path) === cueOf(table.path),
        );
        const clock = map && attempt(() => sequencerClock(map.bytes));
        const rows = rowsOf(table.bytes);
        if (!map || !clock || rows.length === 0) return [];
        const away = rows.map((row) => {
          const bar = clock.bars[Number(row['bar in map']) - 1];
          return row.beat === '1' && bar ? Math.abs(Number(row.seconds) - bar.seconds) * 1000 : 0;
        });
        const one = rows.find(({ bar, beat }) => bar === '1' && beat === '1');
        const code = Object.entries(one ?? {}).find(([name]) => name.startsWith('time code'));
        return [
          {
            about: [table.path, map.path],
            facts: {
              bars: new Set(rows.map((row) => row['bar in map'])).size,
              within: Math.ceil(Math.max(0, ...away)),
              barOne: one ? Number(one['bar in map']) : null,
              seconds: one ? Number(one.seconds) : null,
              code: code ? say('verify.codeAtCode2', { code: code[1], code2: code[0].replace('time code ', '') }) : '',
            },
          },
        ];
      }),
  says: ({ bars, within, barOne, seconds, code }, [table, map]) => {
    const where =
      barOne === null
        ? say('verify.noBarIsBar1')
        : say('verify.bar1IsBarBarOneOfTheMapSecondsS', {
            barOne: String(barOne),
            seconds: inNumbers(Number(seconds), 3),
            code: String(code),
          });
    return say('verify.nameOfAndNameOf2BarNoneFurther', {
      nameOf: nameOf(table),
      nameOf2: nameOf(map),
      bars: Number(bars),
      within: String(within),
      where,
    });
  },
};

const NOTHING = new Uint8Array();

function rowsOf(bytes: Uint8Array): Row[] {
  const text = new TextDecoder().decode(bytes).trim();
  const { data, meta } = Papa.parse<Row>(text, { header: true });
  return meta.fields?.includes('bar in map') ? data : [];
}
