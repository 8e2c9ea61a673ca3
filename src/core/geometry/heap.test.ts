import fc from 'fast-check';
import { expect, it } from 'vitest';
import { IndexedHeap } from './heap.ts';

it('gives ids in the order of their keys, also after keys became smaller', () => {
  const key = fc.double({ min: 0, max: 100, noNaN: true });
  fc.assert(
    fc.property(fc.array(fc.tuple(key, key), { minLength: 1, maxLength: 200 }), (pairs) => {
      const keys = Float64Array.from(pairs, ([a]) => a);
      const heap = new IndexedHeap(keys.length, keys);
      for (let id = 0; id < keys.length; id++) heap.push(id);
      pairs.forEach(([a, b], id) => {
        if (b >= a) return;
        keys[id] = b;
        heap.push(id);
      });
      const order: number[] = [];
      while (!heap.isEmpty) order.push(keys[heap.pop()]);
      expect(order).toEqual([...keys].sort((a, b) => a - b));
    }),
    { seed: 11 },
  );
});

it('takes an id again after it was given', () => {
  const keys = Float64Array.of(3, 1, 2);
  const heap = new IndexedHeap(3, keys);
  for (const id of [0, 1, 2]) heap.push(id);
  expect(heap.pop()).toBe(1);
  keys[1] = 2.5;
  heap.push(1);
  expect([heap.pop(), heap.pop(), heap.pop()]).toEqual([2, 1, 0]);
});
