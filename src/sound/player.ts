/*
 * Plays stretch after stretch: hands messages on a moment before they sound, asks for what follows in good time, and tells
 * where in the bars it is.
 */
import { placeAt, timeOf, type HeardPlace, type Stretch, type SynthChannel } from '@/core/hearing';
import { freshChannels, inOrder, isRelease, messagesOf, SENT_AHEAD, type TimedMessage } from './messages';
import type { Sink } from './sinks';

/** What follows is asked for so long before it is needed. */
const FETCH_AHEAD = 4;
const LATENCY = 0.06;
/** Sound dies away after the last note. */
const TAIL = 1.5;

export interface PlayOptions {
  /** Share of the first stretch's first bar that is left out; or seconds into the stretch. */
  from?: number;
  /** 0.5 plays at half the tempo; pitch stays. */
  rate?: number;
  /** What comes after a stretch: it goes on, or begins again; null at the end. */
  following?: (stretch: Stretch) => Promise<{ stretch: Stretch; again: boolean } | null>;
  onEnd?: () => void;
}

/** A stretch on the sink's clock. */
interface Laid {
  stretch: Stretch;
  /** When its beginning sounds, or would. */
  at: number;
  from: number;
}

export class Player {
  private readonly laid: Laid[] = [];
  private queue: TimedMessage[] = [];
  private asked = false;
  private ended = false;
  private timer: ReturnType<typeof setInterval> | null = null;
  private readonly rate: number;
  private closes = Infinity;

  constructor(
    private readonly sink: Sink,
    private readonly options: PlayOptions = {},
  ) {
    this.rate = options.rate ?? 1;
  }

  /** @param at a time of the sink's clock @param from seconds into the stretch */
  start(stretch: Stretch, { at = this.sink.now() + LATENCY, from = 0 } = {}): void {
    this.sink.prepare(stretch.channels);
    this.queue = freshChannels(stretch.channels, at);
    this.lay(stretch, at - from / this.rate, from, false);
    this.hand();
    this.timer = setInterval(() => this.hand(), (SENT_AHEAD / 5) * 1000);
  }

  /** Where it is now, or at a time of the sink's clock. */
  place(at = this.sink.now()): HeardPlace | null {
    const laid = this.laid.findLast((one) => one.at + one.from / this.rate <= at) ?? this.laid[0];
    return laid ? placeAt(laid.stretch, Math.max(laid.from, (at - laid.at) * this.rate)) : null;
  }

  /** Says no more. @param at from then on: it goes on until then, and what sounds is released */
  leave(at?: number): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    this.ended = true;
    if (at !== undefined)
      for (const message of this.queue)
        if (message.at < at || isRelease(message)) this.sink.send({ ...message, at: Math.min(message.at, at) });
    this.queue = [];
  }

  private lay(stretch: Stretch, at: number, from: number, cut: boolean): void {
    const messages = messagesOf(stretch, { from, cut });
    for (const message of messages) this.queue.push({ ...message, at: at + message.at / this.rate });
    inOrder(this.queue);
    this.laid.push({ stretch, at, from });
    if (this.laid.length > 4) this.laid.shift();
  }

  private hand(): void {
    if (this.ended) return;
    const now = this.sink.now();
    let sent = 0;
    while (sent < this.queue.length && this.queue[sent]!.at <= now + SENT_AHEAD) this.sink.send(this.queue[sent++]!);
    this.queue = this.queue.slice(sent);
    const last = this.laid.at(-1)!;
    const ends = last.at + last.stretch.end / this.rate;
    if (!this.asked && now > ends - FETCH_AHEAD) this.ask(last, ends);
    if (now > this.closes && this.queue.length === 0) {
      this.leave();
      this.options.onEnd?.();
    }
  }

  private ask(last: Laid, ends: number): void {
    this.asked = true;
    const lastNote = last.stretch.notes.reduce((end, note) => Math.max(end, note.at + note.seconds), last.stretch.end);
    const close = () => void (this.closes = last.at + lastNote / this.rate + TAIL);
    if (!this.options.following) return close();
    this.options.following(last.stretch).then(
      (next) => {
        if (this.ended) return;
        if (!next) return close();
        this.asked = false;
        // An answer that comes late makes a gap, no heap of notes.
        const at = Math.max(ends, this.sink.now() + LATENCY);
        if (next.again) this.cutAt(at, last.stretch.channels);
        this.lay(next.stretch, at, 0, false);
      },
      () => close(),
    );
  }

  /** Ends what sounds beyond a place that is jumped away from. */
  private cutAt(at: number, channels: readonly SynthChannel[]): void {
    this.queue = this.queue.map((message) => (message.at > at ? { ...message, at } : message));
    this.queue.push(...freshChannels(channels, at).filter(({ bytes }) => bytes[1] === 123 || bytes[1] === 121));
    inOrder(this.queue);
  }
}

/** Seconds into a stretch at which a place is: a first bar begins with what is early in it. */
export function secondsAt(stretch: Stretch, place: HeardPlace): number {
  const { bar, pass } = stretch.bars[0]!;
  return place.share === 0 && place.bar === bar && place.pass === pass ? 0 : timeOf(stretch, place);
}
