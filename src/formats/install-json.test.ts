/** An install as a file: out and in again the same, and sentences for what is none. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foldInstall } from '../core/install/index.ts';
import type { WearEvent } from '../core/wear/index.ts';
import { demoPlans } from '../demo/plans.ts';
import type { InstallSession, StoredInstallEvent } from '../model/install-log.ts';
import { readInstallJson, writeInstallJson } from './install-json.ts';

const session: InstallSession = { id: 's', planId: 'p', startedAtMs: 5, plan: demoPlans[0], finished: 0 };
const events: StoredInstallEvent[] = [
  { sessionId: 's', key: 's-start', n: 0, kind: 'start', atMs: 5 },
  { sessionId: 's', key: 'a', n: 1, kind: 'knot', atMs: 10, knotId: 'r00-L1' },
  { sessionId: 's', key: 'b', n: 2, kind: 'run', atMs: 90, knotIds: ['r00-L2', 'r00-L3'], pieces: 3 },
  { sessionId: 's', key: 'c', n: 3, kind: 'hurt', atMs: 95, what: 'pulls', at: [120, 10], knotId: 'r00-L3' },
  {
    sessionId: 's',
    key: 'd',
    n: 4,
    kind: 'plan',
    atMs: 99,
    plan: demoPlans[0],
    renamed: { 'r00-L1': 'r00-L2' },
    text: 'Wider',
  },
  { sessionId: 's', key: 'e', n: 5, kind: 'step', atMs: 120, stepId: 'check/Look', outcome: 'done', under: 'd' },
];
const wear: WearEvent[] = [
  { key: 'w1', atMs: 900, day: '2026-11-01', what: 'sore', place: 'leftTemple' },
  { key: 'w2', atMs: 950, day: '2026-11-02', what: 'undo', undoes: 'w1' },
];
const text = writeInstallJson({ session, events, wear: wear.map((w) => ({ ...w, sessionId: 's' })) });

describe('a file of an install', () => {
  it('comes back as it went', () => {
    const read = readInstallJson(text);
    expect(read.ok && read.value.events).toEqual(events);
    expect(read.ok && read.value.session).toEqual(session);
    expect(read.ok && read.value.wear).toEqual(wear);
    expect(read.ok && foldInstall(read.value.events)).toEqual(foldInstall(events));
  });

  it('of the version before, without days of wear, is read as well', () => {
    const { wear: _, ...old } = { ...JSON.parse(text), version: 1 };
    const read = readInstallJson(JSON.stringify(old));
    expect(read.ok && [read.value.events, read.value.wear]).toEqual([events, []]);
  });

  it.each([
    [text.replace('2026-11-01', '2026-13-01'), /no day/],
    ['', /isn’t JSON/],
    ['{}', /no install of Meshwork/],
    [text.slice(0, 400), /isn’t JSON/],
    [text.replace('"version":2', '"version":3'), /newer Meshwork/],
    [text.replace('"kind":"knot"', '"kind":"knit"'), /What a touch is/],
    [text.replace('"pieces":3', '"pieces":-3'), /pieces of a row/],
    [text.replace('"at":[120,10]', '"at":[999,10]'), /azimuth/],
    [text.replace('"renamed":{"r00-L1":"r00-L2"}', '"renamed":{"r00-L1":7}'), /new names/],
  ])('%#: what is none is refused with a sentence', (broken, words) => {
    const read = readInstallJson(broken);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.why).toMatch(words);
  });

  it('whatever is broken in it, it is read or refused, and never throws', () => {
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.string({ maxLength: 4 }), (at, put) => {
        const read = readInstallJson(text.slice(0, at) + put + text.slice(at + put.length));
        expect(typeof read.ok).toBe('boolean');
      }),
      { seed: 8, numRuns: 60, endOnFailure: true },
    );
  });
});
