/** Worker entry: the table of jobs behind a message port. */
import { expose } from 'comlink';
import { createJobs } from './jobs.ts';

expose(createJobs());
