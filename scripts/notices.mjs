/*
 * npm run notices: the licences of everything the application ships, in one file that is served with it. With --check
 * nothing is written; it fails when the file is not what would be written.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { promisify } from 'node:util';
import { init } from 'license-checker-rseidelsohn';

const FILE = 'public/third-party-notices.txt';
/** Texts for packages that name a licence and bring no text of it; the LGPL is terms on top of the GPL. */
const TEXTS = {
  'LGPL-3.0-or-later': ['scripts/licences/lgpl-3.txt', 'scripts/licences/gpl-3.txt'],
};
const REPLACEABLE = {
  verovio:
    'Engraves the scores. Shipped unmodified as a package of its own; it can be replaced by another version of itself.',
};

/** Built for one kind of machine: which of them is installed differs; the package that asks for it is in the list. */
const PER_MACHINE = /(?:linux|darwin|win32|freebsd|android|openharmony)(?:musl)?[-_]/;
const found = await promisify(init)({ start: '.', production: true, excludePrivatePackages: true });
const byText = new Map();
const packages = Object.entries(found)
  .filter(([id]) => !PER_MACHINE.test(id))
  .sort(([a], [b]) => (a < b ? -1 : 1));
for (const [id, { licenses, licenseFile }] of packages) {
  const files = licenseFile && !/readme/i.test(licenseFile) ? [licenseFile] : (TEXTS[licenses] ?? []);
  const text = files.map((file) => readFileSync(file, 'utf8').trim()).join('\n\n');
  const known = byText.get(text) ?? [];
  byText.set(text, [...known, `${id} (${[licenses].flat().join(', ')})`]);
}
const sections = [...byText].map(([text, ids]) =>
  [
    ...ids,
    ...ids.flatMap((id) => REPLACEABLE[id.replace(/@.*/, '')] ?? []),
    '',
    text || 'The package brings no text of its licence.',
  ].join('\n'),
);
const notice = [
  'Dragoman is made with the packages below. Their licences hold for them; Dragoman’s own is its owner’s to choose.',
  ...sections,
  '',
].join(`\n\n${'-'.repeat(100)}\n\n`);

if (process.argv.includes('--check')) {
  if (readFileSync(FILE, 'utf8') !== notice) {
    console.error(`${FILE} is not what the installed packages say: npm run notices.`);
    process.exit(1);
  }
} else {
  writeFileSync(FILE, notice);
  console.log(`${FILE}: ${packages.length} packages`);
}
