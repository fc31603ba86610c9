import { say } from '@/core/words';
import { filesOfZip, verifyParcel, type Verdict } from '@/core/verify';
import * as Comlink from 'comlink';
import { serve } from './alive';
import { VerovioToolkit } from 'verovio/esm';
import createVerovioModule from 'verovio/wasm';
import { toEnd, type TrackId } from '@/core/base';
import { agreementInNumbers, type AgreementInNumbers } from '@/core/proof';
import {
  checkDelivered,
  deliver,
  DispatchDesk,
  packParcel,
  previewOf,
  withContents,
  type Book,
  type Checked,
  type ContentsOf,
  type Delivered,
  type Dispatched,
  type JobToSend,
  type Makers,
  type Preview,
  type Take,
} from '@/core/dispatch';
import type { Recipe } from '@/core/documents';
import { bookPages, coverOf } from '@/paper/sheets';
import { openRenderer, type Renderer } from '@/sound/offline';
import { wavOf } from '@/sound/wav';
import { answerOf } from './ask';

/*
 * Everything that leaves the house is made here, beside the desk: the job is converted as its ledger has it, files are written,
 * pages engraved, sound rendered, a parcel packed. It is stopped by ending the worker.
 */

let desk: DispatchDesk | null = null;
/** The user's or ours. */
let bank: ArrayBuffer | null = null;
let toolkit: Promise<VerovioToolkit> | null = null;
const renderers = new Map<number, Promise<Renderer>>();

export type OnShare = (words: string, share: number) => void;

/** What a dispatch has made. */
export interface Sending {
  /** None where they were put into the parcel. */
  files: Delivered[];
  /** Of all, with their sizes in bytes. */
  made: { path: string; size: number; words: string }[];
  checked: Checked[];
}

/** What stands on a parcel's contents sheet beside its files. */
export type About = Omit<ContentsOf, 'files'>;

/** Files that wait for the parcel to be packed. */
let waiting: Delivered[] = [];

/** What the list of a show wants to know of a cue. */
export interface CueFacts {
  bars: number;
  seconds: number;
  openQueries: number;
  agreement: AgreementInNumbers;
  parts: { id: string; name: string; instrument: string }[];
}

const makers: Makers = {
  async pdf(book: Book, onShare) {
    toolkit ??= createVerovioModule().then((module) => new VerovioToolkit(module));
    const steps = bookPages(await toolkit, book);
    let step = steps.next();
    for (; !step.done; step = steps.next()) onShare(step.value);
    const cover = coverOf(book);
    const body = { title: book.title, paper: book.paper, pages: step.value, ...(cover && { cover }) };
    return answerOf('/api/pdf', body, say('workers.bookThePDFCouldNotBeMade', { book: book.title }));
  },
  async wav({ stretches, gain }: Take, sampleRate, onShare) {
    if (!bank) throw new Error(say('workers.noSoundBank'));
    // The bank may be read again for another rate.
    const renderer = renderers.get(sampleRate) ?? openRenderer(bank.slice(0), sampleRate);
    renderers.set(sampleRate, renderer);
    const steps = wavOf(await renderer, stretches, sampleRate, gain);
    let step = steps.next();
    for (; !step.done; step = steps.next()) onShare(step.value);
    return step.value;
  },
};

const api = {
  /** Lays a job out; the one before is cleared. */
  load(job: JobToSend): void {
    desk = new DispatchDesk(job);
  },

  takeBank(bytes: ArrayBuffer): void {
    bank = bytes;
    renderers.clear();
  },

  /** @throws SmfError or MusicXmlError when an original cannot be used so */
  preview: (recipe: Recipe): Preview => toEnd(previewOf(onDesk(), recipe)),

  /** Makes everything the recipe asks for. @param under folder of the parcel the files wait in; null hands them over */
  async send(recipe: Recipe, how: Dispatched, under: string | null, onShare: OnShare): Promise<Sending> {
    const files = await madeOf(recipe, how, onShare);
    onShare(say('workers.readingItBack'), 1);
    const checked = files.flatMap((file) => checkDelivered(file) ?? []);
    const made = files.map(({ path, bytes, words }) => ({ path, size: bytes.length, words }));
    if (under === null) return Comlink.transfer({ files, made, checked }, buffersOf(files));
    waiting.push(...files.map((file) => ({ ...file, path: under === '' ? file.path : `${under}/${file.path}` })));
    return { files: [], made, checked };
  },

  emptyParcel(): void {
    waiting = [];
  },

  /** One zip of what waits, with contents and sums. */
  async pack(about: About): Promise<Uint8Array> {
    const files = waiting;
    waiting = [];
    const bytes = packParcel(await withContents({ ...about, files }), about.date);
    return Comlink.transfer(bytes, [bytes.buffer]);
  },

  /** A parcel held against its own claims. @throws Error with one sentence when it is none */
  verify: (bytes: Uint8Array): Promise<Verdict[]> => verifyParcel(filesOfZip(bytes)),

  /** Tracks with notes, as the house list asks for them. */
  tracks: (): { id: TrackId; name: string }[] => onDesk().tracks(),

  /** What a show's list says of the job that is laid out. @throws SmfError or MusicXmlError */
  facts(): CueFacts {
    const current = onDesk();
    const { desk: made, summary } = toEnd(current.made());
    const { seconds } = made.timeLine();
    return {
      bars: summary.bars.length,
      seconds,
      openQueries: current.open(summary.queries).length,
      agreement: agreementInNumbers(made.agreement()),
      parts: summary.parts.map(({ id, name, instrument }) => ({ id, name, instrument })),
    };
  },
};

/** The page draws what it is told: it is told no oftener than people can read. */
const TELL_EVERY_MS = 120;

function seldom(onShare: OnShare): OnShare {
  let told = 0;
  return (words, share) => {
    const now = performance.now();
    if (now - told < TELL_EVERY_MS) return;
    told = now;
    onShare(words, share);
  };
}

async function madeOf(recipe: Recipe, how: Dispatched, tell: OnShare): Promise<Delivered[]> {
  const files: Delivered[] = [];
  const onShare = seldom(tell);
  for await (const step of deliver(onDesk(), recipe, how, makers, onShare)) {
    files.push(...step.files);
    onShare(step.words, step.share);
  }
  // Originals stay where they are; what is handed over is a copy.
  return files.map((file) => (file.path.startsWith('Originals/') ? { ...file, bytes: file.bytes.slice() } : file));
}

const buffersOf = (files: readonly Delivered[]) => [...new Set(files.map(({ bytes }) => bytes.buffer))];

function onDesk(): DispatchDesk {
  if (!desk) throw new Error('No job is laid out.');
  return desk;
}

export type DispatchApi = typeof api;

serve(api);
