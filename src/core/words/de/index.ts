import { audition } from './audition';
import { casting } from './casting';
import { castingCore } from './casting-core';
import { decisions } from './decisions';
import { dispatch } from './dispatch';
import { dispatchCore } from './dispatch-core';
import { documents } from './documents';
import { doubts } from './doubts';
import { engine } from './engine';
import { extracts } from './extracts';
import { hand } from './hand';
import { home } from './home';
import { intake } from './intake';
import { interlinear } from './interlinear';
import { job } from './job';
import { jump } from './jump';
import { musicxml } from './musicxml';
import { page } from './page';
import { performance } from './performance';
import { proof } from './proof';
import { queries } from './queries';
import { receivers } from './receivers';
import { rhythm } from './rhythm';
import { shared } from './shared';
import { show } from './show';
import { smf } from './smf';
import { storage } from './storage';
import { studio } from './studio';
import { time } from './time';
import { timeline } from './timeline';
import { toSequencer } from './to-sequencer';
import { verify } from './verify';
import { workers } from './workers';
import { workspace } from './workspace';
import { base } from './base';
import { score } from './score';
import { instruments } from './instruments';
import { manual } from './manual';
import { cli } from './cli';
import { server } from './server';

/** All that is said, in German. */
export const GERMAN = {
  manual,
  cli,
  server,
  instruments,
  score,
  base,
  audition,
  casting,
  castingCore,
  decisions,
  dispatch,
  dispatchCore,
  documents,
  doubts,
  engine,
  extracts,
  hand,
  home,
  intake,
  interlinear,
  job,
  jump,
  musicxml,
  page,
  performance,
  proof,
  queries,
  receivers,
  rhythm,
  shared,
  show,
  smf,
  storage,
  studio,
  time,
  timeline,
  toSequencer,
  verify,
  workers,
  workspace,
};
