import { say } from '../../words';
import { sequencerClock } from '../../receivers/sequencer-clock';
import { scoreHeard } from '../../receivers/score-notes';
import { attempt, cueOf, inFolder, isMidi, isScore, nameOf, type ClaimKind, type Found, type ParcelFile } from './kind';

/** The studio's map against MIDI and score of the same cue: bars and seconds, what is counted in before them. */
export const mapBars: ClaimKind = {
  find: (files) =>
    files
      .filter((file) => isMidi(file) && inFolder('Studio')(file))
      .flatMap((map) => [...againstMidi(files, map), ...againstScore(files, map)]),
  says: ({ countIn, bars, within, against }, [map, other]) => {
    const counted = Number(countIn);
    return against === 'midi'
      ? say('verify.nameOfAndNameOf2BarCountedNone', {
          nameOf: nameOf(map),
          nameOf2: nameOf(other),
          bars: Number(bars),
          counted,
          within: String(within),
        })
      : say('verify.nameOfAndNameOf2BarCountedEachAs', {
          nameOf: nameOf(map),
          nameOf2: nameOf(other),
          bars: Number(bars),
          counted,
        });
  },
};

/** Bars counted in, as the map's first marker says. */
function countedIn(markers: readonly { text: string }[]): number {
  const said = /^count-in(?:, (\d+) bars)?$/.exec(markers[0]?.text ?? '');
  return said ? Number(said[1] ?? 1) : 0;
}

const ofCue = (files: readonly ParcelFile[], map: ParcelFile) =>
  files.filter(({ path }) => cueOf(path) === cueOf(map.path));

function againstMidi(files: readonly ParcelFile[], map: ParcelFile): Found[] {
  const own = ofCue(files, map).filter((file) => isMidi(file) && inFolder('MIDI')(file));
  const [clock, other] = [
    attempt(() => sequencerClock(map.bytes)),
    own[0] && attempt(() => sequencerClock(own[0]!.bytes)),
  ];
  if (own.length !== 1 || !clock || !other) return [];
  const countIn = countedIn(clock.markers);
  const music = clock.bars.slice(countIn);
  const bars = Math.min(music.length, other.bars.length);
  const begins = music[0]?.seconds ?? 0;
  const away = music.slice(0, bars).map(({ seconds }, i) => Math.abs(seconds - begins - other.bars[i]!.seconds) * 1000);
  const within = Math.ceil(Math.max(0, ...away));
  // Files of another line are not of one cue: nothing is claimed of them.
  return within > 50 ? [] : [{ about: [map.path, own[0]!.path], facts: { against: 'midi', countIn, bars, within } }];
}

function againstScore(files: readonly ParcelFile[], map: ParcelFile): Found[] {
  const own = ofCue(files, map).filter((file) => isScore(file) && inFolder('Score')(file));
  const [clock, score] = [attempt(() => sequencerClock(map.bytes)), own[0] && attempt(() => scoreHeard(own[0]!.bytes))];
  if (!clock || !score || score.folded) return [];
  const countIn = countedIn(clock.markers);
  const music = clock.bars.slice(countIn);
  const same =
    score.bars.length === music.length &&
    score.bars.every(({ length }, i) => {
      const next = music[i + 1]?.quarters;
      return next === undefined || Math.abs(next - music[i]!.quarters - length) < 0.01;
    });
  return same
    ? [{ about: [map.path, own[0]!.path], facts: { against: 'score', countIn, bars: music.length, within: 0 } }]
    : [];
}
