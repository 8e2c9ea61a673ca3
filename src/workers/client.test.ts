/** The client over a real MessageChannel, with the table of jobs at the other end. */
import { expose } from 'comlink';
import { afterEach, describe, expect, it } from 'vitest';
import { plainInputs } from '../../tests/helpers/heads.ts';
import { CoreClient, type WorkerLike } from './client.ts';
import { createJobs, type Jobs } from './jobs.ts';

const inputs = plainInputs({ meshFrequency: 12 });
const clients: CoreClient[] = [];
const ports: MessagePort[] = [];

function clientFor(jobs: Partial<Record<keyof Jobs, unknown>> = createJobs()) {
  let workers = 0;
  const started: WorkerLike[] = [];
  const client = new CoreClient(() => {
    workers++;
    const { port1, port2 } = new MessageChannel();
    ports.push(port1, port2);
    expose(jobs, port1 as never);
    started.push(port2 as unknown as WorkerLike);
    return port2 as unknown as WorkerLike;
  });
  clients.push(client);
  return { client, started, workers: () => workers };
}
afterEach(() => {
  for (const c of clients.splice(0)) c.stop();
  for (const p of ports.splice(0)) p.close();
});

describe('the worker client', () => {
  it('gives back the plan that the core computes', async () => {
    const { client } = clientFor();
    const outcome = await client.call('plan', inputs);
    const direct = createJobs().plan(inputs);
    expect(outcome.state).toBe('done');
    expect('value' in outcome && outcome.value).toEqual('value' in direct && direct.value);
  });

  it('a newer call makes the waiting one stale, and the running one still ends', async () => {
    const { client } = clientFor();
    const first = client.call('plan', inputs);
    const second = client.call('plan', { ...inputs, base: { ...inputs.base, behind: 3, front: 3 } });
    const third = client.call('plan', { ...inputs, base: { ...inputs.base, behind: 5, front: 5 } });
    const [a, b, c] = await Promise.all([first, second, third]);
    expect([a.state, b.state, c.state]).toEqual(['done', 'stale', 'done']);
    expect(c).toMatchObject({ value: { base: { sections: { length: 10 } } } });
  });

  it('keeps different jobs apart', async () => {
    const { client } = clientFor();
    const [plan, step] = await Promise.all([client.call('plan', inputs), client.call('spacingStep', inputs)]);
    expect([plan.state, step.state]).toEqual(['done', 'done']);
  });

  it('carries a failure across as code and words', async () => {
    const { client } = clientFor();
    const outcome = await client.call('plan', { ...inputs, meshFrequency: 0 });
    expect(outcome).toMatchObject({ state: 'failed', code: 'outOfRange' });
    expect(JSON.stringify(outcome)).toMatch(/whole number from 1 to 200/);
  });

  it('a worker that dies is told, replaced, and the next job works', async () => {
    const never = { plan: () => new Promise(() => undefined) };
    const { client, started, workers } = clientFor(never);
    const lost = client.call('plan', inputs);
    await new Promise((r) => setTimeout(r, 20));
    started[0].dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
    expect(await lost).toEqual({ state: 'crashed', message: 'out of memory' });
    expect(workers()).toBe(2);
  });

  it('what waits and what runs is stale once it is stopped, and what is asked later', async () => {
    const { client } = clientFor({ plan: () => new Promise(() => undefined) });
    const running = client.call('plan', inputs);
    await new Promise((r) => setTimeout(r, 5));
    const waiting = client.call('spacingStep', inputs);
    client.stop();
    const later = client.call('look', { inputs });
    expect(await Promise.all([running, waiting, later])).toEqual(Array(3).fill({ state: 'stale' }));
  });
});
