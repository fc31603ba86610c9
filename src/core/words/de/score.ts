import type { Words } from '../words-of';

export const score: Words<'score'> = {
  namesOnTheLineOfFifths:
    'Feses Ceses Geses Deses Asas Eses Heses Fes Ces Ges Des As Es B F C G D A E H Fis Cis Gis Dis Ais Eis His Fisis Cisis Gisis Disis Aisis Eisis Hisis',
  majorKey: '{tonic}-Dur',
  minorKey: '{tonic}-Moll',
  tonicsOfMinorKeys: 'as es b f c g d a e h fis cis gis dis ais',
};
