import { MOST_PLAYERS, type CastPart } from '../casting';
import { CATALOGUE } from '../instruments';
import { keyName, type Query } from '../score';
import { SMALLEST_VALUES, VALUE_LENGTH, type Conversion, type SmallestValue } from '../to-score';
import type { Decision } from './decisions';

/** A decision that answers a query, with the words on its button. */
export interface Remedy {
  label: string;
  decision: Decision;
  /** Further decisions that belong to it. */
  also?: Decision[];
}

/** The remedies a query offers, the likeliest first. Setting it aside is always possible and not among them. */
export function remediesFor(query: Query, conversion: Pick<Conversion, 'casting' | 'score'>): Remedy[] {
  switch (query.kind) {
    case 'unknown-instrument': {
      const cast = conversion.casting.tracks.find((track) => track.id === query.track);
      const candidates = cast?.recognition.candidates.slice(0, 3) ?? [];
      return [
        ...candidates.map(({ instrument }): Remedy => ({
          label: instrumentName(instrument),
          decision: { kind: 'assignInstrument', tracks: [query.track!], instrument },
        })),
        { label: 'Leave this track out', decision: { kind: 'leaveOut', tracks: [query.track!] } },
      ];
    }
    case 'out-of-range': {
      const part = conversion.casting.parts.find((candidate) => candidate.id === query.part);
      return part ? [...octaves(query, part), ...otherInstruments(part, conversion)] : [];
    }
    case 'unmapped-drum': {
      const names = String(query.facts?.names).split('|');
      const key = Number(query.facts?.key);
      return String(query.facts?.near)
        .split(' ')
        .filter(Boolean)
        .map((as, i) => ({
          label: `It is ${names[i]} (${as})`,
          decision: { kind: 'setDrumKey', part: query.part!, key, as: Number(as) },
        }));
    }
    case 'impossible-chord': {
      const part = conversion.score.parts.find((candidate) => candidate.id === query.part);
      return part?.tablature
        ? [
            {
              label: 'Notation without tablature',
              decision: {
                kind: 'setTablature',
                part: part.id,
                show: 'notation',
                tuning: part.tablature.tuning,
                capo: part.tablature.capo,
              },
            },
          ]
        : [];
    }
    case 'repeat': {
      const { from, length, times, endings } = query.facts as Record<'from' | 'length' | 'times' | 'endings', number>;
      return [
        {
          label: endings > 0 ? 'Repeat signs with endings' : 'Repeat signs',
          decision: { kind: 'foldRepeat', from, length, times, endings },
        },
      ];
    }
    case 'key-change': {
      const facts = query.facts!;
      const key = { fifths: Number(facts.fifths), mode: facts.mode as 'major' | 'minor' };
      const to = Number(facts.to);
      const back: Decision[] =
        to < conversion.score.bars.length
          ? [{ kind: 'setKey', fifths: Number(facts.backFifths), mode: facts.backMode as 'major' | 'minor', bar: to }]
          : [];
      return [{ label: keyName(key), decision: { kind: 'setKey', ...key, bar: Number(facts.from) }, also: back }];
    }
    case 'off-grid':
      return [
        otherGrid(query, 'Allow thirty-second notes in this part', '32nd', true),
        otherGrid(query, 'Allow sixteenth notes and triplets', '16th', true),
        otherGrid(query, 'Sixteenth notes, no triplets', '16th', false),
      ];
    case 'one-step': {
      const by = Number(query.facts?.by);
      const moves = query.played!.map((note) => ({ note, by }));
      const one: Remedy = {
        label: `As in ${String(query.facts?.as)}`,
        decision: { kind: 'moveNotes', part: query.part!, moves },
      };
      return query.facts?.all
        ? [
            one,
            {
              label: 'All like this in the part',
              decision: {
                kind: 'moveNotes',
                part: query.part!,
                moves: JSON.parse(String(query.facts.all)) as { note: number; by: number }[],
              },
            },
          ]
        : [one];
    }
    case 'tuplet': {
      const smallest = smallestValue(Number(query.facts?.smallest));
      const bar = Number(query.facts?.bar);
      const plain = { kind: 'setGrid', part: query.part!, smallest, triplets: false } as const;
      return [
        { label: 'Plain values in this bar', decision: { ...plain, bars: { from: bar, to: bar + 1 } } },
        { label: 'No triplets in this part', decision: plain },
        { label: 'It is a triplet', decision: { kind: 'dismissQuery', query: query.id, reason: 'It is a triplet' } },
      ];
    }
    case 'short-rest':
      return [
        { label: 'Close gaps up to a sixteenth', decision: { kind: 'setGaps', part: query.part!, upTo: '16th' } },
      ];
    case 'merged':
      return [
        { label: 'Once is right', decision: { kind: 'dismissQuery', query: query.id, reason: 'Once is right' } },
        otherGrid(query, 'Allow thirty-second notes in this part', '32nd', true),
      ];
    case 'staves':
      return [
        { label: 'Two staves', decision: { kind: 'setStaves', part: query.part!, staves: 2 } },
        { label: 'One staff', decision: { kind: 'setStaves', part: query.part!, staves: 1 } },
      ];
    case 'one-drum':
      return [
        {
          label: 'It is one drum',
          decision: {
            kind: 'setDrumKey',
            part: query.part!,
            key: Number(query.facts?.other),
            as: Number(query.facts?.key),
          },
          also: [{ kind: 'dismissQuery', query: query.id, reason: 'It is one drum' }],
        },
        {
          label: 'Two drums, one place',
          decision: { kind: 'dismissQuery', query: query.id, reason: 'Two drums, one place' },
        },
      ];
    case 'doubled': {
      const { as, name } = query.facts ?? {};
      return [
        { label: `As in ${String(name)}`, decision: { kind: 'writeAs', part: query.part!, as: String(as) } },
        {
          label: 'As each plays it',
          decision: { kind: 'writeAs', part: query.part!, as: query.part! },
          also: [{ kind: 'dismissQuery', query: query.id, reason: 'As each plays it' }],
        },
      ];
    }
    case 'many-sounds':
      return [
        { label: 'A line for each', decision: { kind: 'splitTrack', track: query.track!, by: 'sounds' } },
        { label: 'One staff', decision: { kind: 'dismissQuery', query: query.id, reason: 'One staff' } },
      ];
    case 'bar-repeats':
      return [
        { label: 'Repeat signs', decision: { kind: 'setBarRepeats', part: query.part!, on: true } },
        { label: 'Written out', decision: { kind: 'dismissQuery', query: query.id, reason: 'Written out' } },
      ];
    case 'audit':
      return auditRemedies(query);
    case 'swing':
      return [
        {
          label: 'It swings',
          decision: {
            kind: 'setSwing',
            ratio: Math.round(Number(query.facts?.ratio) * 100) / 100,
            ...(query.facts?.unit === '16th' && { unit: '16th' }),
          },
        },
        { label: 'Write it as played', decision: { kind: 'setSwing', ratio: 1 } },
      ];
    case 'lead': {
      const milliseconds = Number(query.facts?.ms);
      return [
        { label: `Take out ${milliseconds} ms`, decision: { kind: 'setLead', track: query.track!, milliseconds } },
        { label: 'It is on the beat', decision: { kind: 'setLead', track: query.track!, milliseconds: 0 } },
      ];
    }
    case 'empty-track':
      return [{ label: 'Leave it out', decision: { kind: 'leaveOut', tracks: [query.track!] } }];
    case 'duplicate-track':
      return [{ label: 'Leave it out', decision: { kind: 'leaveOut', tracks: [query.track!] } }];
    case 'keyswitch':
      return [
        {
          label: 'Take them out',
          decision: {
            kind: 'setKeyswitches',
            track: query.track!,
            meanings: String(query.facts?.keys)
              .split(' ')
              .map((key) => ({ key: Number(key), technique: 'none' })),
          },
        },
        { label: 'They are notes', decision: { kind: 'setKeyswitches', track: query.track!, meanings: [] } },
      ];
    case 'gather':
      return [
        {
          label: 'Gather into one part',
          decision: { kind: 'gather', tracks: [String(query.facts?.into), query.track!] },
        },
        { label: 'Two parts', decision: { kind: 'standAlone', tracks: [query.track!] } },
      ];
    case 'players': {
      const players = Math.min(Number(query.facts?.players), MOST_PLAYERS);
      const usual = { to: 'players', players, spare: 'double', lines: 'smooth', order: 'straight' } as const;
      const choir: Remedy = {
        label: 'String choir',
        decision: { kind: 'dealOut', track: query.track!, deal: { ...usual, to: 'string-choir', players: 5 } },
      };
      const dealt: Remedy = {
        label: `${players} players, doubling (a2)`,
        decision: { kind: 'dealOut', track: query.track!, deal: usual },
      };
      const resting: Remedy = {
        label: `${players} players, resting`,
        decision: { kind: 'dealOut', track: query.track!, deal: { ...usual, spare: 'rest' } },
      };
      const together: Remedy = {
        label: 'Keep on one part',
        decision: { kind: 'dealOut', track: query.track!, deal: { ...usual, players: 1 } },
      };
      return query.facts?.choir ? [choir, together] : [dealt, resting, together];
    }
    case 'crowded': {
      const players = Number(query.facts?.players) + 1;
      return players > MOST_PLAYERS
        ? []
        : [
            {
              label: `Deal out to ${players} players`,
              decision: {
                kind: 'dealOut',
                track: query.track!,
                deal: { to: 'players', players, spare: 'double', lines: 'smooth', order: 'straight' },
              },
            },
          ];
    }
    case 'collision':
      return [{ label: 'Make it a part of its own', decision: { kind: 'standAlone', tracks: [query.track!] } }];
    case 'house-list':
      return [
        {
          label: `As the house list says: ${instrumentName(String(query.facts?.instrument))}`,
          decision: { kind: 'assignInstrument', tracks: [query.track!], instrument: String(query.facts?.instrument) },
        },
        ...(() => {
          const cast = conversion.casting.tracks.find((track) => track.id === query.track);
          return cast
            ? [
                {
                  label: `As the file says: ${cast.instrument.names.en}`,
                  decision: { kind: 'assignInstrument', tracks: [cast.id], instrument: cast.instrument.id },
                } as Remedy,
              ]
            : [];
        })(),
      ];
    case 'mixed-channels':
      return [{ label: 'Split it by channel', decision: { kind: 'splitTrack', track: query.track! } }];
    case 'key-signature': {
      const key = { fifths: Number(query.facts?.fifths), mode: query.facts?.mode as 'major' | 'minor' };
      const take: Remedy = { label: keyName(key), decision: { kind: 'setKey', ...key } };
      return query.id.endsWith('default')
        ? [take, { label: 'C major', decision: { kind: 'setKey', fifths: 0, mode: 'major' } }]
        : [take];
    }
    default:
      return [];
  }
}

