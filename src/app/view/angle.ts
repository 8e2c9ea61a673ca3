/** Where the head is looked at from. */
export interface ViewAngle {
  /** Where the viewer stands round the head, rad: 0 in front, π/2 at her left. */
  readonly azimuth: number;
  readonly elevation: number;
}
