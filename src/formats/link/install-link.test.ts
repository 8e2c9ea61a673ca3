/** An install in a link: whole again from it, and refused where a letter is missing. */
import { describe, expect, it } from 'vitest';
import { demoBundle } from '../../demo/demo.ts';
import { demoPlans } from '../../demo/plans.ts';
import { readInstallJson, writeInstallJson } from '../install-json.ts';
import { isInstallLink, LONGEST_INSTALL_LINK, packInstall, unpackInstall } from './install-link.ts';
import { packPlan } from './plan-link.ts';

const { sessions, events } = demoBundle(Date.parse('2026-11-20T10:00:00Z'));

describe('an install in a link', () => {
  it('is whole again, in signs that every address takes, and short enough to be sent', () => {
    for (const session of sessions) {
      const install = { session, events: events.filter((e) => e.sessionId === session.id) };
      const link = packInstall(install);
      expect(link).toMatch(/^[\w-]+$/);
      expect(link.length, session.id).toBeLessThan(LONGEST_INSTALL_LINK);
      expect(isInstallLink(link)).toBe(true);
      expect(unpackInstall(link)).toEqual(readInstallJson(writeInstallJson(install)));
    }
  });

  it('with a letter missing, changed or of a newer Meshwork is refused with a sentence', () => {
    const link = packInstall({ session: sessions[0], events: [] });
    const why = (l: string) => {
      const read = unpackInstall(l);
      return read.ok ? '' : read.why;
    };
    for (let i = 2; i < link.length; i += 37) {
      expect(why(link.slice(0, i) + link.slice(i + 1))).toMatch(/damaged/);
      const other = link[i] === 'x' ? 'y' : 'x';
      expect(why(link.slice(0, i) + other + link.slice(i + 1))).toMatch(/damaged/);
    }
    expect(why(link.replace(/^i1/, 'i2'))).toMatch(/newer Meshwork/);
    expect(why(packPlan(demoPlans[0]))).toMatch(/no install/);
    expect(why('i1'.padEnd(90_000, 'a'))).toMatch(/far too long/);
    expect(isInstallLink(packPlan(demoPlans[0]))).toBe(false);
  });
});
