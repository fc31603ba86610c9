/* Writes the maps that studio-mido.py reads. usage: tsx write-studio-maps.ts DIR */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { studioCase } from './studio-cases';

for (let seed = 1; seed <= 24; seed++) writeFileSync(join(process.argv[2]!, `${seed}.mid`), studioCase(seed).made.midi);
