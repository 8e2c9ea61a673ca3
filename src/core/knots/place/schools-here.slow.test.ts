/** Schools by place: the plan's is the start, a place's stands before it, a knot's before that. */
import { describe, expect, it } from 'vitest';
import { hairOf, plainInputs } from '../../../../tests/helpers/heads.ts';
import { Planner } from '../../../../tests/helpers/planner.ts';
import type { PlanInputs } from '../../plan/inputs.ts';
import { DEFAULT_ROWS } from '../../rows/choice.ts';
import { DEFAULT_CAP } from '../../trade/caps.ts';
import { SCHOOL_OPTIONS } from '../../trade/school-words.ts';
import { DEFAULT_SCHOOLS, SCHOOLS_BY_PLACE } from '../../trade/schools.ts';
import { SCHOOL_PLACES } from '../../trade/zones.ts';
import type { PlaceSchools } from './schools-here.ts';

const planner = new Planner();
const sleek = hairOf({ texture: 'straight', loop: 'slidingBand', loopComesOff: true });
const of = (change: Partial<PlanInputs> = {}) => planner.plan(plainInputs({ ...sleek, ...change }));
type Knot = ReturnType<typeof of>['knots'][number];
const at = (zone: (typeof SCHOOL_PLACES)[number], said: Omit<PlaceSchools, 'id' | 'where'>): PlaceSchools => ({
  id: zone,
  where: { zone },
  ...said,
});
/** All that is decided of a knot but in which words a school was said. */
const told = ({ chain, places: _, ...k }: Knot) => ({
  ...k,
  chain: chain.map(({ saidFor: _said, ...r }) => r),
});

describe('said for all places it is the plan’s', () => {
  const cap = { ...DEFAULT_CAP, opening: 'cut' as const, openingMm: 100, openingWidthMm: 24 };
  for (const school of SCHOOLS_BY_PLACE) {
    it(`${school}: knot by knot, in the same order`, () => {
      for (const { value } of SCHOOL_OPTIONS[school]) {
        const whole = of({ cap, schools: { ...DEFAULT_SCHOOLS, [school]: value } });
        const byPlace = of({ cap, places: SCHOOL_PLACES.map((p) => at(p, { schools: { [school]: value } })) });
        expect(byPlace.knots.map(told)).toEqual(whole.knots.map(told));
        expect(byPlace.worklist).toEqual(whole.worklist);
      }
    });
  }

  it.each(['windows', 'thin'] as const)('second pass %s', (secondPass) => {
    const whole = of({ rows: { ...DEFAULT_ROWS, secondPass } });
    const byPlace = of({ places: SCHOOL_PLACES.map((p) => at(p, { schools: {}, secondPass })) });
    expect(byPlace.knots.map(told)).toEqual(whole.knots.map(told));
    expect(byPlace.rows.map((r) => r.label)).toEqual(whole.rows.map((r) => r.label));
  });
});

describe.each([
  ['left', 40],
  ['right', -40],
] as const)('a part on the %s', (_, frontMm) => {
  const part = { kind: 'line', frontMm, endMm: frontMm / 2, lengthMm: 110, bendMm: 6 } as const;
  const [far, near] = frontMm > 0 ? (['partRight', 'partLeft'] as const) : (['partLeft', 'partRight'] as const);
  const r = of({
    part,
    places: [
      at(far, { schools: { exposed: 'oneLeg', oneLegWraps: 'twice' } }),
      at(near, { schools: { exposed: 'backToFront' } }),
    ],
  });
  const open = r.knots.filter((k) => k.exposed && (k.zone === 'part' || k.zone === 'crown'));

  it('one-leg on the far side, laid back to front on the near one, each said in its chain', () => {
    const isFar = (k: Knot) => k.places.includes(far);
    expect(new Set(open.map((k) => k.kind))).toEqual(new Set(['oneLeg', 'wrap']));
    for (const k of open) {
      expect(k.kind).toBe(isFar(k) ? 'oneLeg' : 'wrap');
      expect(k.entry).toBe(isFar(k) ? 'fromCoveredSide' : 'fromTheFront');
      if (isFar(k)) expect(k.wraps).toBe(2);
      expect(
        k.chain.some(
          (step) => step.saidFor === (k.places[0] === 'partLeft' ? 'left of the part' : 'right of the part'),
        ),
      ).toBe(true);
    }
  });

  it('what covers the one before it comes after the others of its row, from behind forwards', () => {
    const order = open
      .filter((k) => r.rows[k.row].pointsMm.length > 0)
      .map((k) => [k.places.includes(near), k.zMm] as const);
    const first = order.findIndex(([isNear]) => isNear);
    expect(order.slice(first).every(([isNear]) => isNear)).toBe(true);
    const forward = order.slice(first).map(([, z]) => z);
    expect(forward).toEqual([...forward].sort((a, b) => a - b));
  });

  it('as many lie on either side as beside the whole part', () => {
    const left = open.filter((k) => k.places.includes('partLeft')).length;
    expect(left / open.length).toBeGreaterThan(0.3);
    expect(left / open.length).toBeLessThan(0.7);
  });
});

