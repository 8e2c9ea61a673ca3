/** A signed distance field sampled once on a grid, then read by three linear blends, with the way out of the body. */
export class DistanceGrid {
  /** Unit gradient at the last place asked for. */
  readonly out = new Float64Array(3);
  private readonly values: Float32Array;
  private readonly counts: readonly [number, number, number];

  /** @param low and high corners of the box, mm. Beyond it the nearest place of its wall counts. */
  constructor(
    field: (x: number, y: number, z: number) => number,
    private readonly low: readonly [number, number, number],
    high: readonly [number, number, number],
    private readonly stepMm: number,
  ) {
    this.counts = [0, 1, 2].map((c) => Math.max(2, Math.ceil((high[c] - low[c]) / stepMm) + 1)) as [
      number,
      number,
      number,
    ];
    const [nx, ny, nz] = this.counts;
    this.values = new Float32Array(nx * ny * nz);
    let i = 0;
    for (let k = 0; k < nz; k++)
      for (let j = 0; j < ny; j++)
        for (let l = 0; l < nx; l++)
          this.values[i++] = field(low[0] + l * stepMm, low[1] + j * stepMm, low[2] + k * stepMm);
  }

  distance(x: number, y: number, z: number): number {
    const { low, stepMm, counts, values, out } = this;
    const [nx, ny, nz] = counts;
    const u = Math.min(nx - 1.001, Math.max(0, (x - low[0]) / stepMm));
    const v = Math.min(ny - 1.001, Math.max(0, (y - low[1]) / stepMm));
    const w = Math.min(nz - 1.001, Math.max(0, (z - low[2]) / stepMm));
    const i = u | 0;
    const j = v | 0;
    const k = w | 0;
    const a = u - i;
    const b = v - j;
    const c = w - k;
    const o = i + nx * (j + ny * k);
    const up = nx * ny;
    const v000 = values[o];
    const v100 = values[o + 1];
    const v010 = values[o + nx];
    const v110 = values[o + nx + 1];
    const v001 = values[o + up];
    const v101 = values[o + up + 1];
    const v011 = values[o + up + nx];
    const v111 = values[o + up + nx + 1];
    const x00 = v000 + a * (v100 - v000);
    const x10 = v010 + a * (v110 - v010);
    const x01 = v001 + a * (v101 - v001);
    const x11 = v011 + a * (v111 - v011);
    const y0 = x00 + b * (x10 - x00);
    const y1 = x01 + b * (x11 - x01);
    const gx =
      (1 - c) * ((1 - b) * (v100 - v000) + b * (v110 - v010)) + c * ((1 - b) * (v101 - v001) + b * (v111 - v011));
    const gy = (1 - c) * (x10 - x00) + c * (x11 - x01);
    const gz = y1 - y0;
    const l = Math.sqrt(gx * gx + gy * gy + gz * gz) || 1;
    out[0] = gx / l;
    out[1] = gy / l;
    out[2] = gz / l;
    return y0 + c * (y1 - y0);
  }
}
