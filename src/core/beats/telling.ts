/* How much the place within so many beats or pulses tells of what is found on them. */

/** A pulse may slip in free playing: what comes back is looked for within so many. */
const WINDOW = 84;
const FEWEST = 28;
/** Marks that differ by less are alike. */
const ALIKE = 1e-6;

/**
 * How much the place within so many pulses tells of what stands out on them: the share of the variance that lies between
 * the places (one-way analysis of variance, adjusted for the number of places; from memory).
 *
 * @param marks how much each pulse stands out @returns up to 1; 0 or a little less for nothing, 0 for too few pulses
 */
export function tellingOf(marks: readonly number[], length: number): number {
  let [told, of] = [0, 0];
  for (let from = 0; from + Math.max(FEWEST, 4 * length) <= marks.length; from += WINDOW) {
    const window = marks.slice(from, from + WINDOW);
    const whole = squares(window) / (window.length - 1);
    let within = 0;
    for (let place = 0; place < length; place++) within += squares(window.filter((_, i) => i % length === place));
    if (whole > ALIKE) told += window.length * (1 - within / (window.length - length) / whole);
    of += window.length;
  }
  return of > 0 ? told / of : 0;
}

/** How much more the place among three tells than that among two or four; below 0 where those tell more. */
export const threesOverTwos = (values: readonly number[]): number =>
  tellingOf(values, 3) - Math.max(tellingOf(values, 2), tellingOf(values, 4));

/** Sum of the squared distances from the mean. */
function squares(values: readonly number[]): number {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
}
