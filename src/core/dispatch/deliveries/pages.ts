import { say, withinASentence } from '../../words';
import type { PartId } from '../../base';
import type { PagesWish, Recipe } from '../../documents';
import type { DispatchDesk, Working } from '../dispatch-desk';
import { type Draft } from '../draft';
import type { Sheet } from '../makers';
import type { Task } from '../task';
import type { Deliverer } from './deliverer';
import { extractsIn, extractsOf } from './extracts';

function* tasks(desk: DispatchDesk, wish: PagesWish, { marks }: Recipe): Generator<Working, Task[]> {
  const { desk: score, summary } = yield* desk.converted();
  const { composer } = score;
  const { concert, cover, paper, barNumbers } = wish;
  const title = summary.title || desk.job.name;
  const book = (label: string, number: number, sheets: () => Sheet[], words: string): Task => ({
    words: say('dispatchCore.pagesLabel', { label }),
    make: async (makers, onShare) => [
      {
        folder: 'Pages',
        label,
        number,
        extension: 'pdf',
        bytes: await makers.pdf({ title, composer, cover, paper, barNumbers, sheets: sheets() }, onShare),
        bars: null,
        words,
      },
    ],
  });
  const whole = () => [{ mei: score.sheet(null, concert, marks), name: '', staffMillimetres: wish.scoreStaff }];
  const one = ({ id, name }: { id: PartId; name: string }): Sheet => ({
    mei: score.sheet(id, concert, marks),
    name,
    staffMillimetres: wish.partStaff,
  });
  const extracts = extractsOf(wish, summary).map((extract) =>
    book(
      extract.name,
      0,
      () => [one(extract)],
      say('dispatchCore.pDFPaperExtract', { paper, extract: withinASentence(extract.name) }),
    ),
  );
  return [
    ...(wish.score ? [book(say('dispatchCore.score'), 0, whole, say('dispatchCore.pDFPaperTheScore', { paper }))] : []),
    ...(wish.parts
      ? summary.parts.map((part, i) =>
          book(part.name, i + 1, () => [one(part)], say('dispatchCore.pDFPaperOnePart', { paper })),
        )
      : []),
    ...(wish.allParts
      ? [
          book(
            say('dispatchCore.parts'),
            0,
            () => summary.parts.map(one),
            say('dispatchCore.pDFPaperAllPartsOneAfterTheOther', { paper }),
          ),
        ]
      : []),
    ...extracts,
  ];
}

function* foretell(draft: Draft, pages: PagesWish): Generator<Working, void> {
  const { summary } = yield* draft.desk.converted();
  draft.concern(summary.queries);
  const parts = summary.parts.length;
  const extracts = extractsIn(pages, summary);
  const what = [
    ...(pages.score ? [say('dispatchCore.theScore')] : []),
    ...(pages.parts ? [say('dispatchCore.partOneByOne2', { parts })] : []),
    ...(pages.allParts ? [say('dispatchCore.allPartsInOneFile')] : []),
    ...extracts,
  ];
  const paper = pages.paper === '9x12' ? '9 × 12 in' : pages.paper;
  draft.says(
    say('dispatchCore.pDFOnPaperWhatPageTurnsAreLeftTo', { paper, what: what.join(', ') }),
    Number(pages.score) + Number(pages.allParts) + (pages.parts ? parts : 0) + extracts.length,
  );
}

/** Pages as PDF. */
export const pages: Deliverer<'pages'> = { tasks, foretell };