/**
 * What the audit found: notes can go back to where they were played, trills can be written out, the rest can only be
 * looked at.
 */
function auditRemedies(query: Query): Remedy[] {
  const { cause, moves } = query.facts ?? {};
  const looked = (label: string): Remedy => ({
    label,
    decision: { kind: 'dismissQuery', query: query.id, reason: label },
  });
  if (cause === 'trills')
    return [
      looked('Trills are right'),
      { label: 'Write every note', decision: { kind: 'setOrnaments', part: query.part!, on: false } },
    ];
  if (cause === 'displaced')
    return [
      {
        label: 'Back to where the file has them',
        decision: {
          kind: 'moveNotes',
          part: query.part!,
          moves: JSON.parse(String(moves)) as { note: number; by: number }[],
        },
      },
    ];
  return [looked('Looked at')];
}

/** Another grid for the part. What lies beside that one too was looked at and is settled. */
function otherGrid({ id, part }: Query, label: string, smallest: SmallestValue, triplets: boolean): Remedy {
  return {
    label,
    decision: { kind: 'setGrid', part: part!, smallest, triplets },
    also: [{ kind: 'dismissQuery', query: id, reason: label }],
  };
}

/** The octaves in which all the notes would lie within the range. */
function octaves({ played, facts, part: id }: Query, { instrument }: CastPart): Remedy[] {
  const key = facts?.key;
  if (!played) return [];
  if (facts?.octave !== undefined) {
    const semitones = Number(facts.octave);
    return [
      {
        label: `The whole part ${octavesInWords(semitones)}`,
        decision: { kind: 'shiftNotes', part: id!, notes: played, semitones },
      },
    ];
  }
  if (key === undefined) return [];
  return [12, -12, 24, -24]
    .filter((by) => Number(key) + by >= instrument.range[0] && Number(key) + by <= instrument.range[1])
    .slice(0, 1)
    .map((semitones) => ({
      label: capital(octavesInWords(semitones)),
      decision: { kind: 'shiftNotes', part: id!, notes: played, semitones },
    }));
}

