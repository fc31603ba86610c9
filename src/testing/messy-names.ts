/**
 * Track names of the kind that arrives, with the instrument a reader would say they mean. All invented; what they mean
 * is common practice, no source. Names that mean nothing stand under `nobody`.
 */
const LIST: Record<string, string> = {
  piccolo:
    'Picc | PICC FLT | Piccolo 1 | Picc. leg | Flauto piccolo | Ottavino | Petite flûte stacc | Piccoloflöte | Flautín',
  flute:
    'FL1 | Fl. 2 | Flt 1 leg | Flutes a2 | Flöte 1 | Flöten | Flauti | Flauto II | Flûte solo | Flauta 3 | flute_trill_close | Fls unis | 1st Flute | FLUTE LONG (mid mics)',
  'alto-flute': 'Alto Flute | Alt Fl | Altflöte sus | Flauto in sol | Fl. alto | A.Fl.',
  'bass-flute': 'Bass Flute | Bassflöte | B. Fl. leg',
  oboe: 'OB | Oboe 1 | Ob. 2 stacc | Oboes | Oboi a2 | Hautbois | Htb 1 | Hb. 2 | Oboen | oboe_solo_legato | 2nd Oboe',
  'english-horn':
    'EH | Eng Hn | Cor Anglais leg | C.A. | Englischhorn | Corno inglese | Engl. Hn | English Horn solo | Cor Ang',
  'clarinet-bflat':
    'Cl 1 | CL.2 | Clar. I | Clarinet Bb | Klarinette | Klar. 2 | Clarinetti a2 | Clarinette 1 | Clarinete | BbCl_room | Clarinets (B flat) | Clar stac | Kl. 1',
  'clarinet-a': 'Clarinet in A | Cl in A 1 | A Clarinet | Klarinette in A',
  'clarinet-eflat': 'Eb Clarinet | Es-Klarinette | Cl Eb | E flat Clarinet',
  'bass-clarinet': 'B.Cl. | BCL leg | Bass Clar | Bassklarinette | Clarinetto basso | Bass Cl (Bb) | Clarinette basse',
  bassoon: 'BSN 1 | Bn 2 | Fag. stacc | Fagott I | Fagotti | Basson 1 | Bassoons a2 | Fagot | Bssn short | Bsns leg',
  contrabassoon: 'CBSN | Cfg | K-Fag | Kontrafagott | Contra Bassoon | Controfagotto | Contrebasson | Dbl Bassoon',
  'soprano-sax': 'Sop Sax | Soprano Sax | SSax | Sax soprano',
  'alto-sax': 'Alto Sax 1 | ASax 2 | Altsax | Sax Alto I | A. Sax | Alto Saxophone (jazz) | Saxo alto',
  'tenor-sax': 'Tenor Sax | TSax 1 | Ten Sax growl | Tenorsax 2 | T.Sax | Sax Tenor',
  'baritone-sax': 'Bari | Bari Sax | BariSax_sub | Sax baritono | Baritonsax | Bar. Sax',
  'horn-f':
    'HN 1 | Horn 3 | Hns a4 | Hn in F (sus) | F Horns | Hörner 1-2 | Corni | Corno 2 con sord | Cors | Cor 3 en fa | Trompa | FRENCH HORNS long | Hrns stopped | Fr. Hn 4 | HORNS_leg_far',
  'trumpet-bflat':
    'TPT 1 | Tpts a3 | Trp. 2 | Trumpet 3 muted | Trompete 1 | Trompeten | Tromba II | Trombe | Trompette 2 | Trompeta | Trpt cup | 1st Tpt (lead) | TRUMPETS short | Trpts marc',
  'trumpet-c': 'Tpt in C | C Trumpet 1 | Trompete in C',
  cornet: 'Cornet 1 | Cornets | Kornett | Solo Cornet | Cnt 2',
  flugelhorn: 'Flugel | Flghn | Flügelhorn | Flug. 1 | Fluegelhorn',
  trombone:
    'TBN 1 | Tbn. 2 | Trb 3 | Tbns a3 | Posaune 1 | Posaunen | Tromboni | Trombones sfz | Trombone tenore | Pos. 2 | Bones | T-bone 2 | Tenor Tbn | Trombón 1',
  'bass-trombone': 'B.Tbn | Bass Tbn | BTBN leg | Bassposaune | Trombone basso | Bass Trb | Bs. Tbn.',
  tuba: 'TUBA | Tba | Tuba long | Basstuba | Tubas stac',
  euphonium: 'Euph | Euphonium 1 | Euphoniums | Eufonio',
  timpani: 'TIMP | Timps | Timpani hits | Pauken | Pk. | Timbales orch | Timp roll p-f | Kettledrums',
  glockenspiel: 'Glock | Glsp | Glockenspiel hard | GLK | Campanelli | Jeu de timbres',
  xylophone: 'Xylo | XYL | Xylophon | Xilofono | Xylophone (soft)',
  marimba: 'Marimba | Mar. trem | Mba | Marimba rolls',
  vibraphone: 'Vibes | Vib. | Vibraphon | Vibrafono bowed | Vibr motor off',
  'tubular-bells': 'Tub Bells | Tubular Bells | Chimes | Röhrenglocken | Campane tubolari | Cloches',
  crotales: 'Crotales | Crot. bowed | Crotali',
  'drum-kit': 'Drums | DRUM KIT | Kit | Drumset | Schlagzeug | Batteria | Batterie | Slagverk KIT | Dr. | Drumkit room',
  percussion: 'Perc | Percussion 1 | PERC 2 | Slagverk | Schlagwerk | Percussioni | Perkussion',
  'snare-drum': 'Snare | SD rolls | Snare Drum | Kleine Trommel | Caisse claire | Side Drum',
  'bass-drum': 'BD | Bass Drum | Gran Cassa | Große Trommel | Grosse caisse | GC hits',
  cymbals: 'Cymbals | Cym. | Piatti | Becken | Crash Cymbals | Cyms',
  'suspended-cymbal': 'Sus Cym | Susp. Cymbal roll | Suspended Cymbal',
  'tam-tam': 'Tam tam | Tamtam | Gong',
  triangle: 'Triangle | Trgl | Triangel | Triangolo',
  tambourine: 'Tamb | Tambourine | Tamburin',
  shaker: 'Shaker | Egg Shaker | Shakers loop',
  congas: 'Congas | Conga lo',
  taiko: 'Taiko | Taikos low',
  'wood-block': 'Woodblock | Wood Blocks',
  piano:
    'Piano | PNO | Grand pno | Pf. | Piano LH | Piano RH | Klavier | Pianoforte | Flügel | Upright Piano | Kl. rechte Hand | Pno soft',
  'electric-piano': 'E-Piano | EP | Elec Piano | Epno trem | Electric Piano',
  celesta: 'Celesta | Cel. | Céleste | Celeste soft',
  harpsichord: 'Harpsichord | Cembalo | Clavecin | Hpschd | Clavicembalo',
  organ: 'Organ | Orgel | Pipe Organ | Church Organ full | Orgue | Organo',
  accordion: 'Accordion | Akkordeon | Fisarmonica | Accord.',
  harp: 'HARP | Hp. | Harfe gliss | Arpa | Harpe | Hrp | Harp LH',
  'acoustic-guitar': 'Acoustic Guitar | Ac Gtr strum',
  guitar: 'Gtr | Nylon Gtr | Gitarre | Chitarra | Guitare | Guitarra | Classical Guitar',
  'electric-guitar': 'E-Gtr | Electric Guitar | EGtr dist | Elec Gtr clean | E-Gitarre | Lead Gtr',
  'bass-guitar':
    'E-Bass | Bass Gtr | Bass Guitar | Electric Bass | Slap Bass | Fretless Bass | Elec Bass DI | Basso elettrico',
  banjo: 'Banjo | Bjo',
  mandolin: 'Mandolin | Mandoline | Mand. trem',
  ukulele: 'Uke | Ukulele',
  soprano: 'Sopranos | Sop 1 | Sopran | Soprani',
  alto: 'Altos | Alti | Contralto',
  tenor: 'Tenors | Tenore 1 | Tenori',
  choir: 'Choir | Chor Aahs | Coro | Choir oohs soft | Chœur | Choir full mf',
  voice: 'Vox | Lead Vocal | Voice | Gesang | Vocals | Singer',
  violin:
    'VLN 1 | Vln. 2 leg | VN1 spicc | V1 trem close | Violins I | Violins II pizz | Violinen 1 | Geigen | Violini II | Violons 1 | Violín | 1st Violins | VIOLIN solo | Vl. I | Vlns 2 con sord | Violin 1 B | Fiddle | Vni I | Violine 2',
  viola:
    'VLA | Vlas leg | Violas pizz | Bratsche | Bratschen trem | Viole | Va. | VA sus far | Altos (cordes) | Vla div',
  cello:
    'VC | Vc. leg 02 | Vcl | Cello | Cellos spicc | Celli | Violoncelli | Violoncelles | CELLI con sord | Vlc. pizz | Violoncello solo | Vcs long',
  'double-bass':
    'DB | CB | Kb pizz | Basses | Contrabass | Contrabassi | Kontrabass | Contrebasses | Double Bass arco | Str Bass | Upright Bass | DBs stac | Kontrabässe | Cbs leg | Contrabajo',
  'string-section':
    'Strings | STR sus | Strings pad | Streicher | Archi | Cordes | Full Strings leg | String Ensemble | Str. ens. | Hi Strings',
  'recorder-soprano': 'Recorder | Soprano Recorder | Blockflöte',
  'music-box': 'Music Box | Spieldose',
  'steel-drums': 'Steel Drums | Steelpan',
  'wagner-tuba': 'Wagner Tuba | Wagnertuben',
  'sleigh-bells': 'Sleigh Bells | Sleighbells shake',
  nobody:
    'MIDI 07 | Inst 12 | Track 3 | Untitled | Audio 1 | New Instrument | MIDI Ch. 4 | Take 2 comp | Bus 3 | Copy of 5 | Click | Sketch | Layer B | Atmos 2 | Pulse low | Texture',
};

