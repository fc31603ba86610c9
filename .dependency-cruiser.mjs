/*
 * Imports go one way, lowest layer first: a folder may import from its own row and from the rows above it, never from
 * those below. docs/architecture.md shows the same order as a picture.
 */
const STATIONS = ['intake', 'casting', 'rhythm', 'page', 'timeline', 'proof', 'dispatch'];
const layers = [
  ['core/words'],
  ['core/base'],
  ['core/receivers'],
  ['core/verify'],
  ['core/time'],
  ['core/smf', 'core/instruments'],
  ['core/score', 'core/performance'],
  ['core/settings', 'core/marks', 'core/hearing', 'core/studio', 'core/beats'],
  ['core/decisions'],
  ['core/queries'],
  ['core/musicxml', 'core/mei', 'core/casting'],
  ['core/to-score', 'core/to-sequencer'],
  ['core/proof', 'core/documents', 'core/extracts', 'core/renewal'],
  ['core/engine'],
  ['core/dispatch'],
  ['paper', 'sound'],
  ['cli', 'server', 'workers', 'storage'],
  ['ui/shared'],
  ['ui/workspace', 'ui/engraved'],
  ['ui/audition', 'ui/queries', 'ui/jump'],
  ['ui/hand'],
  ['ui/interlinear'],
  STATIONS.map((name) => `ui/${name}`),
  ['ui/home'],
  ['ui/show', 'ui/job'],
  ['app'],
];
const tests = '\\.test\\.tsx?$';
const inFolders = (folders) => `^src/(${folders.join('|')})/`;

const upwards = layers.slice(0, -1).map((folders, row) => ({
  name: `${folders[0]}-imports-no-higher-layer`,
  severity: 'error',
  from: { path: inFolders(folders), pathNot: tests },
  to: { path: inFolders(layers.slice(row + 1).flat()) },
}));

export default {
  forbidden: [
    ...upwards,
    {
      name: 'no-circles',
      comment: 'Two files that need each other are one file, or lack a third.',
      severity: 'error',
      from: { pathNot: tests },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'outer-folders-stand-apart',
      comment:
        'The command line, the server, the workers and the storage know the core, paper and sound, and nobody else.',
      severity: 'error',
      from: { path: '^src/(cli|server|workers|storage)/', pathNot: tests },
      to: { path: '^src/(cli|server|workers|storage)/', pathNot: '^src/$1/' },
    },
    {
      name: 'stations-stand-apart',
      comment: 'What two stations need lies below them.',
      severity: 'error',
      from: { path: `^src/ui/(${STATIONS.join('|')})/`, pathNot: tests },
      to: { path: `^src/ui/(${STATIONS.join('|')})/`, pathNot: '^src/ui/$1/' },
    },
    {
      name: 'core-is-free-of-interface',
      severity: 'error',
      from: { path: '^src/core/', pathNot: tests },
      to: { path: 'node_modules/(react|react-dom|next|antd|dexie|comlink|zustand)/' },
    },
    {
      name: 'conversion-knows-questions-by-type-only',
      comment: 'What converts asks; what answers stands apart, and scripts may convert without it.',
      severity: 'error',
      from: { path: '^src/core/(musicxml|mei|casting|to-score|to-sequencer)/', pathNot: tests },
      to: {
        path: '^src/core/(decisions|queries)/',
        // It gathers what was read over, and answers nothing.
        pathNot: '^src/core/queries/file/alike',
        dependencyTypesNot: ['type-only'],
      },
    },
    {
      name: 'no-tests-in-the-product',
      severity: 'error',
      from: { path: '^src/', pathNot: ['^src/testing/', tests] },
      to: { path: ['^(src/testing|bench|demo|e2e)/', tests] },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'] },
  },
};