it('windows behind alone: in front all is laid at once', () => {
  const r = of({ places: [at('back', { schools: {}, secondPass: 'windows' })] });
  const second = r.knots.filter((k) => r.rows[k.row].second);
  expect(second.length).toBeGreaterThan(10);
  expect(new Set(second.map((k) => k.zone))).toEqual(new Set(['back']));
  expect(new Set(r.rows.filter((row) => row.second).map((row) => row.pass))).toEqual(new Set(['windows']));
  expect(r.worklist.filter((s) => s.what === 'Look at the windows')).toHaveLength(1);
});

it('windows behind and thin places on top are two passes, each looked at', () => {
  const r = of({
    places: [at('back', { schools: {}, secondPass: 'windows' }), at('top', { schools: {}, secondPass: 'thin' })],
  });
  for (const row of r.rows.filter((x) => x.second)) expect(row.label).toMatch(/, (windows|thin places)$/);
  const looks = r.worklist.filter((s) => s.what === 'Look at the windows' || s.what === 'Find the thin places');
  expect(looks.map((s) => s.what)[0]).toBe('Look at the windows');
  expect(new Set(r.knots.map((k) => k.id)).size).toBe(r.knots.length);
});

describe('one within another', () => {
  const stroke = {
    points: [
      [170, 10],
      [150, 12],
    ] as const,
    radiusMm: 30,
  };
  const places: PlaceSchools[] = [
    { id: 'p', where: { painted: [stroke] }, schools: { holes: 'gathered' } },
    at('back', { schools: { holes: 'one', through: 'everywhere' } }),
  ];
  const r = of({ places });
  const painted = r.knots.filter((k) => k.places.includes('p'));

  it('what she painted comes before its zone, in what is said for both', () => {
    expect(painted.length).toBeGreaterThan(3);
    for (const k of painted) expect(k.holes).toBe(5);
    const both = painted.filter((k) => k.places.includes('back'));
    expect(both.length).toBeGreaterThan(3);
    for (const k of both) expect(k.through).not.toBe('net');
    for (const k of r.knots.filter((x) => !painted.includes(x) && x.places.includes('back'))) expect(k.holes).toBe(1);
  });

  it('a single knot’s own choice comes before both', () => {
    const k = painted.find((x) => x.kind !== 'anchor') as Knot;
    const rad = Math.hypot(k.xMm, k.yMm, k.zMm);
    const place = [(Math.atan2(k.xMm, k.zMm) * 180) / Math.PI, (Math.asin(k.yMm / rad) * 180) / Math.PI] as const;
    const hers = of({ places, knotWishes: [{ id: 'w1', of: { knot: place }, wish: { through: 'net' } }] });
    expect(hers.knots.find((x) => x.id === k.id)?.through).toBe('net');
  });

  it('with a part on the right it is the same spot of her head', () => {
    const part = { kind: 'line', frontMm: -40, endMm: -20, lengthMm: 110, bendMm: 0 } as const;
    const other = of({ part, places }).knots.filter((k) => k.places.includes('p'));
    const middle = (all: readonly Knot[]) => all.reduce((sum, k) => sum + k.xMm, 0) / all.length;
    expect(Math.abs(middle(other) - middle(painted))).toBeLessThan(10);
  });
});

it('the margin of an opening, the edge one-leg and combed back, pieces of their own', () => {
  const { cuts } = plainInputs(sleek);
  const fine = { ...cuts[0], id: 'fine', name: 'Quarters', split: 4 as const };
  const r = of({
    cuts: [...cuts, fine],
    cap: { ...DEFAULT_CAP, opening: 'stitchedU', openingMm: 160, openingWidthMm: 26 },
    places: [
      at('margin', { schools: { holes: 'one' }, cut: 'fine' }),
      at('nape', { schools: { perimeterKnot: 'oneLegBackcomb' } }),
    ],
  });
  const margin = r.knots.filter((k) => k.onNet === 'margin');
  expect(margin.length).toBeGreaterThan(3);
  for (const k of margin) expect([k.cut, k.holes]).toEqual(['fine', 1]);
  expect(r.knots.filter((k) => k.cut === 'fine')).toHaveLength(margin.length);
  const combed = r.knots.filter((k) => k.backcomb);
  expect(combed.length).toBeGreaterThan(2);
  for (const k of combed) expect([k.kind, k.lock, k.zone]).toEqual(['oneLeg', false, 'nape']);
  const plain = of();
  const seconds = (id: string, all: readonly Knot[]) => all.find((k) => k.id === id)?.seconds ?? 0;
  expect(seconds(combed[0].id, r.knots)).toBeGreaterThan(seconds(combed[0].id, plain.knots));
});

it('without a part its two sides are called by what lies there', () => {
  const round = of({
    part: { kind: 'crown' },
    places: [at('partLeft', { schools: { exposed: 'oneLeg', oneLegWraps: 'twice' } })],
  });
  const said = new Set(round.knots.flatMap((k) => k.chain.flatMap((step) => step.saidFor ?? [])));
  expect(said).toEqual(new Set(['round the crown, left']));
});
