/** Two workers: plans in one, so that they follow a finger; pictures of heads in the other. A search starts more. */
import { CoreClient } from '../../workers/client.ts';

const start = () => new Worker(new URL('../../workers/core.worker.ts', import.meta.url), { type: 'module' });

export const startClient = () => new CoreClient(start);
export const planner = startClient();
export const painter = startClient();
