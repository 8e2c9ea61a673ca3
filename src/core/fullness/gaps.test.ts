/** Gaps for the hair on a scalp of five cells, one a zone, against every gap that may be tried. */
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics/index.ts';
import { zoneShares } from '../rows/index.ts';
import { type SpacingZone, ZONES } from '../trade/index.ts';
import { type Aim, type ByZone, type CellPlace, fillingAt, type GapLimits, gapsForHair, type Hooked } from './gaps.ts';

const FAR = 200;
/** The middle of a zone, mm from the nape line, the part and the front hairline. */
const at = (zone: SpacingZone, fromNape: number, fromPart: number, fromFront: number): CellPlace => ({
  shares: zoneShares(fromNape, fromPart, fromFront, 1),
  zone,
});
const PLACES: Readonly<Record<SpacingZone, CellPlace>> = {
  part: at('part', FAR, 2, FAR),
  top: at('top', FAR, FAR, FAR),
  back: at('back', 60, FAR, FAR),
  nape: at('nape', 2, FAR, FAR),
  faceEdge: at('faceEdge', FAR, FAR, 2),
};
/** What hangs from one zone lies over it and over the next one down. */
const BELOW: Readonly<Partial<Record<SpacingZone, SpacingZone>>> = { part: 'top', top: 'back', back: 'nape' };

const each = (of: (z: SpacingZone) => number): ByZone =>
  Object.fromEntries(ZONES.map((z) => [z, of(z)])) as Record<SpacingZone, number>;

/** Hair that hides so much where it hangs and where it falls, over zones of unlike size. */
function anyHair(seed: number): Hooked {
  const random = seededRandom(seed);
  const count = ZONES.length;
  const areasMm2 = Float64Array.from(ZONES, () => 4000 + 12000 * random());
  const owedIn = each((z) => areasMm2[ZONES.indexOf(z)]);
  return {
    ground: {
      cells: { count, middles: new Int32Array(count), of: new Int32Array(count), areasMm2 },
      places: ZONES.map((z) => PLACES[z]),
      open: new Float64Array(count).fill(1),
      owed: new Float64Array(count).fill(1),
      owedIn,
      areaMm2: areasMm2.reduce((a, b) => a + b, 0),
    },
    reach: ZONES.map((z, i) => {
      const below = BELOW[z];
      const reaches = below ? [i, ZONES.indexOf(below)] : [i];
      return {
        reaches: Uint16Array.from(reaches),
        hidesMm2: Float64Array.from(reaches, (_, k) => (k === 0 ? 300 : 600) * (0.5 + random())),
        lies: 1,
      };
    }),
    pieces: ZONES.map(() => ({ massG: 0.4 + random(), mm3PerG: 20000 })),
  };
}

const LIMITS: GapLimits = {
  least: each(() => 3),
  most: { part: 7, top: 8, back: 9, nape: 10, faceEdge: 7 },
  backOverTop: 1,
  centresMm: (quarters) => each((z) => 4 * quarters[z]),
};
const AIM: Aim = { hidden: 0.85, thicknessMm: 1 };
const SEEDS = Array.from({ length: 40 }, (_, i) => i + 1);

/** What is laid as the trade lays it: tighter at the part and the face, looser behind, none far from its neighbour. */
const isInOrder = ({ part, top, back, nape, faceEdge }: ByZone) =>
  part <= top &&
  faceEdge <= top &&
  top <= back &&
  back <= nape &&
  2 * top <= 3 * part &&
  2 * top <= 3 * faceEdge &&
  back <= 3.5 * top &&
  nape <= 2 * back;

function everyGap(): ByZone[] {
  let all: ByZone[] = [each(() => 0)];
  for (const z of ZONES)
    all = all.flatMap((q) =>
      Array.from({ length: LIMITS.most[z] - LIMITS.least[z] + 1 }, (_, i) => ({ ...q, [z]: LIMITS.least[z] + i })),
    );
  return all.filter(isInOrder);
}
const isEnough = ({ hidden, hiddenIn, thicknessMm }: ReturnType<typeof fillingAt>) =>
  hidden >= AIM.hidden &&
  thicknessMm >= AIM.thicknessMm &&
  ZONES.every((z) => z === 'part' || hiddenIn[z] >= AIM.hidden - 0.05);

describe('gaps for this hair', () => {
  it('come out as she aims with hardly more hair than the best of all that may be laid', () => {
    const all = everyGap();
    const over: number[] = [];
    for (const seed of SEEDS) {
      const hair = anyHair(seed);
      const enough = all.map((q) => fillingAt(hair, LIMITS.centresMm(q))).filter(isEnough);
      const { reached, filling } = gapsForHair(hair, AIM, LIMITS);
      expect(reached, `seed ${seed}`).toBe(enough.length > 0);
      if (!reached) continue;
      expect(isEnough(filling), `seed ${seed}`).toBe(true);
      over.push(filling.massG / Math.min(...enough.map((f) => f.massG)));
    }
    expect(over.length).toBeGreaterThan(20);
    expect(Math.max(...over)).toBeLessThan(1.12);
    expect(over.reduce((a, b) => a + b, 0) / over.length).toBeLessThan(1.03);
  });

  it('are such that no zone may be a quarter of a finger wider', () => {
    for (const seed of SEEDS) {
      const hair = anyHair(seed);
      const { reached, quarters } = gapsForHair(hair, AIM, LIMITS);
      if (!reached) continue;
      for (const z of ZONES) {
        const wider = { ...quarters, [z]: quarters[z] + 1 };
        if (wider[z] > LIMITS.most[z] || !isInOrder(wider)) continue;
        expect(isEnough(fillingAt(hair, LIMITS.centresMm(wider))), `${z} of seed ${seed}`).toBe(false);
      }
    }
  });
});