/** "an octave higher" */
function octavesInWords(semitones: number): string {
  return `${Math.abs(semitones) === 12 ? 'an octave' : 'two octaves'} ${semitones > 0 ? 'higher' : 'lower'}`;
}

const capital = (words: string) => words[0]!.toUpperCase() + words.slice(1);

/** Instruments that have every note of the part: first what the track was taken for, then its family in score order. */
function otherInstruments(part: CastPart, { casting }: Pick<Conversion, 'casting'>): Remedy[] {
  const keys = part.notes.map((note) => note.key);
  const [low, high] = keys.reduce(([a, b], key) => [Math.min(a, key), Math.max(b, key)], [127, 0]);
  const candidates = casting.tracks.find((track) => track.id === part.tracks[0])?.recognition.candidates ?? [];
  const rank = (id: string) => {
    const at = candidates.findIndex((candidate) => candidate.instrument === id);
    return at < 0 ? candidates.length : at;
  };
  return CATALOGUE.filter(
    (one) => one.id !== part.instrument.id && !one.unpitched && one.range[0] <= low! && one.range[1] >= high!,
  )
    .filter((one) => one.family === part.instrument.family || rank(one.id) < candidates.length)
    .sort((a, b) => rank(a.id) - rank(b.id) || a.scoreOrder - b.scoreOrder)
    .slice(0, 3)
    .map((one) => ({
      label: `Write it for ${one.names.en}`,
      decision: { kind: 'assignInstrument', tracks: part.tracks, instrument: one.id },
    }));
}

/** The smallest value that allows a length. */
function smallestValue(units: number): SmallestValue {
  return SMALLEST_VALUES.find((value) => VALUE_LENGTH[value] <= units) ?? '32nd';
}

function instrumentName(id: string): string {
  return CATALOGUE.find((instrument) => instrument.id === id)?.names.en ?? id;
}
