/*
 * The command line and the threads' work, compiled into dist/, so that neither a process nor a thread reads TypeScript.
 * Done again only when something it is made from has changed.
 */
import { existsSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { newest } from './newest.mjs';
import { root } from './prepare.mjs';

const DIST = join(root, 'dist');
const ENTRIES = {
  dragoman: 'src/cli/main.ts',
  'batch-work': 'src/cli/batch/work.ts',
  'server-work': 'src/server/work.ts',
};
/** They read files of their own beside them, or start threads of their own. */
const AS_THEY_ARE = ['pdfkit', 'svg-to-pdfkit', 'fontkit', 'verovio', 'piscina', 'spessasynth_core'];
/** Packages that were written for `require`. */
const REQUIRE = `import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);`;

/** What the unit tests call before they begin. */
export { compileIfNeeded as setup };

/** @throws Error after esbuild has said why, when something does not compile */
export async function compileIfNeeded() {
  const stamp = join(DIST, 'dragoman.mjs');
  const changed = Math.max(...['src', 'package-lock.json', 'scripts'].map((name) => newest(join(root, name))));
  if (existsSync(stamp) && statSync(stamp).mtimeMs > changed) return;
  const { build } = await import('esbuild');
  rmSync(DIST, { recursive: true, force: true });
  await build({
    absWorkingDir: root,
    entryPoints: ENTRIES,
    outdir: DIST,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20.9',
    external: AS_THEY_ARE,
    banner: { js: REQUIRE },
    sourcemap: true,
    logLevel: 'warning',
  });
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) await compileIfNeeded();
