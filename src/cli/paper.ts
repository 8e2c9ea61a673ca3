/** meshwork paper PLAN --out FILE: the template, the rule, the chart and the work sheet as one PDF. */
import { readFileSync } from 'node:fs';
import type { PlanResult } from '../core/findings/index.ts';

import { type PlanGraph, type PlanInputs, paperTemplate } from '../core/plan/index.ts';
import { PATTERN_CUTS } from '../core/template/index.ts';
import { drawingsOf, PAPERS } from '../formats/paper/paper.ts';
import { PAPER_SIZES } from '../formats/paper/tiles.ts';
import { toPdf } from '../formats/paper/to-pdf.ts';
import type { Parsed } from '../model/lengths.ts';
import type { PlanDocument } from '../model/plan.ts';

const font = (name: string) => readFileSync(new URL(`../formats/paper/fonts/${name}.ttf`, import.meta.url));

/** @returns the PDF, or the sentence that says what is not there to be chosen */
export async function paperFor(
  plan: PlanDocument,
  { inputs, graph, result }: { readonly inputs: PlanInputs; readonly graph: PlanGraph; readonly result: PlanResult },
  asked: { readonly size?: string; readonly cut?: string },
): Promise<Parsed<Uint8Array>> {
  const size = PAPER_SIZES.find((s) => s === (asked.size ?? 'a4'));
  if (!size) return { ok: false, why: `“${asked.size}” is no paper: ${PAPER_SIZES.join(' or ')}.` };
  const cut = PATTERN_CUTS.find((c) => c === (asked.cut ?? 'sixGores'));
  if (!cut) return { ok: false, why: `“${asked.cut}” is no way to cut: ${PATTERN_CUTS.join(', ')}.` };
  const template = paperTemplate(graph, { inputs, cut });
  const drawings = PAPERS.flatMap((kind) => drawingsOf(kind, plan, result, template));
  const fonts = { latin: font('latin'), latinExt: font('latin-ext') };
  return { ok: true, value: toPdf(drawings, { paper: size, fonts, title: plan.name }) };
}
