/** What the chain of stages needs: plain values in core units. Documents are turned into this elsewhere. */
import type { CapKind } from '../cap/dome.ts';
import type { OwnHair } from '../hair/own-hair.ts';
import type { Product } from '../hair/product.ts';
import type { TapeValuesMm } from '../head/fit.ts';
import type { Schools } from '../knots/schools.ts';
import type { Part } from '../rows/part.ts';
import type { Pace } from '../time/estimate.ts';

export const ZONES = ['part', 'top', 'back', 'nape', 'faceEdge'] as const;
export type SpacingZone = (typeof ZONES)[number];

export const ZONE_NAMES: Readonly<Record<SpacingZone, string>> = {
  part: 'Beside the part',
  top: 'Top',
  back: 'Back',
  nape: 'Nape',
  faceEdge: 'Face edge',
};

/** What a zone is called when there is no part for it to lie beside. */
export function zoneName(zone: SpacingZone, partKind: Part['kind']): string {
  if (zone !== 'part' || partKind === 'line') return ZONE_NAMES[zone];
  return partKind === 'crown' ? 'Round the crown' : 'First rows';
}

/** Regions that she can call tender or thin. */
export const REGIONS = ['frontEdge', 'temples', 'overEars', 'nape', 'crown'] as const;
export type Region = (typeof REGIONS)[number];

export const REGION_NAMES: Readonly<Record<Region, string>> = {
  frontEdge: 'front hairline',
  temples: 'temples',
  overEars: 'above the ears',
  nape: 'nape',
  crown: 'crown',
};

export interface PlanInputs {
  readonly tape: TapeValuesMm;
  readonly fingerMm: number;
  readonly ownHair: OwnHair;
  readonly tender: readonly Region[];
  readonly thin: readonly Region[];
  readonly sections: number;
  readonly cap: CapKind;
  readonly part: Part;
  readonly product: Product;
  readonly spacing: {
    /** Whether fingers are counted from knot to knot or in the clear gap between two. */
    readonly said: 'centres' | 'clear';
    readonly fingers: Readonly<Record<SpacingZone, number>>;
  };
  readonly schools: Schools;
  /** Pieces to keep for gaps that show after separating, as a share of the knots. */
  readonly reserveShare: number;
  readonly pace: Pace;
  /** Divisions of the sphere the scalp mesh is cut from: 40 gives about 10 000 vertices. */
  readonly meshFrequency: number;
}

export const FINE_MESH = 40;
