import { instrument as i } from '../instrument';

const unpitched = { unpitched: true } as const;
const kit = [35, 81] as const;

/*
 * Ranges and transpositions: usual orchestration handbooks, from memory. Unpitched instruments carry the General MIDI
 * percussion keys 35–81 as their range. Names: common practice, no source.
 */
export const percussion = [
  i('timpani', 'Timpani | Pauken | Timpani | Timbales | Timbales', 'Timp.', 'bass', [38, 60], [48], 'drum.timpani', { aliases: 'timp, timps, pk, pauke, pauken, kettle drums, kettledrums, timbal' }),
  i('glockenspiel', 'Glockenspiel | Glockenspiel | Campanelli | Jeu de timbres | Campanólogo', 'Glock.', 'treble', [79, 108], [10], 'pitched-percussion.glockenspiel', { transposition: -24, polyphonic: true, aliases: 'glock, glsp, glocken, campli, orchestra bells, bells, glk, gspl, campanelli, lira' }),
  i('crotales', 'Crotales | Zimbeln | Crotali | Crotales | Crótalos', 'Crot.', 'treble', [84, 108], [10], 'metal.crotales', { transposition: -24, polyphonic: true, aliases: 'crot, antique cymbals' }),
  i('xylophone', 'Xylophone | Xylophon | Xilofono | Xylophone | Xilófono', 'Xyl.', 'treble', [65, 108], [14], 'pitched-percussion.xylophone', { transposition: -12, polyphonic: true, aliases: 'xyl, xylo, xyloph, silofono' }),
  i('marimba', 'Marimba | Marimba | Marimba | Marimba | Marimba', 'Mar.', 'treble', [36, 96], [13], 'pitched-percussion.marimba', { polyphonic: true, aliases: 'mar, mba, marimbaphon, mrb' }),
  i('vibraphone', 'Vibraphone | Vibraphon | Vibrafono | Vibraphone | Vibráfono', 'Vib.', 'treble', [53, 89], [12], 'pitched-percussion.vibraphone', { polyphonic: true, aliases: 'vib, vibes, vibr, vbr, vibra' }),
  i('tubular-bells', 'Tubular Bells | Röhrenglocken | Campane tubolari | Cloches tubulaires | Campanas tubulares', 'Tub. B.', 'treble', [60, 77], [15], 'pitched-percussion.tubular-bells', { polyphonic: true, aliases: 'chimes, tub bells, tubular, campane, cloches, campanas, glocken rohr' }),
  i('handbells', 'Handbells | Handglocken | Campanelle a mano | Clochettes | Campanas de mano', 'Hdb.', 'treble', [48, 108], [15], 'pitched-percussion.handbells', { polyphonic: true, aliases: 'hand bells' }),
  i('steel-drums', 'Steel Drums | Steel Drums | Steel drum | Steel drums | Tambores metálicos', 'St. D.', 'treble', [52, 89], [115], 'metal.steel-drums', { polyphonic: true, aliases: 'steel pan, steelpan, steel pans' }),
  i('kalimba', 'Kalimba | Kalimba | Kalimba | Kalimba | Kalimba', 'Kal.', 'treble', [60, 88], [109], 'pitched-percussion.kalimba', { polyphonic: true, aliases: 'thumb piano, mbira' }),
  i('music-box', 'Music Box | Spieldose | Carillon | Boîte à musique | Caja de música', 'Mus. Box', 'treble', [60, 108], [11], 'pitched-percussion.music-box', { polyphonic: true, aliases: 'musicbox, spieluhr' }),
  i('cimbalom', 'Cimbalom | Zymbal | Cimbalom | Cymbalum | Címbalo húngaro', 'Cimb.', ['treble', 'bass'], [36, 88], [16], 'pitched-percussion.cimbalom', { polyphonic: true, aliases: 'hammer dulcimer, dulcimer, hackbrett' }),
  i('drum-kit', 'Drum Kit | Schlagzeug | Batteria | Batterie | Batería', 'Dr.', 'percussion', kit, [], 'drum.group.set', { ...unpitched, polyphonic: true, aliases: 'drums, drum set, drumset, drumkit, kit, dr, drs, batt, trap set, dru, drum, beat' }),
  i('percussion', 'Percussion | Schlagwerk | Percussioni | Percussions | Percusión', 'Perc.', 'percussion', kit, [], 'drum.group', { ...unpitched, polyphonic: true, aliases: 'perc, percs, prc, slagverk, slagwerk, slgz, schlgz, perk, perkussion, percussione, aux perc' }),
  i('snare-drum', 'Snare Drum | Kleine Trommel | Tamburo | Caisse claire | Caja', 'S. D.', 'percussion', kit, [], 'drum.snare-drum', { ...unpitched, aliases: 'snare, sd, kl tr, side drum, c cl, redoblante, snr, rullante' }),
  i('bass-drum', 'Bass Drum | Große Trommel | Gran cassa | Grosse caisse | Bombo', 'B. D.', 'percussion', kit, [], 'drum.bass-drum', { ...unpitched, aliases: 'bd, gr tr, gran casa, g c, gc, concert bass drum, grosse trommel, gr trommel' }),
  i('tenor-drum', 'Tenor Drum | Rührtrommel | Tamburo rullante | Caisse roulante | Redoblante', 'T. D.', 'percussion', kit, [], 'drum.tenor-drum', { ...unpitched, aliases: 'field drum, rührtr' }),
  i('toms', 'Tom-toms | Tomtoms | Tom-tom | Toms | Timbaletas', 'Toms', 'percussion', kit, [], 'drum.tom-tom', { ...unpitched, aliases: 'tom, toms, tom tom, concert toms' }),
  i('cymbals', 'Cymbals | Becken | Piatti | Cymbales | Platillos', 'Cym.', 'percussion', kit, [], 'metal.cymbal.crash', { ...unpitched, aliases: 'cym, cymb, cyms, bck, piatto, crash cymbals, clash cymbals, pti, cymbal' }),
  i('suspended-cymbal', 'Suspended Cymbal | Hängendes Becken | Piatto sospeso | Cymbale suspendue | Plato suspendido', 'Sus. Cym.', 'percussion', kit, [], 'metal.cymbal.suspended', { ...unpitched, aliases: 'sus cym, susp cym, sus cymbal, susp cymbal' }),
  i('tam-tam', 'Tam-tam | Tamtam | Tam-tam | Tam-tam | Tam-tam', 'T.-t.', 'percussion', kit, [], 'metal.tamtam', { ...unpitched, aliases: 'tamtam, gong, gongs' }),
  i('triangle', 'Triangle | Triangel | Triangolo | Triangle | Triángulo', 'Trgl.', 'percussion', kit, [], 'metal.triangle', { ...unpitched, aliases: 'tri, trgl, trg, triang' }),
  i('tambourine', 'Tambourine | Tamburin | Tamburello | Tambour de basque | Pandereta', 'Tamb.', 'percussion', kit, [], 'drum.tambourine', { ...unpitched, aliases: 'tamb, schellentrommel, tamburo basco, tamborine, tambo' }),
  i('wood-block', 'Wood Block | Holzblock | Blocco di legno | Wood-block | Caja china', 'W. B.', 'percussion', kit, [], 'wood.wood-block', { ...unpitched, aliases: 'woodblock, wood blocks, wdblk, wb' }),
  i('temple-blocks', 'Temple Blocks | Tempelblöcke | Blocchi cinesi | Temple-blocks | Bloques chinos', 'T. Bl.', 'percussion', kit, [], 'wood.temple-block', { ...unpitched, aliases: 'temple block, templeblocks' }),
  i('castanets', 'Castanets | Kastagnetten | Nacchere | Castagnettes | Castañuelas', 'Cast.', 'percussion', kit, [], 'wood.castanets', { ...unpitched, aliases: 'cast' }),
  i('claves', 'Claves | Claves | Claves | Claves | Claves', 'Clv.', 'percussion', kit, [], 'wood.claves', { ...unpitched }),
  i('guiro', 'Guiro | Guiro | Güiro | Guiro | Güiro', 'Gro.', 'percussion', kit, [], 'wood.guiro', { ...unpitched }),
  i('shaker', 'Shaker | Shaker | Shaker | Shaker | Sonajero', 'Shk.', 'percussion', kit, [], 'rattle.shaker', { ...unpitched, aliases: 'shk, egg shaker, shakers' }),
  i('maracas', 'Maracas | Maracas | Maracas | Maracas | Maracas', 'Mrcs.', 'percussion', kit, [], 'rattle.maraca', { ...unpitched, aliases: 'maraca' }),
  i('cowbell', 'Cowbell | Kuhglocke | Campanaccio | Cloche à vache | Cencerro', 'Cowb.', 'percussion', kit, [], 'metal.bells.cowbell', { ...unpitched, aliases: 'cow bell, cowbells' }),
  i('sleigh-bells', 'Sleigh Bells | Schellen | Sonagli | Grelots | Cascabeles', 'Sl. B.', 'percussion', kit, [], 'metal.bells.sleigh-bells', { ...unpitched, aliases: 'jingle bells, sleighbells' }),
  i('mark-tree', 'Chime Tree | Chime Tree | Chime tree | Carillon suspendu | Cortina', 'Ch. Tr.', 'percussion', kit, [], 'metal.bells.mark-tree', { ...unpitched, aliases: 'mark tree, bar chimes, wind chimes' }),
  i('anvil', 'Anvil | Amboss | Incudine | Enclume | Yunque', 'Anv.', 'percussion', kit, [], 'metal.anvil', { ...unpitched }),
  i('ratchet', 'Ratchet | Ratsche | Raganella | Crécelle | Carraca', 'Ratch.', 'percussion', kit, [], 'rattle.ratchet', { ...unpitched }),
  i('whip', 'Whip | Peitsche | Frusta | Fouet | Látigo', 'Whip', 'percussion', kit, [], 'wood.slapstick', { ...unpitched, aliases: 'slapstick' }),
  i('bongos', 'Bongos | Bongos | Bonghi | Bongos | Bongós', 'Bgo.', 'percussion', kit, [], 'drum.bongo', { ...unpitched, aliases: 'bongo' }),
  i('congas', 'Congas | Congas | Conga | Congas | Congas', 'Cga.', 'percussion', kit, [], 'drum.conga', { ...unpitched, aliases: 'conga, tumba' }),
  i('timbales', 'Latin Timbales | Timbales (Latin) | Timbales latini | Timbales latines | Timbales latinos', 'Timb.', 'percussion', kit, [], 'drum.timbale', { ...unpitched }),
  i('cajon', 'Cajón | Cajon | Cajón | Cajón | Cajón', 'Caj.', 'percussion', kit, [], 'drum.cajon', { ...unpitched }),
  i('taiko', 'Taiko | Taiko | Taiko | Taïko | Taiko', 'Taiko', 'percussion', kit, [117], 'drum.taiko', { ...unpitched, aliases: 'taikos, daiko' }),
  i('hand-clap', 'Hand Claps | Händeklatschen | Battito di mani | Claquements de mains | Palmas', 'Clap', 'percussion', kit, [], 'effect.hand-clap', { ...unpitched, aliases: 'claps, clap, handclaps' }),
];
