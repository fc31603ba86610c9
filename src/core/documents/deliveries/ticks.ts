/** Ticks per quarter that programs usually write. */
export const TICKS = [96, 120, 192, 240, 384, 480, 960, 1920].map((ticks) => [ticks, String(ticks)] as const);

/** What a Standard MIDI File can say: fifteen bits; below 24 no sixteenth falls on a tick. */
export const TICK_BOUNDS = { from: 24, to: 32767 };
