import fc from 'fast-check';
import { expect, it } from 'vitest';
import { HairMeshBuilder } from './hair-mesh.ts';

it('holds every ribbon whole, however many there are, every second one in the first half', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 40 }), { maxLength: 30 }),
      fc.integer({ min: 0, max: 30 }),
      (counts, room) => {
        const builder = new HairMeshBuilder(room);
        counts.forEach((count, r) => {
          const points = Float64Array.from({ length: 3 * count }, (_, i) =>
            i % 3 === 1 ? -10 * Math.floor(i / 3) : 80 + r,
          );
          builder.add(points, count, 5, r / 30, 0.5, r % 3);
        });
        const mesh = builder.done();
        // A ribbon of one point is none.
        const kept = counts.filter((c) => c > 1);
        const vertices = kept.reduce((sum, c) => sum + 2 * c, 0);
        expect(mesh.positions).toHaveLength(3 * vertices);
        expect(mesh.looks).toHaveLength(4 * vertices);
        expect(mesh.triangles).toHaveLength(kept.reduce((sum, c) => sum + 6 * (c - 1), 0));
        // From the last one, which lies on top.
        expect(mesh.halfIndices).toBe(
          kept
            .toReversed()
            .filter((_, i) => i % 2 === 0)
            .reduce((sum, c) => sum + 6 * (c - 1), 0),
        );
        for (const v of mesh.triangles) expect(v).toBeLessThan(vertices);
        // Length along the ribbon ends at the whole of it.
        for (let v = 0; v < vertices; v++) expect(mesh.looks[4 * v + 1]).toBeLessThanOrEqual(mesh.sizes[2 * v + 1]);
        // Every ribbon keeps the product it is of.
        let first = 0;
        counts.forEach((count, r) => {
          if (count < 2) return;
          for (let v = first; v < first + 2 * count; v++) expect(mesh.products[v]).toBe(r % 3);
          first += 2 * count;
        });
      },
    ),
    { numRuns: 60 },
  );
});
