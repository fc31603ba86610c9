/* Writes the sound bank the application comes with: `npm run sounds`. */
import { writeFileSync } from 'node:fs';
import { makeBank } from './bank';

const OUT = new URL('../public/sounds/general-midi.sf2', import.meta.url);

const bytes = makeBank().writeSF2();
writeFileSync(OUT, new Uint8Array(bytes));
console.log(`public/sounds/general-midi.sf2: ${(bytes.byteLength / 1e6).toFixed(1)} MB`);
