/** What one piece hides, as fall and cover hand it to each other. */

export interface Footprint {
  readonly vertices: Int32Array;
  /** Share that shows through, 0 to 1, one for each of the vertices. */
  readonly through: Float32Array;
}

export interface Root {
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
  readonly vertex: number;
}
