/** Trade facts (common practice, no source), and what the trial of the model found, on a head that is nobody's. */

import { describe, expect, it } from 'vitest';
import { everyZone, hairOf, plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import { PLAIN_FINISH } from '../fall/finish.ts';
import { POSES } from '../fall/poses.ts';
import { AT_REST, type HairState } from '../fall/state.ts';
import { tieOf } from '../fall/tied.ts';
import type { Preparation } from '../hair/preparation.ts';
import type { Product } from '../hair/product.ts';
import { directionDeg } from '../head/marks.ts';
import { gauge } from '../head/shape.ts';
import { AGES } from '../trade/ages.ts';
import { FALL_GUESS_NAMES, FALL_GUESSES, PLAIN_GUESSES } from '../trade/guesses.ts';
import { TEXTURES } from '../trade/textures.ts';
import { fallingHair } from './ask/falling-hair.ts';
import { guessRange, whyHere } from './ask/look-advice.ts';
import type { PlanInputs } from './inputs.ts';

const atelier = new Planner();
const lookAt = (inputs: PlanInputs) => ({ look: atelier.look({ inputs }), plan: atelier.plan(inputs) });
const evenly = (fingers: number): PlanInputs['spacing'] => ({
  said: 'centres',
  fingers: { part: fingers, top: fingers, back: fingers, nape: fingers, faceEdge: fingers },
});
const plain = (
  product: Partial<Product> = {},
  change: Partial<PlanInputs> = {},
  cut: Partial<Preparation> = {},
): PlanInputs => plainInputs({ ...hairOf({ texture: 'straight', packMassG: 80, ...product }, cut), ...change });

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
    const fresh = new Planner().look({ inputs: after });
    atelier.look({ inputs: before });
    const look = atelier.look({ inputs: after });
    const changed = atelier.plan(after).knots.filter((k) => k.cut === 'split').length;
    expect(atelier.traced({ inputs: after })).toBe(changed);
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

describe('how she holds her head, and how old it is', () => {
  const inputs = plain({}, { spacing: evenly(1.25) });
  const rest = atelier.look({ inputs });

  it('bent forward or in a wind hair lies another way, and back at rest as before', () => {
    const bent = atelier.look({ inputs, state: POSES.bent.state });
    expect(bent.seen).not.toEqual(rest.seen);
    const { mesh } = fallingHair(atelier.graph, { inputs, state: POSES.bent.state });
    const lowest = (m: typeof mesh) => m.positions.reduce((low, p, i) => (i % 3 === 1 ? Math.min(low, p) : low), 0);
    // Gravity runs to the face: what hung down the back hangs forward.
    const foremost = (m: typeof mesh) =>
      m.positions.reduce((most, p, i) => (i % 3 === 2 ? Math.max(most, p) : most), 0);
    const atRest = fallingHair(atelier.graph, { inputs }).mesh;
    expect(foremost(mesh)).toBeGreaterThan(foremost(atRest) + 60);
    expect(lowest(atRest)).toBeLessThan(-150);
    for (const { state } of Object.values(POSES))
      expect(atelier.look({ inputs, state }).hiddenShare).toBeGreaterThan(0.3);
    expect(atelier.look({ inputs })).toEqual(rest);
  });

  it('before opening it hides less where opening is planned, after a week a little less than fresh', () => {
    const opened = plain(
      { texture: 'coil', lengthMm: 120 },
      { spacing: evenly(1.75) },
      { opened: { when: 'after', strands: 1, reach: 1 } },
    );
    const [fresh, before, week] = AGES.map((age) => atelier.look({ inputs: opened, age }).hiddenShare);
    expect(before).toBeLessThan(fresh - 0.01);
    expect(week).toBeLessThan(fresh);
    expect(week).toBeGreaterThan(before - 0.2);
  });
});

describe('what lies over what', () => {
  it('a fringe falls over the face, and is cut over the brow', () => {
    const part = { kind: 'line' as const, frontMm: 0, endMm: 0, lengthMm: 100, bendMm: 0 };
    const none = plain({}, { part, spacing: evenly(1) });
    const fringed: PlanInputs = { ...none, rows: { ...none.rows, fringe: { how: 'short', widthFingers: 6, rows: 2 } } };
    const foreheadPoints = (inputs: PlanInputs) => {
      const { mesh } = fallingHair(atelier.graph, { inputs });
      const { frontHairline } = atelier.head(inputs).mark;
      let count = 0;
      let lowest = 200;
      for (let i = 0; i < mesh.positions.length; i += 3) {
        const [x, y, z] = mesh.positions.subarray(i, i + 3);
        if (Math.abs(x) > 30 || z < frontHairline[2] || y > frontHairline[1] - 8) continue;
        count++;
        lowest = Math.min(lowest, y);
      }
      return { count, drop: frontHairline[1] - lowest };
    };
    const [bare, over] = [none, fringed].map(foreheadPoints);
    expect(over.count).toBeGreaterThan(3 * bare.count);
    expect(over.count).toBeGreaterThan(20);
    expect(over.drop).toBeLessThan(66);
  });

  it('own hair in sight hides knots below it, and says so', () => {
    const sight = plain(
      {},
      {
        marks: [
          {
            kind: 'inSight',
            erase: false,
            place: {
              stroke: {
                points: [
                  [160, 62],
                  [-160, 62],
                ],
                radiusMm: 16,
              },
            },
          },
        ],
        spacing: evenly(1.25),
      },
    );
    const by = atelier.look({ inputs: sight }).knots.filter((k) => k.by === 'ownHair');
    expect(by.length).toBeGreaterThan(0);
    // However fine the pieces are, own hair finds its stamps.
    const fine = plain({ strandsPerPiece: 16 }, { marks: sight.marks, spacing: evenly(1.25) }, { split: 16 });
    expect(atelier.look({ inputs: fine }).knots.length).toBeGreaterThan(50);
    expect(atelier.look({ inputs: plain({}, { spacing: evenly(1.25) }) }).knots.some((k) => k.by === 'ownHair')).toBe(
      false,
    );
  });

  it('the part shows most of all lines, and the edge at the nape hardly', () => {
    const { lines } = atelier.look({ inputs: plain({}, { spacing: evenly(1) }) });
    const of = (kind: string) => lines.find((l) => l.kind === kind)?.shows ?? 0;
    expect(of('part')).toBeGreaterThan(0.6);
    expect(of('napeEdge')).toBeLessThan(of('part'));
    expect(lines.map((l) => l.kind)).not.toContain('opening');
  });
});

describe('rows with nothing above them (common practice, no source)', () => {
  const part = { kind: 'line' as const, frontMm: 40, endMm: 34, lengthMm: 110, bendMm: 0 };
  const laid = (exposed: PlanInputs['schools']['exposed'], oneLeg: PlanInputs['schools']['oneLeg'], lengthMm = 250) => {
    const inputs = plain(
      { lengthMm, packMassG: (80 * lengthMm) / 300, loop: 'ring', loopComesOff: true },
      { part, spacing: evenly(1) },
    );
    const schooled = { ...inputs, schools: { ...inputs.schools, exposed, oneLeg } };
    const { look, plan } = lookAt(schooled);
    const open = plan.knots.flatMap((k, i) => (k.exposed ? [look.knots[i]] : []));
    return { seen: open.filter((k) => k.by === 'nothing').length / open.length, look };
  };
  const plainly = laid('springy', 'never');

  it('show when they are laid like the others', () => {
    expect(plainly.seen).toBeGreaterThan(0.6);
  });
  it('are hidden by one-leg knots, by laying from back to front, and by hair swept over the line', () => {
    expect(laid('oneLeg', 'exposed').seen).toBeLessThan(0.5 * plainly.seen);
    expect(laid('backToFront', 'never').seen).toBeLessThan(0.6 * plainly.seen);
    const swept = laid('sweptOver', 'never');
    expect(swept.seen).toBeLessThan(0.7 * plainly.seen);
    // It lies over the part: less of the line shows.
    const line = (l: typeof swept.look) => l.lines.find((x) => x.kind === 'part')?.shows ?? 0;
    expect(line(swept.look)).toBeLessThan(line(plainly.look) - 0.1);
  });
  it('swept over the line too short hair hides less than long hair', () => {
    expect(laid('sweptOver', 'never', 25).seen).toBeGreaterThan(laid('sweptOver', 'never').seen);
  });
});

describe('why, what if, and what is not known', () => {
  const inputs = plain({}, { spacing: evenly(1.5) });
  const look = atelier.look({ inputs });

  it('tells the rows over a place, and that one more piece there shows less', () => {
    const at = directionDeg(look.patches[0].atMm);
    const why = whyHere(atelier.graph, { inputs, at });
    expect(why.shows).toBeCloseTo(look.shows[why.vertex], 5);
    // In most places there is room for one between the bricks, and it shows no more than before.
    const places = atelier.plan(inputs).knots.filter((_, i) => i % 9 === 0);
    const ways = places.map((k) => whyHere(atelier.graph, { inputs, at: directionDeg([k.xMm, k.yMm, k.zMm]) }));
    const open = ways.flatMap((w) => ('refused' in w.onePieceMore ? [] : [{ ...w, more: w.onePieceMore }]));
    expect(open.length).toBeGreaterThan(0.5 * places.length);
    for (const w of open) {
      expect(w.more.shows).toBeLessThanOrEqual(w.shows + 1e-6);
      expect(w.more.hiddenShare).toBeGreaterThan(look.hiddenShare - 0.004);
      expect(w.more.massG).toBeGreaterThan(0);
      const taken = { ...inputs, rows: { ...inputs.rows, hand: [{ id: 'h1', op: 'add' as const, at: w.more.at }] } };
      expect(atelier.look({ inputs: taken }).hiddenShare).toBeCloseTo(w.more.hiddenShare, 9);
    }
    for (const w of ways) if ('refused' in w.onePieceMore) expect(w.onePieceMore.refused).toMatch(/\w/);
    const covered = whyHere(atelier.graph, { inputs, at: [180, -5] });
    expect(covered.rows.length).toBeGreaterThan(1);
    expect(1 - covered.rows.reduce((t, r) => t * (1 - r.hides), 1)).toBeCloseTo(1 - covered.shows, 3);
  });

  it('the guesses give a range that holds the figure, widest where all err one way', () => {
    const range = guessRange(atelier.graph, { inputs });
    expect(range.all[0]).toBeLessThan(look.hiddenShare);
    expect(range.all[1]).toBeGreaterThan(look.hiddenShare);
    for (const g of FALL_GUESS_NAMES) {
      if (g === 'loft') continue;
      expect(range.by[g][0]).toBeGreaterThanOrEqual(range.all[0] - 0.02);
      expect(range.by[g][1]).toBeLessThanOrEqual(range.all[1] + 0.02);
      expect(range.by[g][1]).toBeGreaterThan(range.by[g][0]);
    }
    // Looking at the range leaves the look as it was.
    expect(atelier.look({ inputs })).toEqual(look);
    expect(atelier.look({ inputs, guesses: { ...PLAIN_GUESSES, opacity: 0.6 } }).hiddenShare).toBeGreaterThan(
      look.hiddenShare,
    );
  });
});

describe('size', () => {
  const long = plain({ lengthMm: 400, packMassG: 110 }, { spacing: evenly(1.25) });
  it('long hair hangs as far as it is long, level hair ends at one height, and is told as before', () => {
    const whole = fallingHair(atelier.graph, { inputs: long });
    expect(whole.untrimmed).toBeUndefined();
    const cut = fallingHair(atelier.graph, {
      inputs: { ...long, finish: { ...PLAIN_FINISH, outline: 'level', reachMm: 60 } },
    });
    expect(cut.size.front.heightMm).toBeLessThan(whole.size.front.heightMm - 40);
    expect(cut.untrimmed?.front.heightMm).toBeCloseTo(whole.size.front.heightMm, 0);
    const { napeHairline } = atelier.head(long).mark;
    for (let i = 1; i < cut.mesh.positions.length; i += 3)
      expect(cut.mesh.positions[i]).toBeGreaterThan(napeHairline[1] - 60 - 13);
  });

  it('trimmed to an arc nothing stands further from the head, below it neither', () => {
    const arc = fallingHair(atelier.graph, {
      inputs: { ...long, finish: { ...PLAIN_FINISH, outline: 'round', reachMm: 60 } },
    });
    const p = atelier.head(long).mesh.positionsMm;
    const [a, b, c] = [0, 1, 2].map((k) => p.reduce((m, v, i) => (i % 3 === k ? Math.max(m, Math.abs(v)) : m), 0));
    for (let i = 0; i < arc.mesh.positions.length; i += 3) {
      const [x, y, z] = arc.mesh.positions.subarray(i, i + 3);
      const out = Math.sqrt((x / a) ** 2 + (y / b) ** 2 + (z / c) ** 2);
      expect(Math.hypot(x, y, z) * (1 - 1 / out)).toBeLessThan(60 + 13);
    }
    expect(arc.size.front.heightMm).toBeLessThan(
      fallingHair(atelier.graph, { inputs: long }).size.front.heightMm - 100,
    );
  });

  it('tied up every piece passes through the tie; cut as it hung it is no longer than that, and what is too short stays down', () => {
    const tiedUp = { ...AT_REST, wornAs: 'tiedUp' } as const;
    const { mesh: scalp, mark } = atelier.head(long);
    const at = tieOf('tiedUp', scalp, mark)?.atMm as readonly [number, number, number];
    /** Of each strand its length, and how near it comes to the tie. */
    const strands = (inputs: PlanInputs, state: HairState) => {
      const { mesh, tooShortToTie } = fallingHair(atelier.graph, { inputs, state });
      const found: Array<{ lengthMm: number; nearMm: number }> = [];
      for (let v = 0; v < mesh.positions.length / 3; v += 2) {
        const along = mesh.looks[4 * v + 1];
        if (along === 0) found.push({ lengthMm: mesh.sizes[2 * v + 1], nearMm: Infinity });
        const strand = found[found.length - 1];
        const [x, y, z] = mesh.positions.subarray(3 * v, 3 * v + 3);
        strand.nearMm = Math.min(strand.nearMm, Math.hypot(x - at[0], y - at[1], z - at[2]));
      }
      return { found, tooShortToTie };
    };
    const whole = strands(long, tiedUp);
    expect(whole.tooShortToTie).toBe(0);
    expect(Math.max(...whole.found.map((s) => s.nearMm))).toBeLessThan(45);
    const trimmed = { ...long, finish: { ...PLAIN_FINISH, outline: 'level', reachMm: 20 } } as const;
    const up = strands(trimmed, tiedUp).found;
    const down = strands(trimmed, AT_REST).found;
    expect(up).toHaveLength(down.length);
    // Drawn over other hair and up into the tie a strand is a little longer than along the skin.
    const over = up.map((s, i) => s.lengthMm - down[i].lengthMm).sort((a, b) => a - b);
    expect(over[over.length >> 1]).toBeLessThan(20);
    expect(over[over.length - 1]).toBeLessThan(140);
    const short = strands(plain({ lengthMm: 120, packMassG: 110 }, { spacing: evenly(1.25) }), tiedUp);
    expect(short.tooShortToTie).toBeGreaterThan(0);
    expect(short.found.filter((s) => s.nearMm > 45).length).toBeGreaterThan(0);
  });

  it('more loft and springier hair stand wider; nothing lies inside the head', () => {
    const width = (inputs: PlanInputs) => fallingHair(atelier.graph, { inputs }).size.front.widthMm;
    expect(width({ ...long, guesses: { ...PLAIN_GUESSES, loft: 1.4 } })).toBeGreaterThan(width(long) + 2);
    expect(width(plain({ texture: 'kinky', lengthMm: 150 }))).toBeGreaterThan(width(plain({ lengthMm: 150 })) + 20);
    const { mesh } = fallingHair(atelier.graph, { inputs: long });
    const head = atelier.head(long);
    let inside = 0;
    for (let i = 0; i < mesh.positions.length; i += 3) {
      const [x, y, z] = mesh.positions.subarray(i, i + 3);
      if (y > 0 && gauge(head.shape, x, y, z) < -0.03) inside++;
    }
    expect(inside).toBe(0);
  });

  it('has fewer than 150 000 triangles for a full head of long hair', () => {
    const full = plain({ lengthMm: 550, packMassG: 150 }, { spacing: evenly(0.9) });
    expect(fallingHair(atelier.graph, { inputs: full }).mesh.triangles.length / 3).toBeLessThan(150_000);
  });
});

describe('whatever she has and guesses', () => {
  it('a look is worked out: every texture, age and cut, guesses at both of their limits', () => {
    const ends = ([0, 1] as const).map(
      (end) => Object.fromEntries(FALL_GUESS_NAMES.map((g) => [g, FALL_GUESSES[g].limits[end]])) as never,
    );
    TEXTURES.forEach((texture, i) => {
      for (const guesses of ends) {
        const cut = {
          split: ([1, 2, 4, 8, 16] as const)[i % 5],
          half: i % 2 === 0,
          opened: { when: 'after' as const, strands: 1, reach: 1 },
        };
        const inputs = {
          ...plain({ texture, strandsPerPiece: 16, packMassG: i % 3 === 0 ? 400 : 20 }, { meshFrequency: 12 }, cut),
          guesses,
        };
        for (const age of AGES) {
          const look = atelier.look({ inputs, age });
          expect(look.hiddenShare).toBeGreaterThanOrEqual(0);
          expect(look.hiddenShare).toBeLessThanOrEqual(1);
          expect(look.shows.every((v) => v >= 0 && v <= 1)).toBe(true);
        }
        const { size, mesh } = fallingHair(atelier.graph, { inputs });
        expect(size.front.widthMm).toBeGreaterThan(100);
        expect(mesh.positions.every(Number.isFinite)).toBe(true);
      }
    });
  });
});
