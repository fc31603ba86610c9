/* npm start: installs what is missing, builds if needed, serves on 127.0.0.1. */
import { spawn } from 'node:child_process';
import { buildIfNeeded } from './build.mjs';
import { environment, installPackages, root } from './prepare.mjs';

const port = process.env.PORT ?? '3210';

installPackages();
if (!(await buildIfNeeded())) {
  console.error('The build failed; what it printed above says why.');
  process.exit(1);
}
const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', port], {
  cwd: root,
  env: environment,
  stdio: ['ignore', 'pipe', 'inherit'],
});
server.stdout.on('data', (data) => {
  if (String(data).includes('Ready')) console.log(`Dragoman is ready at http://127.0.0.1:${port} (Ctrl+C stops it)`);
});
server.on('exit', (code) => process.exit(code ?? 1));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
