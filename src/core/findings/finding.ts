/** What the core has to say about a plan, and the change that would mend it. */
import type { BaseChoice, Parking } from '../base/choice.ts';
import type { EditDeed } from '../base/sections/edit.ts';
import type { Preparation } from '../hair/preparation.ts';
import type { Stroke } from '../head/marks.ts';
import type { RowChoice } from '../rows/choice.ts';
import type { Family } from '../trade/bases.ts';
import type { Cap } from '../trade/caps.ts';
import type { Split } from '../trade/preparation.ts';
import type { SchoolName, Schools } from '../trade/schools.ts';
import type { TapeMeasure } from '../trade/tape.ts';
import type { PieceZone, SpacingZone } from '../trade/zones.ts';

export type Severity = 'stop' | 'caution' | 'note';

/** A change to the plan that one tap applies. */
export type Mend =
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
  | { readonly kind: 'editBase'; readonly edits: readonly EditDeed[] }
  | { readonly kind: 'dropEdits'; readonly ids: readonly string[] }
  | { readonly kind: 'park'; readonly parking: Readonly<Record<string, Parking>> }
  /** Asks for a flatter parking and takes it. */
  | { readonly kind: 'flattenBase' };

export interface NamedMend {
  readonly deed: string;
  readonly change: Mend;
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
  readonly mend?: NamedMend;
  /** The other way out, where she may decide either way. */
  readonly otherwise?: NamedMend;
}
