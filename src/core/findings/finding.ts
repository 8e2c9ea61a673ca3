/** What the core has to say about a plan, and the change that would mend it. */
import type { BaseChoice, BaseEdit, Parking } from '../base/index.ts';
import type { Preparation } from '../hair/index.ts';
import type { Stroke } from '../head/index.ts';
import type { RowChoice } from '../rows/index.ts';
import type { Cap, Family, PieceZone, SchoolName, Schools, SpacingZone, Split, TapeMeasure } from '../trade/index.ts';

export type Severity = 'stop' | 'caution' | 'note';

/** A change to the plan that one tap applies. */
export type Fix =
  | { readonly kind: 'setMeasure'; readonly measure: TapeMeasure; readonly mm: number }
  | { readonly kind: 'setSpacing'; readonly fingers: Partial<Record<SpacingZone, number>> }
  | { readonly kind: 'setSchool'; readonly school: SchoolName; readonly value: Schools[SchoolName] }
  | { readonly kind: 'setCap'; readonly change: Partial<Cap> }
  | { readonly kind: 'setReserve'; readonly share: number }
  | { readonly kind: 'setCut'; readonly cut: string; readonly change: Partial<Omit<Preparation, 'id'>> }
  /** These zones take a finer cut of what they have. */
  | { readonly kind: 'splitZones'; readonly zones: readonly PieceZone[]; readonly split: Split }
  | { readonly kind: 'setRows'; readonly change: Partial<Omit<RowChoice, 'hand' | 'brush'>> }
  | { readonly kind: 'brush'; readonly stroke: Stroke; readonly factor: number }
  | { readonly kind: 'dropHand'; readonly ids: readonly string[] }
  | { readonly kind: 'dropWishes'; readonly ids: readonly string[] }
  | { readonly kind: 'chooseFamily'; readonly family: Family }
  /** She insists on a reading: the head follows it. */
  | { readonly kind: 'trustMeasure'; readonly measure: TapeMeasure }
  | { readonly kind: 'resetHairline' }
  | { readonly kind: 'setBase'; readonly change: Partial<BaseChoice> }
  | { readonly kind: 'editBase'; readonly edits: readonly BaseEdit[] }
  | { readonly kind: 'dropEdits'; readonly ids: readonly string[] }
  | { readonly kind: 'park'; readonly parking: Readonly<Record<string, Parking>> }
  /** Asks for a flatter parking and takes it. */
  | { readonly kind: 'flattenBase' };

export interface NamedFix {
  readonly deed: string;
  readonly change: Fix;
}

export interface Finding {
  readonly code: string;
  readonly severity: Severity;
  /** The station where it is settled. */
  readonly station: 'measure' | 'base' | 'cap' | 'hair' | 'rows' | 'check' | 'supply';
  /** What is wrong, short. */
  readonly what: string;
  /** Where it is, and why it matters. */
  readonly why: string;
  readonly knotIds?: readonly string[];
  readonly measure?: TapeMeasure;
  readonly sectionIds?: readonly string[];
  readonly fix?: NamedFix;
  /** The other way out, where she may decide either way. */
  readonly otherwise?: NamedFix;
}
