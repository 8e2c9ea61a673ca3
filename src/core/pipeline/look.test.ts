/** Trade facts (common practice, no source), and what the trial of the model found, on a head that is nobody's. */
import { describe, expect, it } from 'vitest';
import { everyZone, hairOf, plainInputs } from '../../../tests/helpers/heads.ts';
import { AT_REST } from '../fall/way.ts';
import type { Cut } from '../hair/cuts.ts';
import type { Product } from '../hair/product.ts';
import type { PlanInputs } from './inputs.ts';
import { Atelier } from './look.ts';

const atelier = new Atelier();
const lookAt = (inputs: PlanInputs) => ({ look: atelier.look({ inputs }), plan: atelier.plan(inputs) });
const evenly = (fingers: number): PlanInputs['spacing'] => ({
  said: 'centres',
  fingers: { part: fingers, top: fingers, back: fingers, nape: fingers, faceEdge: fingers },
});
const plain = (product: Partial<Product> = {}, change: Partial<PlanInputs> = {}, cut: Partial<Cut> = {}): PlanInputs =>
  plainInputs({ ...hairOf({ texture: 'straight', packMassG: 80, ...product }, cut), ...change });

describe('what falls over what', () => {
  const { look, plan } = lookAt(plain({}, { spacing: evenly(1) }));
  const showsInRow = (test: (row: number) => boolean) => {
    const of = plan.knots.flatMap((k, i) => (test(k.row) ? [look.knots[i].shows] : []));
    return of.reduce((a, b) => a + b, 0) / of.length;
  };
  it('each row hides the knots of the one below', () => {
    expect(showsInRow((r) => r < plan.rows.length - 6)).toBeLessThan(0.1);
  });
  it('knots beside the part have nothing over them', () => {
    const beside = plan.knots.flatMap((k, i) => (k.exposed ? [look.knots[i]] : []));
    expect(beside.filter((k) => k.shows > 0.5).length).toBeGreaterThan(0.7 * beside.length);
    expect(beside.some((k) => k.by === 'ownLeg')).toBe(true);
  });
  it('the scalp shows most from above, at the part, and hardly from behind', () => {
    expect(look.seen.top).toBeGreaterThan(look.seen.behind);
    expect(look.seen.behind).toBeLessThan(0.05);
  });
});

describe('how much is enough', () => {
  const hidden = (inputs: PlanInputs) => lookAt(inputs).look.hiddenShare;

  it('a sparse back is hidden when the hair is long and not when it is short', () => {
    const sparse = { ...evenly(1), fingers: { ...evenly(1).fingers, back: 1.6, nape: 1.6 } };
    const lost = (lengthMm: number) => {
      const hair = { lengthMm, packMassG: (80 * lengthMm) / 300 };
      return hidden(plain(hair, { spacing: evenly(1) })) - hidden(plain(hair, { spacing: sparse }));
    };
    expect(lost(30)).toBeGreaterThan(0.05);
    expect(lost(300)).toBeLessThan(0.02);
  });

  it('opened coils at wide spacing cover like closed ones at narrow spacing', () => {
    const coil = { texture: 'coil' as const, lengthMm: 120, packMassG: 60 };
    const closed = hidden(plain(coil, { spacing: evenly(1.25) }));
    const wide = hidden(plain(coil, { spacing: evenly(1.75) }));
    const opened = hidden(plain(coil, { spacing: evenly(1.75) }, { opened: { when: 'before', strands: 1, reach: 1 } }));
    expect(opened).toBeGreaterThan(wide);
    expect(Math.abs(opened - closed)).toBeLessThan(0.05);
  });

  it('springy fibre needs less mass than smooth for the same cover', () => {
    const of = (texture: Product['texture'], packMassG: number) =>
      hidden(plain({ texture, packMassG, lengthMm: 120 }, { spacing: evenly(1.5) }));
    expect(of('kinky', 40)).toBeGreaterThan(of('straight', 60));
  });

  it('halves on top make it fuller there than full lengths of the same mass', () => {
    const whole = plain({}, { spacing: evenly(1.6) });
    const halved: PlanInputs = {
      ...whole,
      cuts: [whole.cuts[0], { ...whole.cuts[0], id: 'half', name: 'Halves', half: true }],
      pieces: { ...everyZone('whole'), top: { cut: 'half' }, part: { cut: 'half' }, faceEdge: { cut: 'half' } },
      // Twice as many of half the mass.
      spacing: { said: 'centres', fingers: { part: 1.3, top: 1.3, faceEdge: 1.3, back: 1.6, nape: 1.6 } },
    };
    const a = lookAt(whole);
    const b = lookAt(halved);
    expect(b.plan.load.massG / a.plan.load.massG).toBeLessThan(1.02);
    expect(b.look.seen.top).toBeLessThan(a.look.seen.top);
  });
});

