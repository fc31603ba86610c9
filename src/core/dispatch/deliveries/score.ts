import { inList, say } from '../../words';
import type { PartId } from '../../base';
import { EXTRACTS } from '../../extracts';
import type { Recipe, ScoreWish } from '../../documents';
import type { DispatchDesk, Working } from '../dispatch-desk';
import type { Draft } from '../draft';
import type { Folder, Task } from '../task';
import type { Deliverer } from './deliverer';
import { extractsIn, extractsOf } from './extracts';

function* tasks(desk: DispatchDesk, wish: ScoreWish, { marks }: Recipe, date: string): Generator<Working, Task[]> {
  const how = { marks, date };
  const { format, version, concert, whole, parts } = wish;
  const { desk: score, summary } = yield* desk.converted();
  const file = (folder: Folder, part: { id: PartId; name: string } | null, number: number): Task => {
    // Without its marks it lacks much, as was wished; an extract is other music.
    const from = marks !== 'none' && !EXTRACTS.some(({ id }) => id === part?.id) ? score.cameFrom(part?.id) : null;
    const label = part?.name ?? (concert ? say('dispatchCore.scoreConcertPitch') : say('dispatchCore.score'));
    return {
      words: say('dispatchCore.musicXMLLabel', { label }),
      make: () => [
        {
          folder,
          label,
          number,
          extension: format,
          bytes: score.export(format, { ...how, concert, version, ...(part && { part: part.id }) }),
          bars: score.printedBars,
          ...(from && { from }),
          words: say('dispatchCore.musicXMLVersionOnePartConcertPitch', {
            version,
            part: Boolean(part),
            parts: summary.parts.length,
            concert: Boolean(concert),
          }),
        },
      ],
    };
  };
  return [
    ...(whole ? [file('Score', null, 0)] : []),
    ...(parts ? summary.parts.map((part, i) => file('Parts', part, i + 1)) : []),
    ...extractsOf(wish, summary).map((extract) => file('Score', extract, 0)),
  ];
}

function* foretell(draft: Draft, score: ScoreWish): Generator<Working, void> {
  const { summary } = yield* draft.desk.converted();
  draft.concern(summary.queries);
  const parts = summary.parts.length;
  const extracts = extractsIn(score, summary);
  const what = [
    ...(score.whole ? [say('dispatchCore.aScoreOfPart', { parts })] : []),
    ...(score.parts ? [say('dispatchCore.partOneByOne2', { parts })] : []),
    ...extracts,
  ];
  const pitch = score.concert ? say('dispatchCore.atConcertPitch') : say('dispatchCore.asPlayersReadIt');
  draft.says(
    say('dispatchCore.musicXMLVersionCompressedWhatPitch', {
      version: score.version,
      format: score.format,
      what: inList(what),
      pitch,
    }),
    Number(score.whole) + (score.parts ? parts : 0) + extracts.length,
  );
}

/** MusicXML. */
export const score: Deliverer<'score'> = { tasks, foretell };
