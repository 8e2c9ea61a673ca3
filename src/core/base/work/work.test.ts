/** Lines in words, the order of work, what it takes. */
import { describe, expect, it } from 'vitest';
import { groundOf, PLAIN_HAIR, REFERENCE_SCORES } from '../../../../tests/helpers/heads.ts';
import { partPolyline } from '../../head/part.ts';
import { FAMILIES, FAMILY_INFO, type Family } from '../../trade/bases.ts';
import { baseWork, editSections, layBase } from '../base.ts';
import { type BaseChoice, DEFAULT_BASE } from '../choice.ts';
import { lineKey } from '../sections/section-map.ts';

const own = { ...PLAIN_HAIR, lengthMm: 240 };
const ground = groundOf(REFERENCE_SCORES, 32, own);
const part = {
  pointsMm: partPolyline(ground.shape, ground.line, { kind: 'line', frontMm: 36, endMm: 30, lengthMm: 105, bendMm: 0 }),
};
function work(family: Family, change: Partial<BaseChoice> = {}) {
  const choice = { ...DEFAULT_BASE, family, ...FAMILY_INFO[family].start, ...change };
  const base = layBase(ground, choice, editSections(ground, choice, part));
  return { ...base, ...baseWork(ground, choice, base, part, own) };
}

describe('lines', () => {
  it('are covered where only tied sections meet, and then any line will do', () => {
    const { lines } = work('tied');
    expect(lines.length).toBeGreaterThan(7);
    for (const line of lines) {
      expect(line.shown).toBe(false);
      expect(line.words).toMatch(/any line that separates will do/);
    }
  });

  it('show along own hair in sight, and are guided from landmark to landmark', () => {
    const { lines, map } = work('halfUp');
    const shown = lines.filter((l) => l.shown);
    expect(shown.length).toBeGreaterThan(0);
    for (const line of shown) {
      expect([line.a, line.b]).toContain('top');
      expect(line.words).toMatch(/^(From|All the way)/);
      expect(line.words).toMatch(/about .* fingers?\.$/);
    }
    expect(map.sections.find((s) => s.id === 'top')?.role).toBe('inSight');
  });

  it('a line round own hair in sight is told once, from temple to temple', () => {
    const shown = work('halfUp').work.filter((s) => s.line === 'shown');
    expect(shown).toHaveLength(1);
    expect(shown[0].how).toMatch(/^From your left temple, .* to your right temple: about/);
  });

  it('show where they are the part: from the hairline, straight back', () => {
    const { lines } = work('behindPart');
    const line = lines.find((l) => l.key === lineKey('left', 'right'))!;
    expect(line.shown).toBe(true);
    expect(line.words).toMatch(/^From the middle of the hairline two fingers to the left, (straight|in a curve) /);
  });

  it('tell the middle line of two crossed tails as one that runs back over the crown', () => {
    const { lines } = work('crossed');
    const line = lines.find((l) => l.key === lineKey('left', 'right'))!;
    // Over the middle the tape from front to nape reads 360 mm on this head: twenty fingers of 18 mm.
    expect(Math.abs(line.lengthMm / 360 - 1)).toBeLessThan(0.05);
    expect(line.words).toMatch(/from the middle of the hairline, about/i);
  });
});

describe('the order of work', () => {
  it('combs first, draws lines, then ties from the nape up; every section once; minutes add up', () => {
    for (const family of FAMILIES) {
      const { work: steps, sections, minutes, lines } = work(family);
      expect(steps.reduce((sum, s) => sum + s.minutes, 0)).toBeCloseTo(minutes, 9);
      if (family === 'found') {
        expect(minutes).toBe(0);
        continue;
      }
      expect(steps[0].what).toMatch(/^Comb out/);
      const tied = steps.filter((s) => s.sectionId);
      expect(tied.map((s) => s.sectionId).sort()).toEqual(
        sections
          .filter((s) => s.role === 'base')
          .map((s) => s.id)
          .sort(),
      );
      // One line however many sections it borders.
      expect(steps.filter((s) => s.line === 'shown').length).toBeLessThanOrEqual(lines.filter((l) => l.shown).length);
      expect(steps.some((s) => s.line === 'shown')).toBe(lines.some((l) => l.shown));
      for (const s of steps) expect(s.how.length).toBeGreaterThan(10);
    }
  });

  it('draws the line from ear to ear once, not once for every two sections that meet there', () => {
    const lines = work('tied').work.filter((s) => s.line === 'covered');
    // Three lines in front, three behind, and the one between.
    expect(lines.map((s) => s.what)).toEqual([
      expect.stringMatching(/^Separate (behind from front|front from behind)$/),
      ...[1, 2, 3].map((n) => `Separate behind ${n} of 4 from behind ${n + 1} of 4`),
      ...[1, 2, 3].map((n) => `Separate front ${n} of 4 from front ${n + 1} of 4`),
    ]);
    expect(lines[0].how).toMatch(/top of your left ear/);
  });

  it('starts below: the first tied section lies lower than the last', () => {
    const { work: steps, sections } = work('tied');
    const height = (id?: string) => sections.find((s) => s.id === id)!.tieMm[1];
    const order = steps.flatMap((s) => (s.sectionId ? [s.sectionId] : []));
    expect(height(order[0])).toBeLessThan(height(order.at(-1)));
  });

  it('longer hair takes longer, plaits longer than smooth tails, a grid longer than quarters', () => {
    expect(work('tied').minutes).toBeGreaterThan(work('tied', { tail: 'smooth' }).minutes);
    expect(work('grid').minutes).toBeGreaterThan(work('tied', { behind: 2, front: 2 }).minutes);
  });
});

describe('what it takes', () => {
  const count = (w: ReturnType<typeof work>, name: RegExp) => w.consumables.find((c) => name.test(c.name))?.count ?? 0;

  it('bands at root and tip, with a few to spare (common practice, no source)', () => {
    const eight = work('tied', { parking: { all: 'wrapped', bySection: {} } });
    expect(eight.sections.reduce((sum, s) => sum + s.bands, 0)).toBe(16);
    expect(count(eight, /bands/)).toBe(Math.ceil(16 * 1.15));
    expect(count(eight, /pins/)).toBe(Math.ceil(24 * 1.15));
  });

  it('thread only where something is threaded or sewn; nothing to tie where nothing is tied or all is there', () => {
    expect(count(work('threaded'), /wrapping thread/)).toBeGreaterThan(5);
    expect(count(work('tied', { parking: { all: 'sewn', bySection: {} } }), /needle/)).toBe(1);
    expect(count(work('laidFlat'), /bands/)).toBe(0);
    expect(count(work('found'), /bands|clips/)).toBe(0);
  });

  it('a grid takes one band a box', () => {
    const grid = work('grid');
    expect(grid.sections.reduce((sum, s) => sum + s.bands, 0)).toBe(grid.sections.length);
  });
});
