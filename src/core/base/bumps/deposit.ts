/** What one tail lays down on the scalp. */

/** Volume of one section's tail over the vertices it lies on, mm³. */
export interface Deposit {
  readonly vertices: Int32Array;
  readonly volumeMm3: Float64Array;
}
