/**
 * Usual words for tempo in Italian, German, French and English, at the start of a text (music dictionaries, from
 * memory).
 */
const TEMPO_WORDS =
  /^(?:(?:molto|poco|meno|più|piu|un poco|sehr|ziemlich|etwas|très|assez)\s+)?(?:grave|largo|larghetto|lento|adagio|adagietto|andante|andantino|moderato|allegretto|allegro|vivace|vivo|presto|prestissimo|rit\b|ritard|rall|accel|string|a tempo|tempo|mosso|langsam|mäßig|mässig|schnell|lebhaft|bewegt|ruhig|lent|modéré|vif|animé|rubato|slow|fast|medium|swing|straight(?!\s+mute)|ballad|waltz|march|brightly|freely|broadly)/i;

export function isTempoWords(text: string): boolean {
  return TEMPO_WORDS.test(text.trim());
}
