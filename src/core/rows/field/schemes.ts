/**
 * The field whose level sets are the rows, for each scheme that lays rows by distance. Besides the join of nape
 * and part (row-field.ts) a distance does it: from the part, from a tie, from the middle line, or the share of the
 * way from the hairline to the crown. Zones that are no function of that distance act through short rows and
 * through the spacing along a row.
 */
import { distanceFrom, type SurfaceMesh } from '../../geometry/index.ts';
import type { Point, ScalpFields } from '../../head/index.ts';
import type { Scheme } from '../../trade/index.ts';
import { type RowField, rowField } from './row-field.ts';
import { CountTable, napeFactor, partFactor, type ZoneFactors } from './zones.ts';

export interface SchemeHead {
  readonly mesh: SurfaceMesh;
  readonly scalp: ScalpFields;
  readonly mark: { readonly crown: Point };
}

/** Schemes whose rows are level sets of a field. */
export type FieldScheme = Exclude<Scheme, 'found' | 'grid' | 'rods'>;

export function isFieldScheme(scheme: Scheme): scheme is FieldScheme {
  return scheme !== 'found' && scheme !== 'grid' && scheme !== 'rods';
}

/** @param tie Where the rings of `fromTie` begin; the crown where the base has none. */
export function schemeField(
  scheme: FieldScheme,
  head: SchemeHead,
  fromPart: Float64Array,
  zones: ZoneFactors,
  tie: Point,
): RowField {
  const { mesh, scalp } = head;
  switch (scheme) {
    case 'joined':
      return rowField(mesh, scalp, fromPart, zones);
    case 'parallel':
      return byDistance(head, fromPart, fromPart, zones, true);
    case 'straightBack':
      return byDistance(head, scalp.fromMidline, fromPart, zones, false);
    case 'fromTie':
      return byDistance(head, distanceFrom(mesh, { pointsMm: Float64Array.from(tie) }), fromPart, zones, false);
    case 'rings':
      return rings(head, fromPart, zones);
  }
}

/** @param counted Whether the zone beside the part is a zone of this distance, so that it can be counted exactly. */
function byDistance(
  { mesh, scalp }: SchemeHead,
  distance: Float64Array,
  fromPart: Float64Array,
  zones: ZoneFactors,
  counted: boolean,
): RowField {
  let reach = 0;
  for (const d of distance) if (d > reach && d < Infinity) reach = d;
  const table = new CountTable((d) => (counted ? partFactor(zones, d) : 1), reach);
  const field = distance.map((d) => table.at(d));
  return {
    field,
    spacingFactor: factorsOnHead(mesh, scalp, fromPart, zones),
    total: table.at(reach),
    mismatch: 0,
    fromPartCount: field,
  };
}

/** Along the hairline first, closing up about the crown: the share of the way, times the middle way in all. */
function rings({ mesh, scalp, mark }: SchemeHead, fromPart: Float64Array, zones: ZoneFactors): RowField {
  const fromCrown = distanceFrom(mesh, { pointsMm: Float64Array.from(mark.crown) });
  const even: ZoneFactors = { part: 1, back: 1, nape: 1, faceEdge: 1 };
  const joined = rowField(mesh, { ...scalp, fromNape: scalp.fromHairline }, fromCrown, even, { rampOf: (r) => r });
  return { ...joined, spacingFactor: factorsOnHead(mesh, scalp, fromPart, zones) };
}

export function factorsOnHead(
  mesh: SurfaceMesh,
  scalp: ScalpFields,
  fromPart: Float64Array,
  zones: ZoneFactors,
): Float64Array {
  const spacingFactor = new Float64Array(mesh.vertexCount);
  for (let v = 0; v < spacingFactor.length; v++) {
    spacingFactor[v] = napeFactor(zones, scalp.fromNape[v], scalp.scale) * partFactor(zones, fromPart[v]);
  }
  return spacingFactor;
}
