/** Paper and models are drawn beside the page: a work sheet has hundreds of lines, a head tens of thousands of corners. */
import { expose } from 'comlink';
import type { PlanResult } from '../../core/findings/index.ts';
import type { HeadScene, PaperTemplate } from '../../core/plan/index.ts';
import { headModel } from '../../formats/model3d/head-model.ts';
import type { Drawing } from '../../formats/paper/drawing.ts';
import latin from '../../formats/paper/fonts/latin.ttf?url';
import latinExt from '../../formats/paper/fonts/latin-ext.ttf?url';
import { drawingsOf, type PaperKind } from '../../formats/paper/paper.ts';
import { type PaperSize, tiles } from '../../formats/paper/tiles.ts';
import { toSvg } from '../../formats/paper/to-svg.ts';
import type { PlanDocument } from '../../model/plan.ts';

export interface Laid {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly template: PaperTemplate;
}

/** A drawing as it is shown and saved. */
export interface Sheet {
  readonly kind: PaperKind;
  readonly id: string;
  readonly name: string;
  readonly description: string;
  readonly pages: number;
  readonly svg: string;
}

async function bytesOf(address: string): Promise<Uint8Array> {
  const answer = await fetch(address);
  if (!answer.ok) throw new Error('The letters for paper did not arrive. Is Meshwork still running?');
  return new Uint8Array(await answer.arrayBuffer());
}

const allOf = ({ plan, result, template }: Laid, kinds: readonly PaperKind[]): Array<readonly [PaperKind, Drawing]> =>
  kinds.flatMap((kind) => drawingsOf(kind, plan, result, template).map((d) => [kind, d] as const));

const jobs = {
  sheets: (laid: Laid, kinds: readonly PaperKind[], paper: PaperSize): Sheet[] =>
    allOf(laid, kinds).map(([kind, drawing]) => ({
      kind,
      id: drawing.id,
      name: drawing.name,
      description: drawing.description,
      pages: tiles(drawing, paper).length,
      svg: toSvg(drawing),
    })),
  pdf: async (laid: Laid, kinds: readonly PaperKind[], paper: PaperSize): Promise<Uint8Array> => {
    const { toPdf } = await import('../../formats/paper/to-pdf.ts');
    const fonts = { latin: await bytesOf(latin), latinExt: await bytesOf(latinExt) };
    const drawings = allOf(laid, kinds).map(([, d]) => d);
    return toPdf(drawings, { paper, fonts, title: laid.plan.name });
  },
  glb: async (plan: PlanDocument, result: PlanResult, scene: HeadScene): Promise<Uint8Array> => {
    const { headGlb } = await import('../../formats/model3d/head-glb.ts');
    return headGlb(plan.name, headModel(scene, result));
  },
  obj: async (plan: PlanDocument, result: PlanResult, scene: HeadScene): Promise<string> => {
    const { headObj } = await import('../../formats/model3d/head-obj.ts');
    return headObj(plan.name, headModel(scene, result));
  },
};
export type PaperJobs = typeof jobs;

expose(jobs);
