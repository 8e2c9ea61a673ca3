/**
 * Ribbons of hair as one mesh: a strip of triangles each, two vertices a point, which the stage turns to face the eye.
 * Ribbons come in two halves, every second one first, so that half of the mesh is a thinner head of the same hair.
 */
export interface HairMesh {
  /** xyz of the middle of the ribbon; twice at every point. */
  readonly positions: Float32Array;
  readonly tangents: Float32Array;
  readonly normals: Float32Array;
  /** Which edge (-1 or 1), length from the knot mm, a number of its own 0 to 1, how near to the top it lies 0 to 1. */
  readonly looks: Float32Array;
  /** Half its width mm, its whole length mm. */
  readonly sizes: Float32Array;
  /** Which of the plan’s hair it is: its product, in which colour, by its place among all of them. */
  readonly products: Float32Array;
  readonly triangles: Uint32Array;
  /** Indices of the first half. */
  readonly halfIndices: number;
}

export class HairMeshBuilder {
  private positions: Float32Array;
  private tangents: Float32Array;
  private normals: Float32Array;
  private looks: Float32Array;
  private sizes: Float32Array;
  private products: Float32Array;
  private readonly triangles: Uint32Array[] = [];
  private used = 0;

  /** How many vertices there is room for. */
  private vertices: number;

  /** @param points that are likely, of all ribbons together */
  constructor(points: number) {
    this.vertices = 2 * points;
    this.positions = new Float32Array(3 * this.vertices);
    this.tangents = new Float32Array(3 * this.vertices);
    this.normals = new Float32Array(3 * this.vertices);
    this.looks = new Float32Array(4 * this.vertices);
    this.sizes = new Float32Array(2 * this.vertices);
    this.products = new Float32Array(this.vertices);
  }

  /** @param points of the ribbon, xyz interleaved, from its knot to its tip @param product its place among the plan’s products and their colours */
  add(points: Float64Array, count: number, halfMm: number, seed: number, top: number, product: number) {
    if (count < 2) return;
    this.grow(count);
    const first = this.used;
    let along = 0;
    for (let i = 0; i < count; i++) {
      const o = 3 * i;
      const before = 3 * Math.max(0, i - 1);
      const after = 3 * Math.min(count - 1, i + 1);
      const tx = points[after] - points[before];
      const ty = points[after + 1] - points[before + 1];
      const tz = points[after + 2] - points[before + 2];
      const tl = Math.sqrt(tx * tx + ty * ty + tz * tz) || 1;
      if (i > 0) along += length(points, o, before);
      // Outwards from the middle of the head, and from its axis below it.
      const ny = Math.max(0, points[o + 1]);
      const nl = Math.sqrt(points[o] ** 2 + ny * ny + points[o + 2] ** 2) || 1;
      for (let side = -1; side <= 1; side += 2) {
        const v = this.used++;
        for (let c = 0; c < 3; c++) this.positions[3 * v + c] = points[o + c];
        this.tangents[3 * v] = tx / tl;
        this.tangents[3 * v + 1] = ty / tl;
        this.tangents[3 * v + 2] = tz / tl;
        this.normals[3 * v] = points[o] / nl;
        this.normals[3 * v + 1] = ny / nl;
        this.normals[3 * v + 2] = points[o + 2] / nl;
        this.looks.set([side, along, seed, top], 4 * v);
        this.sizes[2 * v] = halfMm;
        this.products[v] = product;
      }
    }
    for (let v = first; v < this.used; v++) this.sizes[2 * v + 1] = along;
    const strip = new Uint32Array(6 * (count - 1));
    for (let i = 0; i < count - 1; i++) {
      const a = first + 2 * i;
      strip.set([a, a + 1, a + 2, a + 1, a + 3, a + 2], 6 * i);
    }
    this.triangles.push(strip);
  }

  done(): HairMesh {
    // The last ribbons lie on top: drawn first, they spare the work on those below.
    const fromTop = this.triangles.toReversed();
    const halves = [0, 1].map((half) => fromTop.filter((_, i) => i % 2 === half));
    const lengths = halves.map((h) => h.reduce((sum, s) => sum + s.length, 0));
    const triangles = new Uint32Array(lengths[0] + lengths[1]);
    let at = 0;
    for (const strip of halves.flat()) {
      triangles.set(strip, at);
      at += strip.length;
    }
    const n = this.used;
    return {
      positions: this.positions.slice(0, 3 * n),
      tangents: this.tangents.slice(0, 3 * n),
      normals: this.normals.slice(0, 3 * n),
      looks: this.looks.slice(0, 4 * n),
      sizes: this.sizes.slice(0, 2 * n),
      products: this.products.slice(0, n),
      triangles,
      halfIndices: lengths[0],
    };
  }

  /** Room for so many points more, in all arrays alike. */
  private grow(count: number) {
    const needed = this.used + 2 * count;
    if (needed <= this.vertices) return;
    this.vertices = Math.max(needed, 2 * this.vertices);
    const grown = (old: Float32Array, size: number) => {
      const next = new Float32Array(size * this.vertices);
      next.set(old);
      return next;
    };
    this.positions = grown(this.positions, 3);
    this.tangents = grown(this.tangents, 3);
    this.normals = grown(this.normals, 3);
    this.looks = grown(this.looks, 4);
    this.sizes = grown(this.sizes, 2);
    this.products = grown(this.products, 1);
  }
}

function length(p: Float64Array, a: number, b: number): number {
  return Math.sqrt((p[a] - p[b]) ** 2 + (p[a + 1] - p[b + 1]) ** 2 + (p[a + 2] - p[b + 2]) ** 2);
}
