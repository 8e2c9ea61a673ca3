/** The last step of `npm run bench`: the run goes to the history, and what got slower is said. */
import { remember } from './memory.ts';

process.exitCode = remember() ? 0 : 1;
