/** On paper: the scalp at true size, a rule in her own fingers, the chart and the work, as one PDF or each as a drawing. */
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { PlanResult } from '../../core/findings/index.ts';
import type { PatternCut } from '../../core/template/index.ts';
import { PAPERS, type PaperKind } from '../../formats/paper/paper.ts';
import type { PaperSize } from '../../formats/paper/tiles.ts';
import { fileStem } from '../../formats/plan-json.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { useResult, useScene } from '../ask/plan.ts';
import { offerBlob, offerText } from '../session/files.ts';
import { usePlanSession } from '../session/plan-session.ts';
import { PlainPage } from '../shell/plain-page.tsx';
import { Choice, Several } from '../ui/choice.tsx';
import type { Sheet } from './paper.worker.ts';
import { type PaperAsked, usePaper, usePaperWorker } from './use-paper.ts';
import './paper.css';

export function PaperPage() {
  const { planId = '' } = useParams();
  const opened = usePlanSession(planId);
  const plan = opened.state === 'open' ? opened.session.plan : undefined;
  const { answer, why } = useResult(plan);
  // The page’s guard has every way out.
  if (opened.state === 'unreadable') throw new Error(opened.why);
  return (
    <PlainPage title="On paper">
      {opened.state === 'missing' && <p className="mt-4 text-lead">There is no such plan here.</p>}
      {why && <p className="mt-4 text-lead text-madder">{why}</p>}
      {plan && answer ? (
        <Paper plan={plan} result={answer.value} />
      ) : (
        opened.state !== 'missing' &&
        !why && (
          <p className="mt-4" aria-busy="true">
            Working it out …
          </p>
        )
      )}
    </PlainPage>
  );
}

const KIND_NAMES: Readonly<Record<PaperKind, string>> = {
  template: 'the scalp at true size',
  rule: 'a rule in your own fingers',
  chart: 'the knot chart, at half size',
  work: 'the work in order, to tick',
};
const SIZES: ReadonlyArray<{ readonly value: PaperSize; readonly name: string }> = [
  { value: 'a4', name: 'A4' },
  { value: 'letter', name: 'Letter' },
];
const CUTS: ReadonlyArray<{ readonly value: PatternCut; readonly name: string; readonly reason: string }> = [
  { value: 'sixGores', name: 'Six gores', reason: 'Each on a page of its own; true within a finger’s breadth.' },
  { value: 'eightGores', name: 'Eight gores', reason: 'Truer still, more to join.' },
  { value: 'darts', name: 'One piece, four darts', reason: 'The whole head in sight; less true at the darts.' },
];

function Paper({ plan, result }: { readonly plan: PlanDocument; readonly result: PlanResult }) {
  const [asked, setAsked] = useState<PaperAsked>({ kinds: PAPERS, size: 'a4', cut: 'sixGores' });
  const worker = usePaperWorker();
  const paper = usePaper(worker, plan, result, asked);
  const [isWriting, setWriting] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const stem = fileStem(plan.name);
  const attempt = async (work: () => Promise<void>) => {
    setTrouble(undefined);
    setWriting(true);
    try {
      await work();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error));
    } finally {
      setWriting(false);
    }
  };
  const savePdf = () =>
    attempt(async () => {
      if (!paper.data) return;
      const bytes = await worker().pdf(paper.data.laid, asked.kinds, asked.size);
      offerBlob(`${stem}.paper.pdf`, new Blob([bytes as BlobPart], { type: 'application/pdf' }));
    });
  const pages = paper.data?.sheets.reduce((sum, s) => sum + s.pages, 0);
  const sentence = trouble ?? paper.error?.message;
  return (
    <div className="paper-page desk">
      <section aria-label="What is printed">
        <p className="mt-2 text-lead">{plan.name}</p>
        <div className="mt-5">
          <Several
            label="What"
            values={asked.kinds}
            options={PAPERS.map((k) => [k, KIND_NAMES[k]] as const)}
            onChange={(kinds) => setAsked({ ...asked, kinds: PAPERS.filter((k) => kinds.includes(k)) })}
          />
        </div>
        <h2 className="mt-5 text-title">How the scalp is cut</h2>
        <Choice label="Cut" value={asked.cut} options={CUTS} onChange={(cut) => setAsked({ ...asked, cut })} />
        <h2 className="mt-5 text-title">Paper</h2>
        <Choice label="Paper" value={asked.size} options={SIZES} onChange={(size) => setAsked({ ...asked, size })} />
        <button
          type="button"
          className="button primary mt-5"
          disabled={isWriting || !pages || paper.isOld}
          onClick={savePdf}
          data-testid="save-pdf"
        >
          {isWriting ? 'Writing …' : `Save as a PDF${pages ? `, ${pages} pages` : ''}`}
        </button>
        <p className="note mt-2">
          Print at 100 %, not fitted to the page, and lay a ruler to the bar at the foot before you cut anything.
        </p>
        {sentence && (
          <p role="alert" className="mt-3 text-madder" data-testid="paper-trouble">
            {sentence}
          </p>
        )}
        <InSpace plan={plan} result={result} worker={worker} attempt={attempt} />
        <Link className="word mt-4" to={`/plan/${plan.id}/rows`}>
          To the rows
        </Link>
      </section>
      <section className="paper-sheets" aria-label="Sheets" aria-busy={paper.isFetching}>
        {!paper.data && !sentence && <p role="status">Laying it flat …</p>}
        {asked.kinds.length === 0 && <p className="note">Nothing is chosen.</p>}
        {paper.data?.sheets.map((s) => (
          <Preview key={`${s.kind} ${s.id}`} sheet={s} stem={stem} />
        ))}
      </section>
    </div>
  );
}

function Preview({ sheet, stem }: { readonly sheet: Sheet; readonly stem: string }) {
  const { name, description, svg, id, pages } = sheet;
  return (
    <figure data-sheet={id}>
      <img src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`} alt={description} />
      <figcaption>
        {name}
        <span className="note block">
          {pages === 1 ? 'one page' : `${pages} pages to glue`}
          <button
            type="button"
            className="word ml-3"
            onClick={() => offerText(`${stem}.${id}.svg`, 'image/svg+xml', svg)}
          >
            SVG<span className="sr-only"> of {name}</span>
          </button>
        </span>
      </figcaption>
    </figure>
  );
}

function InSpace(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly worker: ReturnType<typeof usePaperWorker>;
  readonly attempt: (work: () => Promise<void>) => void;
}) {
  const { plan, result, worker, attempt } = props;
  const scene = useScene(plan);
  if (!scene) return null;
  const stem = fileStem(plan.name);
  const saveGlb = async () => {
    const bytes = await worker().glb(plan, result, scene);
    offerBlob(`${stem}.glb`, new Blob([bytes as BlobPart], { type: 'model/gltf-binary' }));
  };
  const saveObj = async () => offerText(`${stem}.obj`, 'model/obj', await worker().obj(plan, result, scene));
  return (
    <>
      <h2 className="mt-6 text-title">In space</h2>
      <p className="note">Head, rows and knots as a model, for a viewer or a printer in space.</p>
      <div className="flex gap-6">
        <button type="button" className="word" onClick={() => attempt(saveGlb)} data-testid="save-glb">
          As GLB
        </button>
        <button type="button" className="word" onClick={() => attempt(saveObj)} data-testid="save-obj">
          As OBJ
        </button>
      </div>
    </>
  );
}
