/** Every finding of a look arises where it should, and what it proposes mends it. */

import { describe, expect, it } from 'vitest';
import { everyZone, hairOf, NO_CAP, plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import { applyFix } from '../../model/apply-fix.ts';
import { newPlan } from '../../model/defaults.ts';
import { PLAIN_FINISH } from '../fall/finish.ts';
import type { PlanInputs } from '../plan/inputs.ts';
import { PLAIN_GUESSES } from '../trade/guesses.ts';
import { judge } from './judge.ts';

const atelier = new Planner();
const found = (inputs: PlanInputs, code: string) => judge(atelier.graph, inputs).findings.find((f) => f.code === code);
const evenly = (fingers: number): PlanInputs['spacing'] => ({
  said: 'centres',
  fingers: { part: fingers, top: fingers, back: fingers, nape: fingers, faceEdge: fingers },
});
const straight = (change: Partial<PlanInputs> = {}) =>
  plainInputs({ ...hairOf({ texture: 'straight', lengthMm: 250, packMassG: 50 }), ...change });

describe('findings of a look', () => {
  it('too thin for what she aimed at, and the gaps for this hair mend it, with what they come to said before', () => {
    const thin = straight({ spacing: evenly(2.5) });
    const f = found(thin, 'cover.thin');
    expect(f?.what).toMatch(/Thinner than enough/);
    expect(
      found({ ...thin, finish: { ...PLAIN_FINISH, fullness: 'spare' }, spacing: evenly(0.75) }, 'cover.thin'),
    ).toBeUndefined();
    const change = f?.fix?.change;
    if (change?.kind !== 'setSpacing') throw new Error('gaps are what mends it');
    const closer = { ...thin, spacing: { ...thin.spacing, fingers: { ...thin.spacing.fingers, ...change.fingers } } };
    expect(atelier.look({ inputs: closer }).hiddenShare).toBeGreaterThan(0.83);
    const told = Number(/about (\d+) pieces instead of (\d+), more than twice as many/.exec(f?.fix?.deed ?? '')?.[1]);
    expect(Math.abs(told / atelier.plan(closer).knots.length - 1)).toBeLessThan(0.2);
  });

  it('wider than this hair covers: each zone is set to its own gap, never all to the least', () => {
    const wide = straight({ spacing: evenly(2) });
    const f = found(wide, 'spacing.tooWide');
    const change = f?.fix?.change;
    if (change?.kind !== 'setSpacing') throw new Error('gaps are what mends it');
    const { forHair } = atelier.look({ inputs: wide }).gaps;
    for (const [zone, fingers] of Object.entries(change.fingers)) expect(fingers).toBe(forHair[zone as 'top']);
    const after = { ...wide, spacing: { ...wide.spacing, fingers: { ...wide.spacing.fingers, ...change.fingers } } };
    expect(found(after, 'spacing.tooWide')).toBeUndefined();
    expect(found(straight({ spacing: { said: 'centres', fingers: {} } }), 'spacing.tooWide')).toBeUndefined();
  });

  it('heavy is against her own hair and what a net takes of it', () => {
    const much = plainInputs({ ...hairOf({ packMassG: 70 }), spacing: evenly(1) });
    const thin = { ...much.ownHair, fullness: 'thin' as const };
    const bare = { ...much, ownHair: thin, cap: NO_CAP };
    expect(found(bare, 'load.heavy')?.why).toMatch(/your own hair, which bears about \d+ g/);
    expect(found({ ...much, ownHair: { ...thin, fullness: 'thick' } }, 'load.heavy')).toBeUndefined();
  });

  it('a bare patch is told with its place, and the brush it proposes makes it smaller', () => {
    const thin = straight({ spacing: evenly(2.2) });
    const f = found(thin, 'cover.bare');
    expect(f?.why).toMatch(/finger|crown|temple|hairline|ear/);
    const change = f?.fix?.change;
    if (change?.kind !== 'brush') throw new Error('the brush is what mends it');
    const after = { ...thin, rows: { ...thin.rows, brush: [{ stroke: change.stroke, factor: change.factor }] } };
    const total = (i: PlanInputs) => atelier.look({ inputs: i }).patches.reduce((s, p) => s + p.areaMm2 * p.shows, 0);
    expect(total(after)).toBeLessThan(total(thin));
    // It is a change that any plan takes.
    const deed = applyFix(newPlan('x', 'x'), 'Fuller there', change);
    expect(deed.words).toBe('Fuller there');
    expect(deed.plan.rows.brush).toHaveLength(1);
  });

  it('knots that show are counted and named; one-leg knots fix it where the piece can (common practice, no source)', () => {
    const loops = hairOf({ texture: 'straight', loop: 'ring', loopComesOff: true, lengthMm: 250, packMassG: 50 });
    const shown = plainInputs({
      ...loops,
      schools: { ...plainInputs().schools, exposed: 'sweptOver' },
      spacing: evenly(1.25),
    });
    const f = found(shown, 'knots.seen');
    expect(f?.knotIds?.length).toBeGreaterThan(0);
    const change = f?.fix?.change;
    expect(change).toEqual({ kind: 'setSchool', school: 'exposed', value: 'oneLeg' });
    const after = { ...shown, schools: { ...shown.schools, exposed: 'oneLeg' as const } };
    expect(found(after, 'knots.seen')?.knotIds?.length ?? 0).toBeLessThan(f?.knotIds?.length ?? 0);
  });

  it('too big and too small stand against what she aimed at', () => {
    const big = plainInputs({ ...hairOf({ texture: 'kinky', lengthMm: 250, packMassG: 120 }), spacing: evenly(1) });
    expect(found({ ...big, finish: { ...PLAIN_FINISH, fullness: 'spare' } }, 'size.big')?.what).toMatch(
      /Bigger than spare/,
    );
    const small = straight({ spacing: evenly(2.25), finish: { ...PLAIN_FINISH, fullness: 'veryFull' } });
    expect(found(small, 'size.small')?.what).toMatch(/Smaller than very full/);
    expect(found({ ...small, finish: { ...PLAIN_FINISH, fullness: 'spare' } }, 'size.small')).toBeUndefined();
  });

  it('heavy pieces on own hair alone are told with a range, in words that promise nothing', () => {
    const heavy = plainInputs({
      ...hairOf({ packMassG: 240, piecesPerPack: 40 }),
      cap: NO_CAP,
      pieces: everyZone('whole'),
    });
    const f = found(heavy, 'load.bite');
    expect(f?.why).toMatch(/(about \d+|\d+ to \d+) times the weight of that hair/);
    const change = f?.fix?.change;
    if (change?.kind !== 'splitZones') throw new Error('a finer split is what mends it');
    const fine = { ...heavy.cuts[0], id: 'fine', split: change.split };
    const pieces = { ...heavy.pieces, ...Object.fromEntries(change.zones.map((z) => [z, { cut: 'fine' }])) };
    expect(found({ ...heavy, cuts: [...heavy.cuts, fine], pieces }, 'load.bite')).toBeUndefined();
    // Twenty centimetres of own hair and common pieces are nothing to warn of.
    const own = { ...heavy.ownHair, lengthMm: 200 };
    expect(found(plainInputs({ ...hairOf({ packMassG: 80 }), ownHair: own }), 'load.bite')).toBeUndefined();
    expect(
      found(plainInputs({ ...hairOf({ packMassG: 80 }), ownHair: own, cap: NO_CAP }), 'load.bite'),
    ).toBeUndefined();
    expect(f?.why).toMatch(/no figure promises safety/);
    expect(found(plainInputs({ ...hairOf({ packMassG: 10, piecesPerPack: 60 }) }), 'load.bite')).toBeUndefined();
  });

  it('on a white block dark hair looks emptier than worn', () => {
    const block = { ...plainInputs().cap, filledOn: 'block' as const };
    expect(found(plainInputs({ cap: block, spacing: evenly(2) }), 'cover.onBlock')?.severity).toBe('note');
    expect(found(plainInputs({ spacing: evenly(2) }), 'cover.onBlock')).toBeUndefined();
    const white = hairOf({ colours: ['silver white'] });
    expect(found(plainInputs({ ...white, cap: block }), 'cover.onBlock')).toBeUndefined();
  });

  it('short narrow strands leave the knots of bricks open, and it is told; fanned or long ones don’t', () => {
    const narrow = { ...PLAIN_GUESSES, fanRad: 0.1, ribbonWidthMm: 6 };
    const short = plainInputs({
      ...hairOf({ texture: 'straight', lengthMm: 24, packMassG: 6 }),
      spacing: evenly(1),
      guesses: narrow,
    });
    const f = found(short, 'knots.bricks');
    expect(f?.why).toMatch(/more than in a grid, but \d+ knots show/);
    const openKnots = atelier.look({ inputs: short }).knots.filter((k) => k.by === 'nothing').length;
    const longer = { ...short, ...hairOf({ texture: 'straight', lengthMm: 80, packMassG: 20 }) };
    expect(found(longer, 'knots.bricks')).toBeUndefined();
    expect(atelier.look({ inputs: longer }).knots.filter((k) => k.by === 'nothing').length).toBeLessThan(openKnots);
    expect(found({ ...short, guesses: PLAIN_GUESSES }, 'knots.bricks')).toBeUndefined();
  });

  it('no knots, no word', () => {
    const none = plainInputs({
      marks: [
        {
          kind: 'noGo',
          erase: false,
          place: {
            stroke: {
              points: [
                [0, 90],
                [180, 20],
              ],
              radiusMm: 60,
            },
          },
        },
      ],
    });
    for (const f of judge(atelier.graph, none).findings) expect(['check', 'rows']).toContain(f.station);
    const rods = plainInputs({ rows: { ...plainInputs().rows, scheme: 'rods' } });
    expect(judge(atelier.graph, rods).findings).toEqual([]);
  });
});
