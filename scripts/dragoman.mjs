/* npm run dragoman: the command line, compiled first when something of it has changed. */
import { compileIfNeeded } from './compile.mjs';

await compileIfNeeded();
await import('../dist/dragoman.mjs');
