/** Edits of a base, one after the other, each kept: a line that is dragged redoes only the last of them. */
import { dequal } from 'dequal';
import type { BaseContext } from '../context.ts';
import { applyEdit, type BaseEdit, type Edit, type EditedSections, type EditOutcome, replayEdits } from './edit.ts';
import type { SectionMap } from './section-map.ts';

/** Newest edits that are kept, on whichever sections. */
const KEPT = 60;

interface KeptEdit {
  readonly before: SectionMap;
  readonly deed: BaseEdit;
  readonly outcome: EditOutcome;
}

export class EditTree {
  private readonly kept: KeptEdit[] = [];

  constructor(
    private readonly context: BaseContext,
    private readonly generated: SectionMap,
  ) {}

  /** What the edits make of the generated sections, and which no longer fit. */
  edited(edits: readonly Edit[]): EditedSections {
    return replayEdits(this.generated, edits, (map, deed) => this.outcome(map, deed));
  }

  /** What one more edit would do after these. */
  after(edits: readonly Edit[], deed: BaseEdit): EditOutcome {
    return this.outcome(this.edited(edits).map, deed);
  }

  private outcome(before: SectionMap, deed: BaseEdit): EditOutcome {
    const at = this.kept.findIndex((k) => k.before === before && dequal(k.deed, deed));
    const [found] = at < 0 ? [] : this.kept.splice(at, 1);
    const edit = found ?? { before, deed, outcome: applyEdit(this.context, before, deed) };
    this.kept.unshift(edit);
    this.kept.length = Math.min(this.kept.length, KEPT);
    return edit.outcome;
  }
}
