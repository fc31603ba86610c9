/* Where the command line begins. */
import { run } from './run';

process.exitCode = await run(process.argv.slice(2));
