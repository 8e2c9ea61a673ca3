/** Binary min-heap over vertex ids with keys kept outside, and decrease-key. Scratch is reused by the caller. */
export class IndexedHeap {
  private readonly items: Int32Array;
  private readonly place: Int32Array;
  private size = 0;

  constructor(
    capacity: number,
    private readonly keys: Float64Array,
  ) {
    this.items = new Int32Array(capacity);
    this.place = new Int32Array(capacity).fill(-1);
  }

  get isEmpty(): boolean {
    return this.size === 0;
  }

  /** Inserts the id, or moves it up after its key became smaller. */
  push(id: number): void {
    let at = this.place[id];
    if (at < 0) {
      at = this.size++;
      this.items[at] = id;
    }
    this.siftUp(at, id);
  }

  pop(): number {
    const top = this.items[0];
    this.place[top] = -1;
    const last = this.items[--this.size];
    if (this.size > 0 && last !== top) this.siftDown(0, last);
    return top;
  }

  private siftUp(from: number, id: number): void {
    const { items, place, keys } = this;
    const key = keys[id];
    let at = from;
    while (at > 0) {
      const parent = (at - 1) >> 1;
      const other = items[parent];
      if (keys[other] <= key) break;
      items[at] = other;
      place[other] = at;
      at = parent;
    }
    items[at] = id;
    place[id] = at;
  }

  private siftDown(from: number, id: number): void {
    const { items, place, keys } = this;
    const key = keys[id];
    let at = from;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= this.size) break;
      if (child + 1 < this.size && keys[items[child + 1]] < keys[items[child]]) child++;
      const other = items[child];
      if (keys[other] >= key) break;
      items[at] = other;
      place[other] = at;
      at = child;
    }
    items[at] = id;
    place[id] = at;
  }
}
