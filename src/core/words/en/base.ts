export const base = {
  andMore: '{named} and {more} more',
  quoted: '“{name}”',
} as const;
