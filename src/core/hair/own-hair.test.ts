/** Her own hair: figures from handbooks (from memory), a ponytail against its closed form, hair by region. */
import { describe, expect, it } from 'vitest';
import { PLAIN_HAIR, wholeHead } from '../../../tests/helpers/heads.ts';
import { PER_CM2 } from '../trade/own-hair.ts';
import {
  fullnessOf,
  hairMassG,
  hairOnScalp,
  hairsInPonytail,
  type OwnHair,
  ponytailGirthMm,
  roundThicknessMm,
  tailAreaMm2,
} from './own-hair.ts';

const head = wholeHead(new Float64Array(8), 24);
const on = (own: OwnHair) => hairOnScalp(head.mesh, head.scalp, head.mark, own);

describe('a hair', () => {
  it('of 70 µm weighs 0.0508 mg a centimetre (1.32 g/cm³ × π d²/4, from memory)', () => {
    expect(hairMassG('medium', 10) * 1000).toBeCloseTo(0.0508, 4);
    expect(hairMassG('medium', 300) * 1000).toBeCloseTo(1.524, 2);
  });
});

describe('a tail', () => {
  it('is as thick as its hairs packed: area × packing = hairs × section', () => {
    const d = roundThicknessMm(tailAreaMm2(10_000, 0.07, 0.5));
    expect(((Math.PI * d * d) / 4) * 0.5).toBeCloseTo(10_000 * ((Math.PI * 0.07 ** 2) / 4), 6);
  });

  it('drawn into a ponytail: girth² × packing / 4π = hairs × section of one', () => {
    for (const strand of ['fine', 'medium', 'coarse'] as const) {
      const d = { fine: 0.055, medium: 0.07, coarse: 0.09 }[strand];
      const hairs = hairsInPonytail(85, strand);
      expect((85 ** 2 / (4 * Math.PI)) * 0.6).toBeCloseTo((hairs * Math.PI * d * d) / 4, 6);
      expect(ponytailGirthMm(hairs, strand)).toBeCloseTo(85, 9);
    }
  });

  it('of medium hair on an average head is 5 to 10 cm round, thin below, thick at the top of it (common practice, no source)', () => {
    const girth = (fullness: OwnHair['fullness']) => ponytailGirthMm(on({ ...PLAIN_HAIR, fullness }).hairs, 'medium');
    expect(girth('medium')).toBeGreaterThan(50);
    expect(girth('medium')).toBeLessThan(100);
    expect(girth('thin')).toBeLessThan(girth('medium'));
    expect(girth('thick')).toBeGreaterThan(90);
  });
});

describe('hair on the scalp', () => {
  it('every place lies in one region, and no region is empty', () => {
    const { regions } = on(PLAIN_HAIR);
    const area = head.mesh.triangleAreasMm2.reduce((a, b) => a + b, 0);
    expect(regions.reduce((sum, r) => sum + r.areaMm2, 0)).toBeCloseTo(area, 3);
    for (const r of regions) expect(r.areaMm2).toBeGreaterThan(0.05 * area);
  });

  it('is about a hundred thousand hairs, 80 to 150 thousand (handbook figure, from memory)', () => {
    const { hairs } = on(PLAIN_HAIR);
    expect(hairs).toBeGreaterThan(80_000);
    expect(hairs).toBeLessThan(150_000);
    const area = head.mesh.triangleAreasMm2.reduce((a, b) => a + b, 0);
    expect(hairs / (area / 100)).toBeCloseTo(PER_CM2.medium, 6);
  });

  it('a region that is told apart changes that region alone', () => {
    const plain = on(PLAIN_HAIR);
    const nape = on({ ...PLAIN_HAIR, byRegion: { nape: { lengthMm: 40, fullness: 'thin' } } });
    plain.regions.forEach((r, i) => {
      if (r.region === 'nape') {
        expect(nape.regions[i].lengthMm).toBe(40);
        expect(nape.regions[i].hairsPerMm2).toBeLessThan(r.hairsPerMm2);
      } else expect(nape.regions[i]).toEqual(r);
    });
    expect(nape.massG).toBeLessThan(plain.massG);
  });

  it('the girth of a ponytail overrides how full she calls it, and keeps which region is fuller', () => {
    const told: OwnHair = {
      ...PLAIN_HAIR,
      fullness: 'thick',
      byRegion: { crown: { fullness: 'thin' } },
      ponytailGirthMm: 60,
    };
    const { hairs, regions } = on(told);
    expect(ponytailGirthMm(hairs, 'medium')).toBeCloseTo(60, 6);
    const crown = regions.find((r) => r.region === 'crown')!;
    const back = regions.find((r) => r.region === 'back')!;
    expect(crown.hairsPerMm2 / back.hairsPerMm2).toBeCloseTo(PER_CM2.thin / PER_CM2.thick, 9);
  });

  it('is called thin, medium or thick by the nearest', () => {
    expect([1.2, 1.7, 2.3].map(fullnessOf)).toEqual(['thin', 'medium', 'thick']);
  });
});
