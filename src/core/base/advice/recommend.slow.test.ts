/** What is advised: the facts of the trade as tests (common practice, no source), on real heads. */
import { describe, expect, it } from 'vitest';
import { groundOf, PLAIN_HAIR, REFERENCE_SCORES } from '../../../../tests/helpers/heads.ts';
import { fullnessOf, type OwnHair } from '../../hair/own-hair.ts';
import { partPolyline } from '../../head/part.ts';
import { BASE_WAYS, type Candidate, RULES, recommendBases, type Wearer } from './recommend.ts';

function advise(change: Partial<OwnHair>, wishes: Partial<Wearer> = {}): Candidate[] {
  const own = { ...PLAIN_HAIR, ...change };
  const ground = groundOf(REFERENCE_SCORES, 20, own);
  const part = {
    pointsMm: partPolyline(ground.shape, ground.line, {
      kind: 'line',
      frontMm: 36,
      endMm: 30,
      lengthMm: 105,
      bendMm: 0,
    }),
  };
  const area = ground.mesh.triangleAreasMm2.reduce((a, b) => a + b, 0);
  return recommendBases(
    ground,
    part,
    own,
    {
      lengthMm: own.lengthMm,
      fullness: fullnessOf(ground.hair.hairs / area),
      curl: own.curl,
      freshEnds: own.freshEnds,
      girthMm: 565,
      pace: 'some',
      capped: true,
      requirements: [],
      ...wishes,
    },
    1,
  );
}
const first = (...args: Parameters<typeof advise>) => advise(...args)[0].schoolId;

describe('how many sections', () => {
  it('long hair gets about four', () => expect(first({ lengthMm: 340 })).toBe('four'));
  it('short hair gets about nine small ones', () => expect(first({ lengthMm: 105 })).toBe('nine'));
  it('thick hair gets about eight', () => expect(first({ lengthMm: 240, fullness: 'thick' })).toBe('eight'));
  it('a big head gains from eight', () => {
    const score = (girthMm: number) => advise({}, { girthMm }).find((c) => c.schoolId === 'eight')!.score;
    expect(score(610)).toBeGreaterThan(score(560));
  });
});

describe('what it must do', () => {
  it('a front that is to be renewed is half up', () =>
    expect(first({}, { requirements: ['renewFront'] })).toBe('halfUp'));
  it('a style that flips is not laid for one part', () => {
    expect(advise({}, { requirements: ['flip'] }).findIndex((c) => c.schoolId === 'behindPart')).toBeGreaterThan(5);
  });
  it('without a net nothing is just laid back', () => {
    const list = advise({}, { capped: false });
    expect(list.findIndex((c) => c.schoolId === 'laidFlat')).toBeGreaterThan(9);
    expect(list[0].schoolId).not.toBe('smooth');
  });
  it('little time speaks against many small ones', () => {
    const at = (minutes?: number) =>
      advise({ lengthMm: 200 }, minutes === undefined ? {} : { minutes }).find((c) => c.schoolId === 'allOver')!;
    expect(at(30).score).toBeLessThan(at().score);
    expect(at(30).against.join(' ')).toMatch(/minutes; you have 30/);
  });
});

describe('the advice', () => {
  it('has a winner, a runner-up, and reasons that hold', () => {
    const [best, next] = advise({ lengthMm: 240, fullness: 'thick' });
    expect(best.score).toBeGreaterThan(next.score);
    expect(best.reasons.length).toBeGreaterThan(1);
    for (const c of advise({})) {
      expect(c.says.length).toBeGreaterThan(20);
      expect(Number.isFinite(c.minutes) && Number.isFinite(c.highestBumpMm)).toBe(true);
    }
  });

  it('every rule speaks of a way that exists, and every way has something to say for or against it', () => {
    const ids = new Set(BASE_WAYS.map((s) => s.id));
    for (const rule of RULES) for (const id of rule.schools) expect(ids.has(id), id).toBe(true);
    for (const id of ids)
      expect(
        RULES.some((r) => r.schools.includes(id)),
        id,
      ).toBe(true);
  });

  it('says where the hair doesn’t reach on her head', () => {
    const puff = advise({ lengthMm: 110 }).find((c) => c.schoolId === 'puff')!;
    expect(puff.reaches).toBe(0);
    expect(puff.against.join(' ')).toMatch(/doesn’t reach/);
  });
});
