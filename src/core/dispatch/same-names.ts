import { say } from '../words';
/* Whether the cues of a show call the same players by the same names: the stands of an evening are labelled once. */

export interface CueParts {
  /** Id of the cue. */
  id: string;
  name: string;
  parts: readonly { id: string; name: string; instrument: string }[];
}

/** A cue whose players of an instrument are called otherwise than in the others. */
export interface OddNames {
  cue: string;
  instrument: string;
  /** As this cue has them, where the others do not. */
  names: readonly string[];
  /** As the most cues have them. */
  others: readonly string[];
  /** By part of the cue: the name it would have; none where players cannot be told one for one. */
  rename: readonly { part: string; name: string }[];
  words: string;
}

/** @param cues in the order of the show */
export function oddNames(cues: readonly CueParts[]): OddNames[] {
  const instruments = new Set(cues.flatMap(({ parts }) => parts.map(({ instrument }) => instrument)));
  return [...instruments].flatMap((instrument) => oddOf(instrument, cues));
}

function oddOf(instrument: string, cues: readonly CueParts[]): OddNames[] {
  const own = cues
    .map((cue) => ({ cue, parts: cue.parts.filter((part) => part.instrument === instrument) }))
    .filter(({ parts }) => parts.length > 0);
  const model = modelOf(own.map(({ parts }) => parts.map(({ name }) => name)));
  return own.flatMap(({ cue, parts }): OddNames[] => {
    const strange = parts.filter(({ name }) => !model.includes(name));
    if (strange.length === 0) return [];
    // Where there are as many players, the first is the first.
    const rename = parts.length === model.length ? parts.map(({ id }, i) => ({ part: id, name: model[i]! })) : [];
    const names = strange.map(({ name }) => name);
    return [
      {
        cue: cue.id,
        instrument,
        names,
        others: model,
        rename: rename.filter(({ part, name }) => parts.some((one) => one.id === part && one.name !== name)),
        words: say('dispatchCore.cueHasListedWhereOtherCuesHave', {
          cue: cue.name,
          listed: listed(names),
          listed2: listed(model),
        }),
      },
    ];
  });
}

/** The list that most cues have; of several, the one with more players, which the others may be a part of. */
function modelOf(lists: readonly (readonly string[])[]): readonly string[] {
  const counts = new Map<string, { list: readonly string[]; cues: number }>();
  for (const list of lists) {
    const key = list.join('\n');
    counts.set(key, { list, cues: (counts.get(key)?.cues ?? 0) + 1 });
  }
  const holds = (list: readonly string[]) => lists.filter((other) => other.every((name) => list.includes(name))).length;
  const [first] = [...counts.values()].sort(
    (a, b) => holds(b.list) - holds(a.list) || b.cues - a.cues || b.list.length - a.list.length,
  );
  return first?.list ?? [];
}

/** "Horn 1, Horn 2 and Horn 3" */
function listed(names: readonly string[]): string {
  return names.length < 2
    ? (names[0] ?? '')
    : say('dispatchCore.namesAndNames2', { names: names.slice(0, -1).join(', '), names2: names.at(-1)! });
}
