/**
 * Her own hair: how many hairs, how long and how thick, region by region; what it weighs and how thick a tail
 * of it is. Lengths are stretched ones. Every constant is in one table with its source.
 */

import type { SurfaceMesh } from '../geometry/index.ts';
import type { Landmarks } from '../head/index.ts';
import { atan2 } from '../numerics/index.ts';
import {
  DIAMETER_UM,
  HAIR_REGIONS,
  type HairCurl,
  type HairFullness,
  type HairRegion,
  KERATIN_G_CM3,
  PACKING,
  PER_CM2,
  type StrandThickness,
} from '../trade/index.ts';

export interface HairOfPlace {
  readonly lengthMm: number;
  readonly strand: StrandThickness;
  readonly fullness: HairFullness;
  readonly curl: HairCurl;
}

export interface OwnHair extends HairOfPlace {
  readonly byRegion: Readonly<Partial<Record<HairRegion, Partial<HairOfPlace>>>>;
  /** Girth of all of it drawn together in one ponytail, mm: overrides how full she calls it. */
  readonly ponytailGirthMm?: number;
  /** Ends cut within the last weeks: blunt, so they slide out of plaits. */
  readonly freshEnds: boolean;
}

const diameterMm = (strand: StrandThickness) => DIAMETER_UM[strand] * 1e-3;

/** Mass of one hair, g: density × π d²/4 × length. 70 µm and 10 mm give 0.0508 mg. */
export function hairMassG(strand: StrandThickness, lengthMm: number): number {
  return (KERATIN_G_CM3 * 1e-3 * Math.PI * diameterMm(strand) ** 2 * lengthMm) / 4;
}

/** Area that so many hairs take in cross-section, mm². */
export function tailAreaMm2(hairs: number, strandDiameterMm: number, packing: number): number {
  return (hairs * Math.PI * strandDiameterMm ** 2) / (4 * packing);
}

/** Thickness of a round tail of this cross-section, mm. */
export function roundThicknessMm(areaMm2: number): number {
  return Math.sqrt((4 * areaMm2) / Math.PI);
}

/** Hairs in a ponytail of this girth: (girth² / 4π) × packing over the section of one hair. */
export function hairsInPonytail(girthMm: number, strand: StrandThickness): number {
  return (girthMm * girthMm * PACKING.ponytail) / (Math.PI * Math.PI * diameterMm(strand) ** 2);
}

/** Girth of a ponytail of so many hairs, mm. */
export function ponytailGirthMm(hairs: number, strand: StrandThickness): number {
  return Math.PI * roundThicknessMm(tailAreaMm2(hairs, diameterMm(strand), PACKING.ponytail));
}

/** Own hair over the scalp: a region a vertex, and what grows in each region. */
export interface HairOnScalp {
  /** Index into HAIR_REGIONS. */
  readonly regionOf: Uint8Array;
  readonly regions: readonly RegionHair[];
  readonly hairs: number;
  readonly massG: number;
}

export interface RegionHair {
  readonly region: HairRegion;
  readonly areaMm2: number;
  readonly hairsPerMm2: number;
  readonly lengthMm: number;
  readonly diameterMm: number;
  readonly curl: HairCurl;
  readonly massGPerMm2: number;
}

/** Heights and reaches that part the regions, mm on a head of prior size: guesses. */
const NAPE_REACH = 50;
const SIDE_HEIGHT = 62;
const CROWN_HEIGHT = 78;

export function hairOnScalp(
  mesh: SurfaceMesh,
  scalp: { readonly scale: number; readonly fromNape: Float64Array },
  mark: Landmarks,
  own: OwnHair,
): HairOnScalp {
  const regionOf = hairRegions(mesh, scalp, mark);
  const areas = new Float64Array(HAIR_REGIONS.length);
  for (let v = 0; v < mesh.vertexCount; v++) areas[regionOf[v]] += mesh.vertexAreasMm2[v];
  const told = HAIR_REGIONS.map((r): HairOfPlace => ({ ...own, ...own.byRegion[r] }));
  const asTold = told.reduce((sum, hair, i) => sum + (areas[i] * PER_CM2[hair.fullness]) / 100, 0);
  const share = own.ponytailGirthMm === undefined ? 1 : hairsInPonytail(own.ponytailGirthMm, own.strand) / asTold;
  const regions = told.map((hair, i): RegionHair => {
    const hairsPerMm2 = (share * PER_CM2[hair.fullness]) / 100;
    return {
      region: HAIR_REGIONS[i],
      areaMm2: areas[i],
      hairsPerMm2,
      lengthMm: hair.lengthMm,
      diameterMm: diameterMm(hair.strand),
      curl: hair.curl,
      massGPerMm2: hairsPerMm2 * hairMassG(hair.strand, hair.lengthMm),
    };
  });
  return {
    regionOf,
    regions,
    hairs: regions.reduce((sum, r) => sum + r.areaMm2 * r.hairsPerMm2, 0),
    massG: regions.reduce((sum, r) => sum + r.areaMm2 * r.massGPerMm2, 0),
  };
}

/** Front, sides, crown, back and nape: every vertex lies in one. */
function hairRegions(
  mesh: SurfaceMesh,
  scalp: { readonly scale: number; readonly fromNape: Float64Array },
  mark: Landmarks,
): Uint8Array {
  const p = mesh.positionsMm;
  const k = scalp.scale;
  const index = (r: HairRegion) => HAIR_REGIONS.indexOf(r);
  return Uint8Array.from({ length: mesh.vertexCount }, (_, v) => {
    const y = p[3 * v + 1];
    const z = p[3 * v + 2];
    if (scalp.fromNape[v] < NAPE_REACH * k) return index('nape');
    const around = Math.abs(atan2(p[3 * v], z));
    if (y < SIDE_HEIGHT * k && around > 0.8 && around < 2.2) return index('sides');
    if (z > mark.earTop[2] + 0.25 * y) return index('front');
    return y > CROWN_HEIGHT * k ? index('crown') : index('back');
  });
}

/** How full a head of so many hairs a cm² is called. */
export function fullnessOf(hairsPerMm2: number): HairFullness {
  const perCm2 = 100 * hairsPerMm2;
  const nearer = (a: HairFullness, b: HairFullness) => perCm2 < (PER_CM2[a] + PER_CM2[b]) / 2;
  return nearer('thin', 'medium') ? 'thin' : nearer('medium', 'thick') ? 'medium' : 'thick';
}
