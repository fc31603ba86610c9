import { instrument as i } from '../instrument';

/*
 * Ranges and transpositions: usual orchestration handbooks, from memory; the ones listed in the project's check table are
 * tested against it. Names: common practice in each language, no source.
 */
export const woodwind = [
  i('piccolo', 'Piccolo | Piccoloflöte | Ottavino | Petite flûte | Flautín', 'Picc.', 'treble', [74, 108], [73], 'wind.flutes.flute.piccolo', { transposition: -12, amateur: [74, 103], aliases: 'pic, picc, kleine flöte, kl fl, flauto piccolo, ott, pte fl' }),
  i('flute', 'Flute | Flöte | Flauto | Flûte | Flauta', 'Fl.', 'treble', [59, 96], [74], 'wind.flutes.flute', { amateur: [60, 91], aliases: 'fl, flt, flutes, flöten, flauti, querflöte, grande flûte, fls' }),
  i('alto-flute', 'Alto Flute | Altflöte | Flauto contralto | Flûte en sol | Flauta contralto', 'A. Fl.', 'treble', [55, 91], [74], 'wind.flutes.flute.alto', { transposition: 5, aliases: 'alto fl, afl, a fl, flauto in sol' }),
  i('bass-flute', 'Bass Flute | Bassflöte | Flauto basso | Flûte basse | Flauta baja', 'B. Fl.', 'treble', [48, 84], [74], 'wind.flutes.flute.bass', { transposition: 12, aliases: 'bass fl, bfl' }),
  i('recorder-soprano', 'Soprano Recorder | Sopranblockflöte | Flauto dolce soprano | Flûte à bec soprano | Flauta dulce soprano', 'S. Rec.', 'treble', [72, 98], [75], 'wind.flutes.recorder.soprano', { transposition: -12, aliases: 'recorder, descant recorder, blockflöte, flauto dolce, flûte à bec, flauta dulce, rec' }),
  i('recorder-alto', 'Alto Recorder | Altblockflöte | Flauto dolce contralto | Flûte à bec alto | Flauta dulce contralto', 'A. Rec.', 'treble', [65, 91], [75], 'wind.flutes.recorder.alto', { aliases: 'treble recorder' }),
  i('recorder-tenor', 'Tenor Recorder | Tenorblockflöte | Flauto dolce tenore | Flûte à bec ténor | Flauta dulce tenor', 'T. Rec.', 'treble', [60, 86], [75], 'wind.flutes.recorder.tenor'),
  i('recorder-bass', 'Bass Recorder | Bassblockflöte | Flauto dolce basso | Flûte à bec basse | Flauta dulce baja', 'B. Rec.', 'bass', [53, 79], [75], 'wind.flutes.recorder.bass', { transposition: -12 }),
  i('tin-whistle', 'Tin Whistle | Tin Whistle | Tin whistle | Tin whistle | Flautín irlandés', 'T. Wh.', 'treble', [74, 98], [79], 'wind.flutes.whistle.tin', { transposition: -12, aliases: 'penny whistle, whistle' }),
  i('panpipes', 'Pan Flute | Panflöte | Flauto di Pan | Flûte de Pan | Flauta de Pan', 'Pan Fl.', 'treble', [55, 96], [76], 'wind.flutes.panpipes', { aliases: 'panpipes, pan pipes' }),
  i('ocarina', 'Ocarina | Okarina | Ocarina | Ocarina | Ocarina', 'Oc.', 'treble', [60, 89], [80], 'wind.flutes.ocarina'),
  i('oboe', 'Oboe | Oboe | Oboe | Hautbois | Oboe', 'Ob.', 'treble', [58, 91], [69], 'wind.reed.oboe', { amateur: [58, 86], aliases: 'ob, oboes, oboen, oboi, hb, htb, hautb' }),
  i('oboe-damore', "Oboe d'amore | Oboe d'amore | Oboe d'amore | Hautbois d'amour | Oboe de amor", "Ob. d'am.", 'treble', [56, 85], [69], 'wind.reed.oboe-damore', { transposition: 3 }),
  i('english-horn', 'English Horn | Englischhorn | Corno inglese | Cor anglais | Corno inglés', 'E. Hn.', 'treble', [52, 81], [70], 'wind.reed.english-horn', { transposition: 7, aliases: 'eng hn, eh, e hn, ehn, c ingl, cor angl, ca, engl horn, cor ang, eng horn, c a' }),
  i('clarinet-bflat', 'Clarinet in B♭ | Klarinette in B | Clarinetto in Si♭ | Clarinette en Si♭ | Clarinete en Si♭', 'Cl.', 'treble', [50, 94], [72], 'wind.reed.clarinet.bflat', { transposition: 2, amateur: [50, 86], aliases: 'cl, clar, clarinet, clarinets, klar, klarinette, klarinetten, clarinetto, clarinetti, clarinette, clarinete, clt, bb clarinet, bb cl, kl, clarinet bb' }),
  i('clarinet-a', 'Clarinet in A | Klarinette in A | Clarinetto in La | Clarinette en La | Clarinete en La', 'Cl.', 'treble', [49, 93], [72], 'wind.reed.clarinet.a', { transposition: 3, aliases: 'a clarinet, cl a, clar in a, cl in a' }),
  i('clarinet-eflat', 'Clarinet in E♭ | Klarinette in Es | Clarinetto piccolo | Petite clarinette | Requinto', 'E♭ Cl.', 'treble', [55, 98], [72], 'wind.reed.clarinet.eflat', { transposition: -3, aliases: 'eb clarinet, eb cl, e flat clarinet, es klarinette, cl eb, sopranino clarinet' }),
  i('alto-clarinet', 'Alto Clarinet | Altklarinette | Clarinetto contralto | Clarinette alto | Clarinete alto', 'A. Cl.', 'treble', [43, 82], [72], 'wind.reed.clarinet.alto', { transposition: 9, aliases: 'alto cl' }),
  i('basset-horn', 'Basset Horn | Bassetthorn | Corno di bassetto | Cor de basset | Corno di bassetto', 'B. Hn.', 'treble', [41, 82], [72], 'wind.reed.clarinet.basset', { transposition: 7 }),
  i('bass-clarinet', 'Bass Clarinet | Bassklarinette | Clarinetto basso | Clarinette basse | Clarinete bajo', 'B. Cl.', 'treble', [34, 77], [72], 'wind.reed.clarinet.bass', { transposition: 14, amateur: [37, 77], aliases: 'bass cl, bcl, b cl, basskl, bkl, cl b, clar basso, cl basse, bass clar, bs cl' }),
  i('contrabass-clarinet', 'Contrabass Clarinet | Kontrabassklarinette | Clarinetto contrabbasso | Clarinette contrebasse | Clarinete contrabajo', 'Cb. Cl.', 'treble', [26, 65], [72], 'wind.reed.clarinet.contrabass', { transposition: 26, aliases: 'contra clarinet, cb cl, contrabass cl' }),
  i('bassoon', 'Bassoon | Fagott | Fagotto | Basson | Fagot', 'Bsn.', 'bass', [34, 75], [71], 'wind.reed.bassoon', { amateur: [34, 67], aliases: 'bsn, bn, bssn, bassn, bassoons, fag, fg, fagotte, fagotti, bons, bon' }),
  i('contrabassoon', 'Contrabassoon | Kontrafagott | Controfagotto | Contrebasson | Contrafagot', 'Cbsn.', 'bass', [22, 53], [71], 'wind.reed.contrabassoon', { transposition: 12, aliases: 'cbsn, contra bassoon, cfag, c fag, kfg, kfag, double bassoon, contra bsn, cbn, cfg' }),
  i('soprano-sax', 'Soprano Saxophone | Sopransaxophon | Sassofono soprano | Saxophone soprano | Saxofón soprano', 'S. Sax.', 'treble', [56, 88], [65], 'wind.reed.saxophone.soprano', { transposition: 2, aliases: 'soprano sax, sop sax, s sax, ssax, sopransax, sax soprano, sopr sax, sax sop' }),
  i('alto-sax', 'Alto Saxophone | Altsaxophon | Sassofono contralto | Saxophone alto | Saxofón alto', 'A. Sax.', 'treble', [49, 81], [66], 'wind.reed.saxophone.alto', { transposition: 9, aliases: 'alto sax, a sax, asax, altsax, sax alto, as, sax contralto, saxo alto' }),
  i('tenor-sax', 'Tenor Saxophone | Tenorsaxophon | Sassofono tenore | Saxophone ténor | Saxofón tenor', 'T. Sax.', 'treble', [44, 76], [67], 'wind.reed.saxophone.tenor', { transposition: 14, aliases: 'tenor sax, t sax, tsax, tensax, tenorsax, sax tenor, ts, sax tenore, saxo tenor, sax ténor, ten sax' }),
  i('baritone-sax', 'Baritone Saxophone | Baritonsaxophon | Sassofono baritono | Saxophone baryton | Saxofón barítono', 'Bari. Sax.', 'treble', [36, 69], [68], 'wind.reed.saxophone.baritone', { transposition: 21, aliases: 'bari sax, baritone sax, b sax, bsax, baritonsax, sax baritono, bari, bs, sax baritone, saxo baritono, sax baryton, bar sax' }),
  i('bass-sax', 'Bass Saxophone | Basssaxophon | Sassofono basso | Saxophone basse | Saxofón bajo', 'B. Sax.', 'treble', [32, 63], [68], 'wind.reed.saxophone.bass', { transposition: 26, aliases: 'bass sax' }),
];
