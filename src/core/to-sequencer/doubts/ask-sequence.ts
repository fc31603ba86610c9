/* What is doubtful about a sequenced score; each with an id that stays the same while the place does. */
import { say } from '../../words';
import { queryId } from '../../base';
import { techniqueName } from '../../instruments';
import type { Query } from '../../queries';
import { mostBarsPlayed, type Score } from '../../score';
import { partSettings, type SequencerSettings } from '../../settings';
import { barLength } from '../../time';
import type { TimeLine } from '../timeline/time-line';
import type { SequencerTrack } from '../tracks/tracks';

interface Asked {
  score: Score;
  tracks: readonly SequencerTrack[];
  line: TimeLine;
  settings: SequencerSettings;
}

/** @param asked a score sequenced as one file */
export function askSequence(asked: Asked): Query[] {
  return [...repeatsQuery(asked), ...pickupQuery(asked), ...techniqueQueries(asked), ...portQuery(asked)];
}

function repeatsQuery({ line, score }: Asked): Query[] {
  const most = mostBarsPlayed(score.bars.length);
  if (line.bars.length < most) return [];
  return [
    {
      id: queryId('endless-repeats'),
      kind: 'endless-repeats',
      message: say('toSequencer.theRepeatsAndJumpsLeadToMoreThan', { most }),
    },
  ];
}

/** Nothing is moved where the piece is not taken from its beginning. */
function pickupQuery({ score, settings }: Asked): Query[] {
  const first = score.bars[0];
  if (!first || settings.padPickup || (settings.onlyBars?.from ?? 0) > 0) return [];
  const short = first.implicit && first.length < barLength(first.meter);
  if (!short) return [];
  return [
    {
      id: queryId('pickup'),
      kind: 'pickup',
      bar: 0,
      at: 0,
      message: say('toSequencer.theMusicBeginsWithAPickupInA'),
    },
  ];
}

function techniqueQueries({ score, tracks, settings }: Asked): Query[] {
  return score.parts.flatMap((part): Query[] => {
    const own = partSettings(settings, part.id);
    if (own.chart || own.split === 'technique') return [];
    const notes = tracks.filter((track) => track.part === part.id).flatMap((track) => track.notes);
    const told = notes.filter((note) => note.sound.technique);
    const techniques = [...new Set(told.flatMap((note) => note.sound.technique ?? []))];
    const [first] = told;
    if (!first) return [];
    return [
      {
        id: queryId(`silent-techniques/${part.id}`),
        kind: 'silent-techniques',
        part: part.id,
        bar: first.sound.bar,
        at: first.sound.written,
        message: say('toSequencer.partTechniquesIsWrittenAndNothing', {
          part: part.name,
          techniques: techniques.map(techniqueName).join(', '),
        }),
      },
    ];
  });
}

function portQuery({ tracks }: Asked): Query[] {
  const ports = new Set(tracks.map((track) => track.port)).size;
  if (ports < 2) return [];
  return [
    {
      id: queryId('several-ports'),
      kind: 'several-ports',
      message: say('toSequencer.tracksTracksNeedPortsPortsOf', { tracks: tracks.length, ports }),
    },
  ];
}
