import type { Language } from '../instrument';

/**
 * Usual abbreviations where they differ from the English one: German | Italian | French | Spanish. Usual orchestration
 * handbooks and engraved scores, from memory. What is not listed is abbreviated as in English.
 */
const TABLE: Record<string, string> = {
  piccolo: 'Kl. Fl. | Ott. | P. fl. | Flt.',
  flute: 'Fl. | Fl. | Fl. | Fl.',
  'alto-flute': 'Altfl. | Fl. c.alto | Fl. sol | Fl. alt.',
  oboe: 'Ob. | Ob. | Htb. | Ob.',
  'english-horn': 'E. H. | C. ing. | C. A. | C. ing.',
  'clarinet-bflat': 'Klar. | Cl. | Cl. | Cl.',
  'clarinet-a': 'Klar. | Cl. | Cl. | Cl.',
  'clarinet-eflat': 'Es-Klar. | Cl. picc. | P. cl. | Req.',
  'bass-clarinet': 'Bkl. | Cl. b. | Cl. b. | Cl. b.',
  bassoon: 'Fg. | Fg. | Bn. | Fg.',
  contrabassoon: 'Kfg. | Cfg. | C. bn. | Cfg.',
  'soprano-sax': 'S. Sax. | Sax. s. | Sax. s. | Sax. s.',
  'alto-sax': 'A. Sax. | Sax. c. | Sax. a. | Sax. a.',
  'tenor-sax': 'T. Sax. | Sax. t. | Sax. t. | Sax. t.',
  'baritone-sax': 'Bar. Sax. | Sax. bar. | Sax. bar. | Sax. bar.',
  'horn-f': 'Hr. | Cor. | Cor | Tpa.',
  'trumpet-bflat': 'Trp. | Tr. | Tpt. | Tpt.',
  'trumpet-c': 'Trp. | Tr. | Tpt. | Tpt.',
  trombone: 'Pos. | Trb. | Tbn. | Tbn.',
  'bass-trombone': 'Bpos. | Trb. b. | Tbn. b. | Tbn. b.',
  tuba: 'Tb. | Tb. | Tb. | Tb.',
  timpani: 'Pk. | Timp. | Timb. | Timb.',
  glockenspiel: 'Glsp. | Camp.lli | J. d. t. | Camp.',
  xylophone: 'Xyl. | Xil. | Xyl. | Xil.',
  'tubular-bells': 'Rgl. | Camp. | Cl. tub. | Camp.',
  'drum-kit': 'Schlzg. | Batt. | Batt. | Bat.',
  percussion: 'Schlw. | Perc. | Perc. | Perc.',
  'snare-drum': 'Kl. Tr. | Tamb. | C. cl. | Caja',
  'bass-drum': 'Gr. Tr. | G. C. | Gr. c. | Bombo',
  cymbals: 'Bck. | P.tti | Cym. | Plat.',
  triangle: 'Trgl. | Trgl. | Trgl. | Trgl.',
  piano: 'Klav. | Pf. | Pno. | Pno.',
  celesta: 'Cel. | Cel. | Cél. | Cel.',
  harpsichord: 'Cemb. | Cemb. | Clav. | Clave',
  organ: 'Org. | Org. | Org. | Órg.',
  harp: 'Hfe. | Arpa | Hpe. | Arpa',
  guitar: 'Git. | Chit. | Guit. | Guit.',
  'acoustic-guitar': 'W.-Git. | Chit. ac. | Guit. f. | Guit. ac.',
  violin: 'Vl. | Vl. | Vn. | Vln.',
  viola: 'Br. | Vla. | Alt. | Vla.',
  cello: 'Vc. | Vc. | Vc. | Vc.',
  'double-bass': 'Kb. | Cb. | Cb. | Cb.',
  'string-section': 'Str. | Archi | Cdes. | Cda.',
};

export function abbreviationsOf(id: string, english: string): Record<Language, string> {
  const [de = english, it = english, fr = english, es = english] = (TABLE[id] ?? '')
    .split('|')
    .map((word) => word.trim() || english);
  return { en: english, de, it, fr, es };
}
