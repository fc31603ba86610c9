import type { Seconds } from '../../../time';

/*
 * What the search for leads was set to, on seeds 1 to 3 of bench/lead-cases.ts and of the corpus (bench/takes.ts); reported on
 * others in docs/accuracy.md. `npm run vary` says what another value does to those tables.
 */
export const LEADS = {
  /** Offsets that are tried, and the step between them. */
  earliest: 0.32 as Seconds,
  latest: -0.1 as Seconds,
  step: 0.01 as Seconds,
  /** How far a hand misses the place it means, usually. */
  spread: 0.02 as Seconds,
  /** Nats of an onset that stands on no place at all: twice it is as unlikely as a hand gets. */
  outlier: 4.5,
  /** Smaller ones are not worth a correction: rounding takes care of them. */
  negligible: 0.012 as Seconds,
  /** Two leads nearer than this are one. */
  apart: 0.05 as Seconds,

  /** Nats an onset for the file as it is, where it stands on a grid as well as with a lead taken out. */
  believed: 0.25,
  /** Nats an onset by which a lead brings a track closer to the grid, beyond doubt. */
  muchCloser: 0.4,
  /** Nats for a lead of any size: most tracks have none. */
  any: 8,
  /** The same of what is struck or plucked: it sounds at once. */
  anyStruck: 20,
  /** Nats a second: people play ahead of the beat far more often than behind it, and seldom far ahead. */
  early: 6,
  farEarly: 30,
  /** From here on it is far. */
  far: 0.2 as Seconds,
  late: 40,

  /** Nats for an onset that falls together with another track's. */
  together: 0.5,
  /** What counts as struck together: two hands' errors. */
  togetherWithin: 0.025 as Seconds,
  /** Share of the onsets that must fall together more with a lead taken out than without. */
  leastGain: 0.12,
  /** The same of what is struck or plucked. */
  leastGainStruck: 0.3,
  /** Nats by which they must fall together better than at any other offset that is no larger. */
  leastUnique: 4,
  /** What counts as no larger, of a lead. */
  asLarge: 1.2,
  /** So far around an offset others that fit as well are looked for. */
  around: 0.45 as Seconds,
  /** Of the usual distance between a track's onsets: a lead is shorter. */
  mostOfDistance: 0.45,
  /** The same of what is struck or plucked: after-beats are a third of the way from the beat and more. */
  mostOfDistanceStruck: 0.3,
  /** Of a beat, where the onsets come plainly closer to the grid for it. */
  mostOfBeat: 0.5,
  /** With fewer onsets of others near nothing can be heard together. */
  leastWitnessed: 6,

  /** Nats that are one step of certainty, for as many onsets as a phrase has and for each more. */
  certainty: 3,
  certaintyAnOnset: 1 / 150,
  /** Other tracks surer than this are listened to. */
  sureWitness: 0.9,
  mostCompany: 10,
  /** Onsets of a track that are weighed, in stretches spread over the piece. */
  mostOnsets: 180,
  stretches: 6,

  /** Share of exact onsets from which the file itself says the lead of a track. */
  mostlyExact: 0.5,
  /** A file as a whole stands no further beside its barlines, and nats for it. */
  mostOfFile: 0.1 as Seconds,
  wholeFile: 12,
  /** Nats a second. */
  fileSize: 20,
  /** Nats an onset by which each track may fit another offset better than the file's, and nats for all. */
  fileSlack: 0.05,
  fileSlackInAll: 3,
  /** Share of the onsets that fall together in a file that is early as a whole. */
  fileTogether: 0.5,
  /** Tracks that are all early by the same, as near as that, are one file that is early. */
  alike: 0.008 as Seconds,
  /** Further ahead than people play. */
  unheardOf: 0.26 as Seconds,
  /** A lead that brings the onsets so much closer has something to it, whatever the others play. */
  plainlyCloser: 0.5,
  /** Of what the onsets leave over without it: a lead that leaves more brings them no closer. */
  noCloser: 0.9,

  /** Share of held notes between beats and half beats from which a rhythm is seldom meant. */
  seldomWritten: 0.6,

  /** Where off-beats may lie: even, and in the swings people play, as a share of the beat. */
  offBeats: [0.5, 0.56, 0.6, 0.64] as readonly number[],
  /** Nats an onset for off-beats that are not even. */
  uneven: 0.05,
  /** After-beats are let go before this share of the way to the next note; so are nearly all of them. */
  detached: 0.75,
  detachedShare: 0.7,
  /** Nats for after-beats that are held. */
  detachedOnly: 12,
} as const;

/** A lead less certain than this is asked about, not taken out. */
export const LEAST_LEAD_CONFIDENCE = 0.6;
/** One less certain than this is not asked about either. */
export const LEAST_ASKED_CONFIDENCE = 0.3;
/** As sure as nothing is that is taken out. */
export const IN_DOUBT = LEAST_LEAD_CONFIDENCE - 0.01;