/** Written after the catalogue was last changed, and never tuned on. */
const HELD_OUT: Record<string, string> = {
  flute: 'Flt.3 (tight) | FLUTES_A2_stac | Querflöte | Flauto 2 tr.',
  piccolo: 'Picc/solo | PICCOLO fl.',
  oboe: 'OB1_expr | Oboe d. 2 spiel',
  'clarinet-bflat': 'Clars a2 leg | KLAR 1 | clarinet1-LEG-far | Cl (B) 2',
  'bass-clarinet': 'BsCl | Bass-Cl. sus',
  bassoon: 'Fagott II stacc | BSN_a2 | Bassoon(s)',
  'horn-f': 'Horn 2+4 | HN_unis_marc | Horns (open) | Corno 4 chiuso | Hn3/mute',
  'trumpet-bflat': 'Trp I-II | Trumpet_3_harmon | TRPS a4 stab | Tpt1 | Tromba 1 sord.',
  trombone: 'Tbn1-3 | Trombone 2_dyn | TRB a2 cresc | Pos. III',
  'bass-trombone': 'Bs Trb sus | Bass Trombone 4',
  tuba: 'Tuba (sub) | TUBA_stac_01',
  timpani: 'Timpani ff | Pauken Wirbel',
  harp: 'Harp_gliss_up | Hrp. LH',
  celesta: 'Celesta oct',
  piano: 'Piano (felt) | PNO RH low',
  'drum-kit': 'Drums (brushes) | Schlagzeug Set',
  'bass-guitar': 'El. Bass | Bass guitar pick',
  guitar: 'Gitarre 2 zupf',
  'acoustic-guitar': 'Steel Gtr strums',
  choir: 'Choir Women Ah | Chor mf',
  violin: 'Vln1_A_desk3 | VIOLINS 2 div. | V.I leg | Violino primo | vlns 1 sul G | Vl II tremolo',
  viola: 'VLA_sord | Violas (6) | Bratsche solo',
  cello: 'Cellos 6 pizz | Vc_div_a2 | Vlc II',
  'double-bass': 'Basses 4 arco | DBASS pizz | Kontrabass leg.',
  'string-section': 'Strs lo | Strings (all) sus | Streicher pizz',
  marimba: 'Marimba soft mallet',
  glockenspiel: 'Glock. brass mallets',
  cymbals: 'Cym swell | Becken a2',
  nobody: 'Braam 2 | Riser | Drone C | SFX hit | Ostinato',
};

export interface MessyName {
  name: string;
  /** Catalogue id; null where nobody could say. */
  instrument: string | null;
}

function labelled(list: Record<string, string>): MessyName[] {
  return Object.entries(list).flatMap(([instrument, names]) =>
    names.split('|').map((name) => ({ name: name.trim(), instrument: instrument === 'nobody' ? null : instrument })),
  );
}

export const MESSY_NAMES: readonly MessyName[] = labelled(LIST);
export const HELD_OUT_NAMES: readonly MessyName[] = labelled(HELD_OUT);
