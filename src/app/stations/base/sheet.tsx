/** The order of work of a base on paper: the drawing, a box to tick for every step, and what to have ready. */

import type { PlanResult } from '../../../core/findings/index.ts';
import { duration, FAMILY_INFO, PARKING_NAMES } from '../../../core/trade/index.ts';
import { baseSvg } from '../../../formats/base-svg.ts';
import { formatLength } from '../../../model/lengths.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { fingerMm } from '../../../model/to-inputs.ts';

import { Sheet, Tick } from '../../ui/sheet.tsx';

export function BaseSheet() {
  return (
    <Sheet title="Base" station="base">
      {(plan, result) => <Page plan={plan} result={result} />}
    </Sheet>
  );
}

function Page({ plan, result }: { readonly plan: PlanDocument; readonly result: PlanResult }) {
  const { base } = result;
  return (
    <>
      <h1 className="text-figure">{FAMILY_INFO[plan.base.family].name}</h1>
      <p>
        {[plan.wearer, plan.name].filter(Boolean).join(', ')}. About {duration(result.time.baseMinutes)} at your pace;
        left and right are your own.
      </p>
      {/* biome-ignore lint/security/noDangerouslySetInnerHtml: our own drawing, built from numbers */}
      <div className="my-4" dangerouslySetInnerHTML={{ __html: baseSvg(result) }} />
      <p className="note">
        Solid lines show and have to be straight; dashed ones only separate. Numbers stand at the ties.
      </p>
      <h2>In this order</h2>
      <ol className="mt-2">
        {base.work.map((step) => (
          <Tick key={step.id}>
            <span>
              <b className="font-strong">{step.what}</b> {step.minutes > 0 && <>({duration(step.minutes)})</>}
              <span className="block">{step.how}</span>
            </span>
          </Tick>
        ))}
      </ol>
      <h2>Sections</h2>
      <SectionTable plan={plan} result={result} />
      <h2>Have ready</h2>
      <ul className="mt-2">
        {base.consumables.map((c) => (
          <Tick key={c.name}>
            <span>
              {c.count} {c.unit} {c.name}: {c.because}
            </span>
          </Tick>
        ))}
      </ul>
      <p className="mt-4">
        Too tight means pain, bumps, a headache or shiny skin at the hairline: take it out. Never load edges or thin
        places. After hair loss, surgery or chemotherapy, with a sore scalp, or for a child, ask a professional first.
      </p>
    </>
  );
}

const SECTION_HEADS = ['no.', 'section', 'cm²', 'tail', 'hair it needs', 'parked'];

function SectionTable({ plan, result: { base } }: { readonly plan: PlanDocument; readonly result: PlanResult }) {
  const show = (mm: number) => formatLength(mm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan));
  return (
    <table className="mt-2 w-full">
      <thead>
        <tr>
          {SECTION_HEADS.map((h) => (
            <th key={h} scope="col" className="py-1 text-left font-normal">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {base.sections.map((s, i) => (
          <tr key={s.id} className="line">
            <td className="fig py-1">{i + 1}</td>
            <th scope="row" className="text-left font-normal">
              {s.name}
            </th>
            <td>{Math.round(s.areaMm2 / 100)}</td>
            <td>{s.role === 'base' ? `${Math.round(s.tailThicknessMm)} mm` : ''}</td>
            <td>{s.role === 'base' ? show(s.neededToReachMm) : ''}</td>
            <td>{s.role === 'base' ? PARKING_NAMES[s.parking.how] : 'in sight'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
