import { instrument as i } from '../instrument';

const grand = ['treble', 'bass'] as const;
const many = { polyphonic: true } as const;

/* Ranges and transpositions: usual orchestration handbooks, from memory. Names: common practice, no source. */
export const keyboard = [
  i('celesta', 'Celesta | Celesta | Celesta | Célesta | Celesta', 'Cel.', grand, [60, 108], [9], 'keyboard.celesta', {
    ...many,
    transposition: -12,
    aliases: 'cel, celeste, clst',
    oneOrTwoStaves: true,
    octaveLines: true,
  }),
  i('piano', 'Piano | Klavier | Pianoforte | Piano | Piano', 'Pno.', grand, [21, 108], [1, 2, 3, 4], 'keyboard.piano', {
    ...many,
    aliases: 'pno, pf, pn, klav, klavier, grand piano, grand, pianoforte, flügel, keys, upright, kbd, keyboard, pfte',
    octaveLines: true,
  }),
  i(
    'electric-piano',
    'Electric Piano | E-Piano | Piano elettrico | Piano électrique | Piano eléctrico',
    'E. Pno.',
    grand,
    [28, 100],
    [5, 6],
    'keyboard.piano.electric',
    {
      ...many,
      aliases: 'e piano, epiano, ep, elec piano, el piano, stage piano, el pno, epno',
      oneOrTwoStaves: true,
      octaveLines: true,
    },
  ),
  i(
    'harpsichord',
    'Harpsichord | Cembalo | Clavicembalo | Clavecin | Clave',
    'Hpschd.',
    grand,
    [29, 89],
    [7],
    'keyboard.harpsichord',
    { ...many, aliases: 'hpschd, hpd, cemb, clavicemb, clav, hpsd', oneOrTwoStaves: true, octaveLines: true },
  ),
  i(
    'clavichord',
    'Clavichord | Clavichord | Clavicordo | Clavicorde | Clavicordio',
    'Clvd.',
    grand,
    [36, 86],
    [8],
    'keyboard.clavichord',
    { ...many, oneOrTwoStaves: true, octaveLines: true },
  ),
  i(
    'organ',
    'Organ | Orgel | Organo | Orgue | Órgano',
    'Org.',
    grand,
    [36, 96],
    [20, 17, 18, 19, 21],
    'keyboard.organ',
    {
      ...many,
      aliases: 'org, pipe organ, church organ, drawbar organ, orgel, kirchenorgel, jazz organ',
      oneOrTwoStaves: true,
      octaveLines: true,
    },
  ),
  i(
    'harmonium',
    'Harmonium | Harmonium | Armonium | Harmonium | Armonio',
    'Harm.',
    grand,
    [29, 89],
    [21],
    'keyboard.harmonium',
    { ...many, aliases: 'reed organ, pump organ', oneOrTwoStaves: true, octaveLines: true },
  ),
  i(
    'accordion',
    'Accordion | Akkordeon | Fisarmonica | Accordéon | Acordeón',
    'Acc.',
    grand,
    [41, 93],
    [22, 24],
    'keyboard.accordion',
    {
      ...many,
      aliases: 'acc, accord, akk, accordeon, fisa, squeezebox, acdn, bandoneon, akkord',
      oneOrTwoStaves: true,
      octaveLines: true,
    },
  ),
  i(
    'synthesizer',
    'Synthesizer | Synthesizer | Sintetizzatore | Synthétiseur | Sintetizador',
    'Synth.',
    grand,
    [0, 127],
    [82, 81, 89, 90, 91, 92, 93, 94, 95, 96, 83, 84, 85, 86, 87, 88, 97, 98, 99, 100, 101, 102, 103, 104],
    'strings.group.synth',
    {
      ...many,
      aliases: 'synth, syn, pad, synth pad, synth lead, lead synth, poly synth, arp, sequence',
      oneOrTwoStaves: true,
      octaveLines: true,
    },
  ),
];

export const plucked = [
  i('harp', 'Harp | Harfe | Arpa | Harpe | Arpa', 'Hp.', grand, [24, 103], [47], 'pluck.harp', {
    ...many,
    aliases: 'hp, hrp, harps, hfe, hf, hpe, arpe',
    octaveLines: true,
  }),
  i(
    'guitar',
    'Classical Guitar | Gitarre | Chitarra | Guitare | Guitarra',
    'Gtr.',
    'treble',
    [40, 83],
    [25, 26],
    'pluck.guitar.nylon-string',
    {
      ...many,
      transposition: 12,
      aliases:
        'gtr, gt, git, guitar, acoustic guitar, ac gtr, nylon, steel guitar, chit, guit, ac guitar, agtr, acoustic gtr, nylon gtr, classical gtr, gitarren, a gtr',
      octaveLines: true,
    },
  ),
  i(
    'electric-guitar',
    'Electric Guitar | E-Gitarre | Chitarra elettrica | Guitare électrique | Guitarra eléctrica',
    'E. Gtr.',
    'treble',
    [40, 88],
    [28, 27, 29, 30, 31],
    'pluck.guitar.electric',
    {
      ...many,
      transposition: 12,
      aliases:
        'e gtr, egtr, el gtr, elec guitar, lead guitar, rhythm guitar, dist gtr, clean gtr, overdrive gtr, lead gtr, rhythm gtr, e git, elec gtr, jazz guitar, jazz gtr',
      octaveLines: true,
    },
  ),
  i(
    'bass-guitar',
    'Bass Guitar | E-Bass | Basso elettrico | Basse électrique | Bajo eléctrico',
    'B. Gtr.',
    'bass',
    [28, 67],
    [34, 35, 36, 37, 38, 39, 40],
    'pluck.bass.electric',
    {
      transposition: 12,
      aliases:
        'bass gtr, e bass, ebass, electric bass, el bass, fretless bass, slap bass, fingered bass, synth bass, bassgit, picked bass, elec bass, bajo, elbass',
      octaveLines: true,
      keepsTime: true,
    },
  ),
  i('ukulele', 'Ukulele | Ukulele | Ukulele | Ukulélé | Ukelele', 'Uke.', 'treble', [60, 81], [25], 'pluck.ukulele', {
    ...many,
    aliases: 'uke',
  }),
  i(
    'mandolin',
    'Mandolin | Mandoline | Mandolino | Mandoline | Mandolina',
    'Mdn.',
    'treble',
    [55, 88],
    [26],
    'pluck.mandolin',
    { ...many, aliases: 'mdn, mand' },
  ),
  i('banjo', 'Banjo | Banjo | Banjo | Banjo | Banjo', 'Bjo.', 'treble', [48, 86], [106], 'pluck.banjo', {
    ...many,
    transposition: 12,
    aliases: 'bjo',
  }),
  i('lute', 'Lute | Laute | Liuto | Luth | Laúd', 'Lt.', 'treble', [36, 79], [25], 'pluck.lute', {
    ...many,
    transposition: 12,
  }),
  i('zither', 'Zither | Zither | Cetra | Cithare | Cítara', 'Zith.', 'treble', [36, 88], [16], 'pluck.zither', {
    ...many,
  }),
  i('sitar', 'Sitar | Sitar | Sitar | Sitar | Sitar', 'Sit.', 'treble', [48, 84], [105], 'pluck.sitar', { ...many }),
  i('koto', 'Koto | Koto | Koto | Koto | Koto', 'Koto', 'treble', [48, 84], [108], 'pluck.koto', { ...many }),
];