describe('half done, and moved', () => {
  const inputs = plain({}, { spacing: evenly(1.25) });
  const all = atelier.look({ inputs });

  it('shows more the fewer knots are in, and all of the scalp before the first', () => {
    const half = atelier.look({ inputs, knotsIn: 80 });
    expect(atelier.look({ inputs, knotsIn: 0 }).hiddenShare).toBe(0);
    expect(half.hiddenShare).toBeGreaterThan(0.1);
    expect(half.hiddenShare).toBeLessThan(all.hiddenShare);
    expect(half.knots).toHaveLength(80);
  });

  it('a finger opens the hair where it lies', () => {
    const finger = [0, -10, -95, 0, 30, -95, 0, 60, -85];
    const parted = atelier.look({ inputs, state: { ...AT_REST, finger } });
    expect(parted.seen.behind).toBeGreaterThan(all.seen.behind + 0.01);
    expect(atelier.look({ inputs })).toEqual(all);
  });

  it('bare patches lie where little hides the scalp, and none where cover is not owed', () => {
    const sight = plainInputs({
      ...inputs,
      marks: [{ kind: 'inSight', erase: false, place: { region: 'frontEdge' } }],
    });
    const look = atelier.look({ inputs: sight });
    const { mesh } = atelier.head(sight);
    const { sections, sectionOf } = atelier.plan(sight).base;
    for (const patch of look.patches) {
      expect(patch.shows).toBeGreaterThan(0.45);
      expect(patch.areaMm2).toBeGreaterThan(60);
      expect(look.shows[patch.vertex]).toBeGreaterThan(0.45);
      expect(sections[sectionOf[patch.vertex]].role).not.toBe('inSight');
    }
    expect(mesh.vertexCount).toBe(look.shows.length);
  });
});

describe('only what changed is worked out again', () => {
  it('another piece in one zone leaves the others as they lie, and gives what a new start gives', () => {
    const inputs = plain({}, { spacing: evenly(1.25) });
    const cuts = [...inputs.cuts, { ...inputs.cuts[0], id: 'split', name: 'Split', split: 2 as const }];
    const before = { ...inputs, cuts };
    const after = { ...before, pieces: { ...inputs.pieces, nape: { cut: 'split' } } };
    const fresh = new Atelier().look({ inputs: after });
    atelier.look({ inputs: before });
    const look = atelier.look({ inputs: after });
    const changed = atelier.plan(after).knots.filter((k) => k.cut === 'split').length;
    expect(atelier.traced).toBe(changed);
    expect(look).toEqual(fresh);
  });

  it('a part on her right shows the mirrored shares', () => {
    const part = { kind: 'line' as const, frontMm: 36, endMm: 30, lengthMm: 108, bendMm: 0 };
    const left = atelier.look({ inputs: plain({}, { part }) });
    const right = atelier.look({ inputs: plain({}, { part: { ...part, frontMm: -36, endMm: -30 } }) });
    expect(right.hiddenShare).toBeCloseTo(left.hiddenShare, 2);
    expect(right.seen.left).toBeCloseTo(left.seen.right, 1);
  });
});
