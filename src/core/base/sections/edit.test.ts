/** Edits on her head: they hand hair over, never lose any, undo each other, and say why where they can't be made. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryScores, groundOf, PLAIN_HAIR, REFERENCE_SCORES } from '../../../../tests/helpers/heads.ts';
import type { DirectionDeg } from '../../head/marks.ts';
import { FAMILY_INFO, type Family } from '../../trade/bases.ts';
import { type BaseChoice, DEFAULT_BASE } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import { borders } from './borders.ts';
import { applyEdit, type BaseEdit, type Edit } from './edit.ts';
import { EditTree } from './edit-tree.ts';
import { EVEN_TOLERANCE, groupsOf, openLines, sectionMasses, unevenness } from './even.ts';
import { generateSections } from './generate.ts';
import { middleCut } from './middle-cut.ts';
import { connectedPieces, lineKey, type SectionMap } from './section-map.ts';

const NO_PART = { pointsMm: new Float64Array(0) };
const ground = groundOf(REFERENCE_SCORES, 32);
const lay = (on: BaseContext, family: Family, change: Partial<BaseChoice> = {}) =>
  generateSections(on, { ...DEFAULT_BASE, family, ...FAMILY_INFO[family].start, ...change }, NO_PART);
const eight = lay(ground, 'tied');
const done = (map: SectionMap, edit: BaseEdit, on = ground): SectionMap => {
  const outcome = applyEdit(on, map, edit);
  if (!outcome.ok) throw new Error(outcome.why);
  return outcome.map;
};
const refused = (map: SectionMap, edit: BaseEdit) => {
  const outcome = applyEdit(ground, map, edit);
  return outcome.ok ? 'not refused' : outcome.why;
};
const massOf = (map: SectionMap, id: string, on = ground) =>
  sectionMasses(map.labels, on.massG, map.sections.length)[map.sections.findIndex((s) => s.id === id)];
const across: DirectionDeg[] = [
  [90, 20],
  [180, 30],
];

describe('a cut', () => {
  it('parts a section in two that tile it, and merging undoes it exactly, on any head and stroke', () => {
    fc.assert(
      fc.property(
        arbitraryScores,
        fc.constantFrom<Family>('tied', 'crossed', 'flatTwists', 'laidFlat', 'allOver'),
        fc.nat(),
        fc.constantFrom('across', 'along'),
        (scores, family, pick, way) => {
          const on = groundOf(scores, 14);
          const map = lay(on, family);
          const index = pick % map.sections.length;
          const { id } = map.sections[index];
          const line = middleCut(on.mesh.positionsMm, map.labels, index, way);
          const outcome = applyEdit(on, map, { op: 'cut', section: id, line });
          if (!outcome.ok) return;
          const fresh = outcome.map.sections.at(-1)!.id;
          expect(massOf(outcome.map, id, on) + massOf(outcome.map, fresh, on)).toBeCloseTo(massOf(map, id, on), 9);
          expect(connectedPieces(on.mesh, outcome.map.labels)).toHaveLength(outcome.map.sections.length);
          const again = done(outcome.map, { op: 'merge', a: id, b: fresh }, on);
          expect(again.labels).toEqual(map.labels);
          expect(again.sections).toEqual(map.sections);
        },
      ),
      { seed: 311, numRuns: 60 },
    );
  });

  it('through the middle halves a section, across as well as along', () => {
    const map = lay(ground, 'flatTwists');
    const index = 2;
    for (const way of ['across', 'along'] as const) {
      const line = middleCut(ground.mesh.positionsMm, map.labels, index, way);
      const cut = done(map, { op: 'cut', section: 'row3', line });
      const share = massOf(cut, 'row3') / massOf(map, 'row3');
      expect(share).toBeGreaterThan(0.35);
      expect(share).toBeLessThan(0.65);
    }
  });

  it('is refused where it doesn’t cross, is no stroke, or has no section', () => {
    expect(
      refused(eight, {
        op: 'cut',
        section: 'f1',
        line: [
          [170, 0],
          [175, -10],
        ],
      }),
    ).toMatch(/doesn’t cross/);
    expect(refused(eight, { op: 'cut', section: 'b2', line: [[170, 0]] })).toMatch(/needs a stroke/);
    expect(refused(eight, { op: 'cut', section: 'zz', line: across })).toMatch(/no longer there/);
  });

  it('leaves a tie that she placed in the half where it lies', () => {
    const tied = done(eight, { op: 'tie', section: 'b2', at: [160, 40] });
    const index = tied.sections.findIndex((s) => s.id === 'b2');
    const line = middleCut(ground.mesh.positionsMm, tied.labels, index, 'across');
    const cut = done(tied, { op: 'cut', section: 'b2', line });
    expect(cut.sections.filter((s) => s.tie !== undefined)).toHaveLength(1);
    const back = done(cut, { op: 'merge', a: 'b2', b: cut.sections.at(-1)!.id });
    expect(back.sections[index].tie).toEqual([160, 40]);
  });
});

describe('a merge', () => {
  it('adds the two up and names the rest as before, whichever comes first', () => {
    for (const [a, b] of [
      ['b1', 'b2'],
      ['b2', 'b1'],
    ]) {
      const map = done(eight, { op: 'merge', a, b });
      expect(massOf(map, a)).toBeCloseTo(massOf(eight, 'b1') + massOf(eight, 'b2'), 9);
      expect(massOf(map, 'f4')).toBeCloseTo(massOf(eight, 'f4'), 9);
      expect(map.sections).toHaveLength(7);
    }
  });

  it('is refused for sections that don’t touch, the same one, and own hair in sight', () => {
    expect(refused(eight, { op: 'merge', a: 'b1', b: 'b4' })).toMatch(/don’t touch/);
    expect(refused(eight, { op: 'merge', a: 'b1', b: 'b1' })).toMatch(/two different/);
    const strip = lay(ground, 'tied', { leftOut: { where: 'front', fingers: 1, atEnd: 'stay' } });
    expect(refused(strip, { op: 'merge', a: 'f1', b: 'sight1' })).toMatch(/hair in sight/);
  });
});

describe('a moved line', () => {
  it('takes about its length × the way from one section to the other, and no other section changes', () => {
    const line = borders(ground.mesh, eight).find((l) => l.key === lineKey('b2', 'b3'))!;
    const moved = done(eight, { op: 'move', a: 'b2', b: 'b3', startMm: 10, endMm: 10 });
    const area = (map: SectionMap, id: string) => {
      const label = map.sections.findIndex((s) => s.id === id);
      return map.labels.reduce((sum, l, v) => sum + (l === label ? ground.mesh.vertexAreasMm2[v] : 0), 0);
    };
    const gained = area(moved, 'b2') - area(eight, 'b2');
    expect(Math.abs(gained / (10 * line.lengthMm) - 1)).toBeLessThan(0.12);
    expect(area(moved, 'b3')).toBeCloseTo(area(eight, 'b3') - gained, 6);
    for (const id of ['b1', 'b4', 'f1', 'f4']) expect(area(moved, id)).toBeCloseTo(area(eight, id), 9);
    // The other way it goes back to where it was, to the width of a vertex.
    const back = done(moved, { op: 'move', a: 'b2', b: 'b3', startMm: -10, endMm: -10 });
    expect(Math.abs(area(back, 'b2') / area(eight, 'b2') - 1)).toBeLessThan(0.03);
  });

  it('swings about one end when only the other is moved', () => {
    const turned = done(eight, { op: 'move', a: 'b2', b: 'b3', startMm: 0, endMm: 14 });
    const whole = done(eight, { op: 'move', a: 'b2', b: 'b3', startMm: 14, endMm: 14 });
    const gain = (map: SectionMap) => massOf(map, 'b2') - massOf(eight, 'b2');
    expect(gain(turned)).toBeGreaterThan(0.3 * gain(whole));
    expect(gain(turned)).toBeLessThan(0.7 * gain(whole));
  });

  it('never loses or doubles a place, whatever is moved on whatever head', () => {
    fc.assert(
      fc.property(
        arbitraryScores,
        fc.nat(),
        fc.double({ min: -45, max: 45, noNaN: true }),
        fc.double({ min: -45, max: 45, noNaN: true }),
        (scores, pick, startMm, endMm) => {
          const on = groundOf(scores, 14);
          const map = lay(on, 'tied');
          const lines = borders(on.mesh, map);
          const { a, b } = lines[pick % lines.length];
          const outcome = applyEdit(on, map, { op: 'move', a, b, startMm, endMm });
          if (!outcome.ok) {
            expect(outcome.why.length).toBeGreaterThan(20);
            return;
          }
          expect(connectedPieces(on.mesh, outcome.map.labels)).toHaveLength(map.sections.length);
          expect(outcome.map.sections).toEqual(map.sections);
        },
      ),
      { seed: 312, numRuns: 60 },
    );
  });

  it('is refused where it would leave nothing of a section, or where there is no line', () => {
    const grid = lay(ground, 'grid', { boxFingers: 1.5 });
    expect(refused(grid, { op: 'move', a: 'x2.2', b: 'x2.3', startMm: 50, endMm: 50 })).toMatch(/Too little|tear/);
    expect(refused(eight, { op: 'move', a: 'b1', b: 'f4', startMm: 5, endMm: 5 })).toMatch(/don’t touch/);
  });
});

describe('a tie', () => {
  it('stays in its section', () => {
    expect(done(eight, { op: 'tie', section: 'b2', at: [165, 20] }).sections[1].tie).toEqual([165, 20]);
    expect(refused(eight, { op: 'tie', section: 'b2', at: [10, 60] })).toMatch(/inside its own section/);
  });
});

describe('even bites', () => {
  const worst = (map: SectionMap, locked: ReadonlySet<string> = new Set(), on = ground) => {
    const groups = groupsOf(openLines(on.mesh, map.labels, map, locked), map.sections.length);
    return unevenness(sectionMasses(map.labels, on.massG, map.sections.length), groups);
  };

  it('brings sections that were moved about to within 3 per cent in mass', () => {
    let map = eight;
    for (const edit of [
      { op: 'move', a: 'b1', b: 'b2', startMm: 22, endMm: 8 },
      { op: 'move', a: 'f2', b: 'f3', startMm: -12, endMm: 18 },
    ] as const) {
      map = done(map, edit);
    }
    expect(worst(map)).toBeGreaterThan(0.2);
    expect(worst(done(map, { op: 'even', locked: [] }))).toBeLessThan(EVEN_TOLERANCE);
  });

  it('does so for rods, for hair of two densities, and for a cut', () => {
    const thin = groundOf(REFERENCE_SCORES, 40, {
      ...PLAIN_HAIR,
      lengthMm: 200,
      byRegion: { crown: { fullness: 'thin' } },
    });
    for (const map of [lay(thin, 'threaded', { count: 24 }), lay(thin, 'tied', { behind: 3, front: 2 })]) {
      expect(worst(done(map, { op: 'even', locked: [] }, thin), new Set(), thin)).toBeLessThan(EVEN_TOLERANCE);
    }
  });

  it('leaves locked lines where they are', () => {
    const locked = [lineKey('b2', 'b3'), lineKey('f2', 'f3')];
    const moved = done(eight, { op: 'move', a: 'b1', b: 'b2', startMm: 20, endMm: 20 });
    const even = done(moved, { op: 'even', locked });
    // Across a locked line nobody changed sides, though sections next to it did change.
    const idsOf = (map: SectionMap) => Array.from(map.labels, (label) => map.sections[label].id);
    const before = idsOf(moved);
    const after = idsOf(even);
    const crossed = before.filter((id, v) => id !== after[v] && locked.includes(lineKey(id, after[v])));
    expect(crossed).toEqual([]);
    expect(before.filter((id, v) => id !== after[v]).length).toBeGreaterThan(50);
    expect(worst(even, new Set(locked))).toBeLessThan(EVEN_TOLERANCE);
  });

  it('does nothing where every line is locked', () => {
    const all = borders(ground.mesh, eight).map((l) => l.key);
    expect(done(eight, { op: 'even', locked: all }).labels).toEqual(eight.labels);
  });
});

describe('edits replayed', () => {
  it('outlive a new head, and those that no longer fit are told and left out', () => {
    const edits: Edit[] = [
      { id: 'e1', op: 'merge', a: 'b1', b: 'b2' },
      { id: 'e2', op: 'cut', section: 'gone', line: across },
      { id: 'e3', op: 'tie', section: 'b3', at: [-160, 25] },
    ];
    const other = groundOf([1, -0.5, 0.4, 0, 0.3, 0, 0.2, 0], 24);
    const { map, lost } = new EditTree(other, lay(other, 'tied')).edited(edits);
    expect(map.sections).toHaveLength(7);
    expect(map.sections.find((s) => s.id === 'b3')?.tie).toEqual([-160, 25]);
    expect(lost).toEqual([{ id: 'e2', why: expect.stringMatching(/no longer there/) }]);
  });
});
