/** Two servers on free ports, one with the demo and one without; their addresses go to the tests. */
import type { TestProject } from 'vitest/node';
import { serve } from './serve.ts';

declare module 'vitest' {
  export interface ProvidedContext {
    readonly demoUrl: string;
    readonly plainUrl: string;
  }
}

export default async function setup(project: TestProject) {
  const demo = await serve(true);
  const plain = await serve(false);
  project.provide('demoUrl', demo.url);
  project.provide('plainUrl', plain.url);
  return () => {
    demo.stop();
    plain.stop();
  };
}
