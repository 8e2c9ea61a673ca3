/** Pieces that go into the base, on the head that rows are worked out on. */
import { seenInMirror } from '../../geometry/index.ts';
import { coilRimMm, intoBaseRows, type Row, type TiedSection } from '../../rows/index.ts';
import { isOffHead } from '../../trade/index.ts';
import { base, masks } from './base.ts';
import { head, rowsHead, side } from './head.ts';
import { intoSpacing } from './spacing.ts';
import { stage } from './stage.ts';

/** What of the base pieces can go into: what is tied, and what she names herself though it stays in sight. */
const tiedSections = stage(
  'tiedSections',
  ({ inputs, of }) => ({
    base: of(base),
    named: inputs.rows.intoBase.flatMap((e) => e.sections),
    turned: of(side).turned,
  }),
  ({ base: { sections, bumps }, named, turned }): TiedSection[] => {
    const over = (p: ArrayLike<number>) => Float64Array.from(p, (c, i) => (turned && i % 3 === 0 ? 0 - c : c));
    return sections
      .filter((s) => (s.role === 'base' && s.parking.how !== 'laid') || named.includes(s.id))
      .map(({ id, name, role, tail, tailThicknessMm, tieMm: [x, y, z], pathMm, rowMm, parking }) => ({
        id,
        name,
        isTied: role === 'base',
        tail,
        tailThicknessMm,
        tieMm: [turned ? 0 - x : x, y, z] as const,
        isCoiled: parking.how === 'coiled',
        // A row lies along the scalp up to its tie; what hangs begins there.
        wayMm: over(rowMm.length > 3 ? reversed(rowMm) : pathMm),
        coilMm: coilRimMm(bumps, [x, y, z]),
      }));
  },
);

function reversed(way: ArrayLike<number>): Float64Array {
  const last = way.length / 3 - 1;
  return Float64Array.from(way, (_, i) => way[3 * (last - Math.floor(i / 3)) + (i % 3)]);
}

export const intoBase = stage(
  'intoBase',
  ({ inputs, of }) => {
    const { rows, cap } = inputs;
    // Off the head the base isn't there.
    if (rows.intoBase.length === 0 || isOffHead(cap)) return {};
    return {
      ground: { head: of(rowsHead), gapMm: of(intoSpacing), fingerMm: inputs.fingerMm },
      sections: of(tiedSections),
      entries: rows.intoBase,
      noGo: { hers: of(head).mesh, mask: of(masks).noGo, turned: of(side).turned },
    };
  },
  ({ ground, sections = [], entries = [], noGo }): Row[] => {
    if (!ground) return [];
    const { mesh, shape, scalp } = ground.head;
    const off = noGo.turned ? seenInMirror(noGo.hers, mesh, noGo.mask) : noGo.mask;
    const { gapMm, fingerMm } = ground;
    return intoBaseRows({ mesh, shape, scalp, gapMm, fingerMm, isOff: (v) => off[v] === 1 }, sections, entries);
  },
);
