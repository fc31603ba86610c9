import { instrument as i } from '../instrument';

const section = { section: true } as const;

/* Ranges and transpositions: usual orchestration handbooks, from memory. Names: common practice, no source. */
export const voice = [
  i('soprano', 'Soprano | Sopran | Soprano | Soprano | Soprano', 'S.', 'treble', [60, 84], [53, 54], 'voice.soprano', {
    ...section,
    aliases: 'sop, sopr, sopranos, s1, s2, sopran, soprani',
  }),
  i(
    'mezzo-soprano',
    'Mezzo-soprano | Mezzosopran | Mezzosoprano | Mezzo-soprano | Mezzosoprano',
    'M.-S.',
    'treble',
    [57, 81],
    [53],
    'voice.mezzo-soprano',
    { aliases: 'mezzo' },
  ),
  i('alto', 'Alto | Alt | Contralto | Alto | Contralto', 'A.', 'treble', [53, 77], [53], 'voice.alto', {
    ...section,
    aliases: 'alt, altos, contralto voice, alti',
  }),
  i('tenor', 'Tenor | Tenor | Tenore | Ténor | Tenor', 'T.', 'treble-8vb', [48, 72], [53], 'voice.tenor', {
    ...section,
    aliases: 'ten, tenors, tenori',
  }),
  i(
    'baritone',
    'Baritone Voice | Bariton | Baritono | Baryton | Barítono',
    'Bar.',
    'bass',
    [43, 67],
    [53],
    'voice.baritone',
    { aliases: 'baritone solo, bariton solo' },
  ),
  i(
    'bass',
    'Bass Voice | Bass (Stimme) | Basso (voce) | Basse (voix) | Bajo (voz)',
    'B.',
    'bass',
    [40, 64],
    [53],
    'voice.bass',
    { ...section, aliases: 'basses choir, choir bass, bass voices, chor bass' },
  ),
  i('voice', 'Voice | Gesang | Voce | Voix | Voz', 'Vo.', 'treble', [48, 84], [54, 55, 86], 'voice.vocals', {
    aliases: 'vox, vocal, vocals, vo, lead vocal, singer, gesang, lead vox, canto, stimme',
  }),
  i('choir', 'Choir | Chor | Coro | Chœur | Coro', 'Ch.', ['treble', 'bass'], [40, 84], [53, 54, 92], 'voice.aa', {
    ...section,
    polyphonic: true,
    aliases: 'chor, coro, choeur, aahs, oohs, choir aah, choir ooh, chorus, satb',
    oneOrTwoStaves: true,
  }),
  i('women', 'Women | Frauen | Donne | Femmes | Mujeres', 'W.', 'treble', [53, 84], [], 'voice.female', {
    ...section,
    polyphonic: true,
    aliases: 'womens voices, female voices, female choir, ladies, frauenchor, frauenstimmen, girls',
  }),
  i('men', 'Men | Männer | Uomini | Hommes | Hombres', 'M.', 'bass', [40, 69], [], 'voice.male', {
    ...section,
    polyphonic: true,
    aliases: 'mens voices, male voices, male choir, mannerchor, mannerstimmen, gents',
    otherClefs: ['treble-8vb'],
  }),
];

export const strings = [
  i(
    'violin',
    'Violin | Violine | Violino | Violon | Violín',
    'Vln.',
    'treble',
    [55, 103],
    [41, 49, 50, 45, 46],
    'strings.violin',
    {
      ...section,
      easy: [55, 93],
      aliases:
        'vln, vlns, vn, vl, vno, vni, viol, violins, violinen, violini, violons, violines, geige, geigen, vlin, vlins, fiddle, vlo, vns',
      octaveLines: true,
    },
  ),
  i('viola', 'Viola | Bratsche | Viola | Alto | Viola', 'Vla.', 'alto', [48, 91], [42], 'strings.viola', {
    ...section,
    easy: [48, 84],
    aliases: 'vla, vlas, va, vle, violas, bratschen, br, violen, viole, altos cordes, vas, altviool',
    otherClefs: ['treble'],
  }),
  i(
    'cello',
    'Violoncello | Violoncello | Violoncello | Violoncelle | Violonchelo',
    'Vc.',
    'bass',
    [36, 76],
    [43],
    'strings.cello',
    {
      ...section,
      easy: [36, 72],
      aliases:
        'vc, vcl, vcs, cello, cellos, celli, vlc, violoncelli, violoncelles, vcll, vcello, violoncelle, vlcs, chelo, vlcl',
      otherClefs: ['tenor', 'treble'],
    },
  ),
  i(
    'double-bass',
    'Double Bass | Kontrabass | Contrabbasso | Contrebasse | Contrabajo',
    'Db.',
    'bass',
    [28, 67],
    [44, 33],
    'strings.contrabass',
    {
      ...section,
      transposition: 12,
      easy: [28, 62],
      aliases:
        'db, dbs, cb, cbs, kb, basses, contrabass, contrabasses, string bass, upright bass, acoustic bass, kontrabässe, contrabbassi, contrebasses, dbl bass, double basses, bassi, d bass, ctb, cbass, bs str, kontrab, contrabassi, str bass, str basses, string basses',
      keepsTime: true,
    },
  ),
  i(
    'string-section',
    'Strings | Streicher | Archi | Cordes | Cuerdas',
    'Str.',
    ['treble', 'bass'],
    [28, 103],
    [49, 50, 51, 52],
    'strings.group',
    {
      ...section,
      polyphonic: true,
      aliases:
        'str, strs, string, string ensemble, ensemble strings, strg, streich, archi, stgs, string section, full strings, strings full, string orchestra',
      oneOrTwoStaves: true,
      octaveLines: true,
    },
  ),
  i(
    'viol',
    'Viol | Gambe | Viola da gamba | Viole de gambe | Viola da gamba',
    'Viol',
    'alto',
    [38, 79],
    [43],
    'strings.viol',
    { aliases: 'gamba, gambe', otherClefs: ['treble'] },
  ),
  i(
    'hardanger-fiddle',
    'Folk Fiddle | Fiedel | Violino popolare | Violon populaire | Violín popular',
    'Fdl.',
    'treble',
    [55, 95],
    [111],
    'strings.fiddle',
    { aliases: 'folk fiddle' },
  ),
];
