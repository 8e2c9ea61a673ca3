/** One graph of stages as tests ask it: by name, with whole results. */

import type { BaseEdit } from '../../src/core/base/sections/edit.ts';
import { type Judged, judge } from '../../src/core/findings/judge.ts';
import { type PlanResult, planWithFindings } from '../../src/core/findings/plan-result.ts';
import { spacingStep } from '../../src/core/plan/ask/spacing-step.ts';
import { tryEdit } from '../../src/core/plan/ask/try-edit.ts';
import type { PlanInputs } from '../../src/core/plan/inputs.ts';
import { hidden, look } from '../../src/core/plan/look.ts';
import type { LookAsked } from '../../src/core/plan/look-result.ts';
import { base } from '../../src/core/plan/stages/base.ts';
import { prints } from '../../src/core/plan/stages/fall.ts';
import { head } from '../../src/core/plan/stages/head.ts';
import { layout } from '../../src/core/plan/stages/knots.ts';
import { rowsPart } from '../../src/core/plan/stages/part.ts';
import { faceEdge, spacingFactor } from '../../src/core/plan/stages/rows.ts';
import { spacing } from '../../src/core/plan/stages/spacing.ts';
import { planGraph } from '../../src/core/plan/stages/stage.ts';

export class Planner {
  readonly graph = planGraph();

  plan(inputs: PlanInputs): PlanResult {
    return planWithFindings(this.graph, inputs);
  }

  look(asked: LookAsked) {
    return this.graph.ask(asked).of(look);
  }

  hidden(asked: LookAsked): number {
    return this.graph.ask(asked).of(hidden);
  }

  judge(inputs: PlanInputs): Judged {
    return judge(this.graph, inputs);
  }

  /** Pieces that this look had to trace anew. */
  traced(asked: LookAsked): number {
    return this.graph.ask(asked).of(prints).traced;
  }

  head(inputs: PlanInputs) {
    return this.graph.ask({ inputs }).of(head);
  }

  base(inputs: PlanInputs) {
    return this.graph.ask({ inputs }).of(base);
  }

  /** The part as rows are worked out from it. */
  part(inputs: PlanInputs) {
    return this.graph.ask({ inputs }).of(rowsPart);
  }

  /** Rows and knots on the head that rows are worked out on. */
  layout(inputs: PlanInputs) {
    return this.graph.ask({ inputs }).of(layout);
  }

  /** Zones and face edge, as factors on the spacing at every vertex. */
  pitch(inputs: PlanInputs) {
    const now = this.graph.ask({ inputs });
    return { spacingFactor: now.of(spacingFactor), faceEdge: now.of(faceEdge) };
  }

  /** Knots that the density asks for: the integral of 1 / (gap × pitch) over her scalp. */
  knotsAsked(inputs: PlanInputs): number {
    const { mesh } = this.head(inputs);
    const { spacingFactor: zone, faceEdge: edge } = this.pitch(inputs);
    const { gapMm, pitchMm } = this.spacing(inputs).mm;
    return mesh.vertexAreasMm2.reduce((sum, mm2, v) => sum + mm2 / (gapMm * pitchMm * zone[v] ** 2 * edge[v]), 0);
  }

  spacing(inputs: PlanInputs) {
    return this.graph.ask({ inputs }).of(spacing);
  }

  spacingStep(inputs: PlanInputs) {
    return spacingStep(this.graph, inputs);
  }

  tryEdit(inputs: PlanInputs, edit: BaseEdit) {
    return tryEdit(this.graph, inputs, edit);
  }
}
