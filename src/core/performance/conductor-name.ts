/**
 * What stands behind the title in the name of a track without notes, so that nobody takes it for empty and deletes it.
 */
const SUFFIX = 'tempo, meter, markers';

export function conductorName(title: string): string {
  return title ? `${title} · ${SUFFIX}` : `${SUFFIX[0]!.toUpperCase()}${SUFFIX.slice(1)}`;
}

/** The piece's title in the name of its first track. */
export function titleFromConductor(name: string): string {
  if (name.toLowerCase() === SUFFIX) return '';
  return name.endsWith(` · ${SUFFIX}`) ? name.slice(0, -SUFFIX.length - 3) : name;
}
