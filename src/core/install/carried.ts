/** What is in when the plan changes under her hands: which knot of the new plan each of the old one is. */
import { distance, type PlaceMm } from '../geometry/index.ts';

/** A row that is kept goes through its knots again; what lies further off is another knot, mm. */
const SAME_MM = 4;

interface KnotThere extends Pick<PlaceMm, 'xMm' | 'yMm' | 'zMm'> {
  readonly id: string;
}

/** @returns names in the new plan by names in the old one, for those that are in and found again */
export function carriedOver(
  before: readonly KnotThere[],
  after: readonly KnotThere[],
  isIn: ReadonlySet<string>,
): Record<string, string> {
  const pairs = before
    .filter((k) => isIn.has(k.id))
    .flatMap((k) =>
      after.flatMap((a) => {
        const mm = distance([k.xMm, k.yMm, k.zMm], [a.xMm, a.yMm, a.zMm]);
        return mm <= SAME_MM ? [{ from: k.id, to: a.id, mm }] : [];
      }),
    )
    .sort((a, b) => a.mm - b.mm);
  const renamed: Record<string, string> = {};
  const taken = new Set<string>();
  for (const { from, to } of pairs) {
    if (renamed[from] !== undefined || taken.has(to)) continue;
    renamed[from] = to;
    taken.add(to);
  }
  return renamed;
}
