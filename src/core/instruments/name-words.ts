/**
 * Cuts a track name into words that can be compared: lower case, accents folded, letters parted from digits,
 * punctuation gone, hyphens and camel case as gaps.
 *
 *     "VLN1_leg (Close)"  →  vln 1 leg close        "Flöte II"  →  flote ii
 */
export function nameWords(name: string): string[] {
  return name
    .replace(/♭/g, 'b')
    .replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2')
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/ß/g, 'ss')
    .toLowerCase()
    .replace(/(\p{L})(\d)/gu, '$1 $2')
    .replace(/(\d)(\p{L})/gu, '$1 $2')
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
}

const ROMAN: Record<string, number> = { i: 1, ii: 2, iii: 3, iv: 4, v: 5, vi: 6 };
const ORDINAL_ENDINGS = new Set(['st', 'nd', 'rd', 'th']);

export interface NameDetails {
  /** "Horn 3" → 3; "Violin II" → 2 */
  number: number | null;
  /** "a4" → 4 players on the track; "Hn 1-2" → 2 */
  players: number | null;
  /** Desk of a divided section: "Violin 1 B" → "B" */
  desk: string | null;
  hand: 'left' | 'right' | null;
  /** Whose staff the last word says: a hand's where the instrument has two staves, or nothing else is said. */
  staff: 'left' | 'right' | null;
  solo: boolean;
  /** Words that may name the instrument, in order. */
  words: string[];
}

const HANDS: Record<string, 'left' | 'right'> = {
  lh: 'left',
  left: 'left',
  linke: 'left',
  sinistra: 'left',
  gauche: 'left',
  rh: 'right',
  right: 'right',
  rechte: 'right',
  destra: 'right',
  droite: 'right',
};

/** Words about recording, files and programs that say nothing of the instrument. */
const CLUTTER = new Set(
  (
    'midi track inst instrument ch channel copy new close mid far room mic mics main mix stereo mono wet dry full patch library lib legacy pro hd lite v ' +
    'ks bus stem print bounce take comp edit final version rev rr dup dupl dupe dbl layer default untitled spur piste pista traccia kanal section sect sec div divisi unis ens ensemble hand hands hd mano main xml part staff staves stave system'
  ).split(' '),
);

/** Instruments built in several keys: a letter after them is the key, not the desk. */
const IN_KEYS =
  /^(cl|clar|clarinet|clarinett?[eio]?|klar|klarinette|tr|tpt|trp|trumpet|trompete|trompette|tromba|hn|hns|hr|cor|corno|horn|french|kornett?|cornet|picc|in)$/;

/** What a letter may count the desks of: a number, or an instrument that is built in one key. */
const isDesk = (previous: string) => /^(\d+|i+)$/.test(previous) || (previous.length > 1 && !IN_KEYS.test(previous));

/** “Piano up”, “down”: staves of an instrument that has two. */
const STAVES: Record<string, 'left' | 'right'> = {
  up: 'right',
  upper: 'right',
  down: 'left',
  lower: 'left',
  oben: 'right',
  unten: 'left',
};

/** Two numbers joined by a sign are two players: “Horn 2+4”. */
const PAIR = /\b(\d)\s*[+&]\s*(\d)\b/;

/** Splits off numbers, desks, hands and clutter, and leaves the words that matter. */
export function nameDetails(name: string): NameDetails {
  const details: NameDetails = {
    number: null,
    players: null,
    desk: null,
    hand: null,
    staff: null,
    solo: false,
    words: [],
  };
  const all = nameWords(name);
  all.forEach((word, i) => {
    const previous = all[i - 1];
    const next = all[i + 1];
    if (word === 'a' && next && /^[2-9]$/.test(next)) return;
    // Round robins of a sample library are counted, not players.
    if (previous === 'rr' && /^\d+$/.test(word)) return;
    if (/^\d+$/.test(word)) {
      if (previous === 'a' && /^[2-9]$/.test(word)) details.players = Number(word);
      else if (/^\d+$/.test(previous ?? '') && Number(word) > Number(previous) && Number(word) - Number(previous) < 8)
        details.players = Number(word) - details.number! + 1;
      else details.number ??= Number(word);
    } else if (ORDINAL_ENDINGS.has(word) && /^\d+$/.test(previous ?? '')) return;
    else if (HANDS[word]) details.hand = HANDS[word];
    else if (STAVES[word] && i === all.length - 1) details.staff = STAVES[word];
    else if (word === 'solo' || word === 'soli') details.solo = true;
    else if (ROMAN[word] && i > 0) details.number ??= ROMAN[word];
    else if (/^[a-d]$/.test(word) && i > 0 && i === all.length - 1 && isDesk(previous!))
      details.desk = word.toUpperCase();
    else if (!CLUTTER.has(word)) details.words.push(word);
  });
  if (PAIR.test(name)) details.players = 2;
  return details;
}
