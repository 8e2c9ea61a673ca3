/** Worker entry: the table of jobs behind a message port. A mesh of hair is handed over, not copied: nobody keeps it here. */
import { expose, transfer } from 'comlink';
import type { LookAsked } from '../core/plan/index.ts';
import { createJobs } from './jobs.ts';

const jobs = createJobs();

expose({
  ...jobs,
  fallingHair: async (asked: LookAsked) => {
    const result = await jobs.fallingHair(asked);
    if (result.state !== 'done') return result;
    const { positions, tangents, normals, looks, sizes, products, triangles } = result.value.mesh;
    return transfer(
      result,
      [positions, tangents, normals, looks, sizes, products, triangles].map((array) => array.buffer as ArrayBuffer),
    );
  },
});
