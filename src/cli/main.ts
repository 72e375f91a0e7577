/** The program behind npx lochside. */
import { lochside } from './lochside';

process.exitCode = await lochside(process.argv.slice(2));
