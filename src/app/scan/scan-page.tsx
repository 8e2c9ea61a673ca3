/** A head from a scan: opened, set upright, marked, held against her tape, and taken for its measures or for its shape. */
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import {
  type HeldAgainst,
  heldAgainst,
  SCAN_UNITS,
  type ScanJudged,
  type ScanUnit,
  UPS,
  type Up,
} from '../../core/scan/index.ts';
import { TAPE_INFO } from '../../core/trade/index.ts';
import { formatLength } from '../../model/lengths.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { PlanChange } from '../../model/plan-change.ts';
import { followScan, takeShape } from '../../model/scan-commands.ts';
import { fingerMm, headInputs } from '../../model/to-inputs.ts';
import { type PlanSession, usePlanSession } from '../session/plan-session.ts';
import { PlainPage } from '../shell/plain-page.tsx';
import { NumberField, SelectField } from '../ui/field.tsx';
import { Ledger } from '../ui/ledger.tsx';
import { OpenFile } from '../ui/open-file.tsx';
import { useView, VIEWS } from '../view/view-store.ts';
import { type Brush, ScanStage } from './scan-stage.tsx';
import { type Doing, type ScanOnTheWay, useScan } from './use-scan.ts';
import './scan.css';

export function ScanPage() {
  const { planId = '' } = useParams();
  const opened = usePlanSession(planId);
  // The page’s guard has every way out.
  if (opened.state === 'unreadable') throw new Error(opened.why);
  return (
    <PlainPage title="A scan of your head">
      {opened.state === 'missing' && <p className="mt-4 text-lead">There is no such plan here.</p>}
      {opened.state === 'open' && <Scan session={opened.session} />}
    </PlainPage>
  );
}

function Scan({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const on = useScan();
  const { scan, doing } = on;
  const [brush, setBrush] = useState<Brush>();
  const [sampleTrouble, setSampleTrouble] = useState<string>();
  const turn = useView((v) => v.turn);
  useEffect(() => turn(VIEWS.threeQuarters), [turn]);
  const sample = async () => {
    setSampleTrouble(undefined);
    const answer = await fetch('/api/scan').catch(() => undefined);
    if (!answer?.ok || !/model\/stl/.test(answer.headers.get('content-type') ?? ''))
      return setSampleTrouble('The sample comes from the server, which is not there just now.');
    on.open(new File([await answer.blob()], 'sample-scan.stl'));
  };
  const [isTaken, setTaken] = useState(false);
  const taken = scan?.measured?.picture;
  const picture = (isTaken && taken) || scan?.standing.picture;
  return (
    <div className="scan-page desk">
      <section aria-label="The scan">
        <p className="note mt-2">
          OBJ, STL, PLY or GLB, with up to two million triangles, as any scanner or phone writes one. It stays in this
          browser; only the shape of the head is kept.
        </p>
        <div className="mt-3 flex flex-wrap gap-x-6">
          <OpenFile
            words={scan ? 'Open another' : 'Open a scan'}
            className={`word font-strong`}
            label="Scan file"
            accept=".obj,.stl,.ply,.glb,.gltf,model/*"
            testId="open-scan"
            onChosen={on.open}
          />
          <button type="button" className="word" onClick={sample} data-testid="sample-scan">
            A sample
          </button>
        </div>
        <Progress doing={doing} stop={on.stop} />
        {sampleTrouble && (
          <p role="alert" className="text-madder">
            {sampleTrouble}
          </p>
        )}
        {scan && <Stands scan={scan} onTurn={on.turn} />}
        {scan?.measured && scan.marks && (
          <>
            <HairUnder
              scan={scan}
              brush={brush}
              onBrush={(tool) => {
                setBrush(tool);
                // Where it is pressed is seen on what is left.
                if (tool) setTaken(true);
              }}
              onSet={on.set}
            />
            <Against session={session} scan={scan} onHair={(hairMm) => on.set({ hairMm })} />
          </>
        )}
        <Link className="word mt-4" to={`/plan/${plan.id}/measure`}>
          Back to the tape
        </Link>
      </section>
      {scan && picture ? (
        <div className="scan-side">
          <fieldset className="one-of flex gap-x-4" aria-label="What is seen">
            {SEEN.map(([name, of]) => (
              <button
                key={name}
                type="button"
                className="word"
                aria-pressed={of === isTaken}
                disabled={of && !taken}
                onClick={() => setTaken(of)}
              >
                <span>{name}</span>
              </button>
            ))}
          </fieldset>
          <ScanStage
            plan={plan}
            picture={picture}
            marks={scan.measured && scan.marks}
            brush={scan.measured && brush}
            onMarks={(marks) => on.set({ marks })}
            onStrokes={(strokes) => on.set({ strokes: [...scan.strokes, ...strokes] })}
          />
        </div>
      ) : (
        <div className="scan-side grid place-content-center">
          <p className="note max-w-[36ch] text-center">
            Hair tied flat, a thin cap over it, all round the head and under the chin: the closer it lies, the less has
            to be taken off here.
          </p>
        </div>
      )}
    </div>
  );
}

const SEEN: ReadonlyArray<readonly [name: string, isTaken: boolean]> = [
  ['the scan', false],
  ['what is taken of it', true],
];

const DOING_WORDS: Readonly<Record<Exclude<Doing['what'], 'nothing'>, string>> = {
  reading: 'Reading the file',
  cleaning: 'Leaving out what hangs together with nothing',
  looking: 'Looking for a head in it',
  standing: 'Setting it upright',
  measuring: 'Laying the tapes',
};
const ORDER = ['reading', 'cleaning', 'looking', 'standing', 'measuring'] as const;

function Progress({ doing, stop }: { readonly doing: Doing; readonly stop: () => void }) {
  if (doing.what === 'nothing')
    return doing.trouble ? (
      <p role="alert" className="mt-2 text-madder" data-testid="scan-trouble">
        {doing.trouble}
      </p>
    ) : (
      <p role="status" data-testid="scan-rests" />
    );
  return (
    <p role="status" className="mt-2 flex flex-wrap items-center gap-x-4" data-testid="scan-doing">
      {DOING_WORDS[doing.what]} …
      <progress max={ORDER.length} value={ORDER.indexOf(doing.what)} aria-label={DOING_WORDS[doing.what]} />
      <button type="button" className="word" onClick={stop}>
        Stop
      </button>
    </p>
  );
}

const UNIT_NAMES: Readonly<Record<ScanUnit, string>> = {
  mm: 'millimetres',
  cm: 'centimetres',
  m: 'metres',
  in: 'inches',
};
const UP_NAMES: Readonly<Record<Up, string>> = {
  '+y': 'its y',
  '-y': 'against its y',
  '+z': 'its z',
  '-z': 'against its z',
  '+x': 'its x',
  '-x': 'against its x',
};

function Stands(props: {
  readonly scan: ScanOnTheWay;
  readonly onTurn: (change: Partial<ScanOnTheWay['pose']>) => void;
}) {
  const { scan, onTurn } = props;
  const { opened, pose, standing } = scan;
  const within = (low: number, high: number, key: 'turnDeg' | 'tipDeg') => (value: number) => {
    if (value < low || value > high) return `From ${low} to ${high} degrees.`;
    onTurn({ [key]: value });
    return undefined;
  };
  return (
    <section className="mt-4">
      <h2 className="text-title">How it stands</h2>
      <p className="note">
        {opened.triangles.toLocaleString('en-GB')} triangles
        {opened.piecesDropped > 0 &&
          `, ${opened.piecesDropped} loose ${opened.piecesDropped === 1 ? 'piece' : 'pieces'} left out`}
        . Unit and pose are guessed: mend what is wrong.
      </p>
      <SelectField
        label="Its unit"
        testId="scan-unit"
        value={pose.unit}
        options={SCAN_UNITS.map((u) => [u, UNIT_NAMES[u]] as const)}
        onChange={(unit) => onTurn({ unit })}
      />
      <SelectField
        label="Up is"
        testId="scan-up"
        value={pose.up}
        options={UPS.map((u) => [u, UP_NAMES[u]] as const)}
        onChange={(up) => onTurn({ up })}
      />
      <NumberField
        label="Face turned, degrees to your left"
        testId="scan-turn"
        value={pose.turnDeg}
        onCommit={within(-180, 180, 'turnDeg')}
      />
      <NumberField
        label="Chin raised, degrees"
        testId="scan-tip"
        value={pose.tipDeg}
        onCommit={within(-60, 60, 'tipDeg')}
      />
      {standing.trouble && (
        <p role="alert" className="mt-2 text-madder" data-testid="scan-stands-wrong">
          {standing.trouble}
        </p>
      )}
      {standing.head && (
        <p className="note mt-1" data-testid="scan-found">
          {standing.head.holeShare > 0.01
            ? `Holes over ${Math.round(100 * standing.head.holeShare)} % of it are bridged. `
            : 'No holes above the ears. '}
          Left and right differ by up to {standing.head.unlikeMm.toFixed(1)} mm; both are taken as one. Drag the beads
          to where they belong: of the hairline they are only guessed.
        </p>
      )}
    </section>
  );
}

const MOST_HAIR_MM = 30;

function HairUnder(props: {
  readonly scan: ScanOnTheWay;
  readonly brush: Brush | undefined;
  readonly onBrush: (brush: Brush | undefined) => void;
  readonly onSet: (change: Partial<Pick<ScanOnTheWay, 'hairMm' | 'strokes'>>) => void;
}) {
  const { scan, brush, onBrush, onSet } = props;
  const tools: ReadonlyArray<readonly [name: string, tool: Brush | undefined]> = [
    ['Turn it', undefined],
    ['Press down', { radiusMm: 28, pressMm: 2 }],
    ['Smooth', { radiusMm: 28, pressMm: 0 }],
  ];
  return (
    <section className="mt-4">
      <h2 className="text-title">Hair under it</h2>
      <NumberField
        label="All over, mm"
        testId="scan-hair"
        value={Math.round(10 * scan.hairMm) / 10}
        onCommit={(hairMm) => {
          if (hairMm < 0 || hairMm > MOST_HAIR_MM) return `From 0 to ${MOST_HAIR_MM} mm.`;
          onSet({ hairMm });
          return undefined;
        }}
      />
      <div className="mt-2 flex flex-wrap gap-2">
        {tools.map(([name, tool]) => (
          <button
            key={name}
            type="button"
            className="button tool w-auto"
            aria-pressed={brush?.pressMm === tool?.pressMm}
            onClick={() => onBrush(tool)}
          >
            {name}
          </button>
        ))}
        <button
          type="button"
          className="word"
          disabled={scan.strokes.length === 0}
          onClick={() => onSet({ strokes: scan.strokes.slice(0, -1) })}
        >
          Last stroke back
        </button>
      </div>
      <p className="note mt-1">
        A bun, a fold of the cap: brush over it. What is pressed on one side is pressed on both.
      </p>
    </section>
  );
}

function Against(props: {
  readonly session: PlanSession;
  readonly scan: ScanOnTheWay;
  readonly onHair: (hairMm: number) => void;
}) {
  const { session, scan } = props;
  const { plan } = session;
  const navigate = useNavigate();
  const [why, setWhy] = useState<string>();
  if (!scan.measured) return null;
  const { tape } = headInputs(plan);
  const judged = heldAgainst(scan.measured.tape, tape);
  const { relief } = scan.measured;
  const take = (change: PlanChange) => {
    const refused = session.apply(change);
    if (refused) return setWhy(`${refused} Nothing was changed.`);
    navigate(`/plan/${plan.id}/measure`);
  };
  return (
    <section className="mt-4">
      <h2 className="text-title">Against your tape</h2>
      <Held plan={plan} judged={judged} />
      <p className="mt-2" data-testid="scan-verdict">
        {judged.words}
      </p>
      {judged.hairMm > 0.5 && (
        <button type="button" className="word font-strong" onClick={() => props.onHair(scan.hairMm + judged.hairMm)}>
          Take {judged.hairMm.toFixed(1)} mm off all over
        </button>
      )}
      <div className="mt-3 grid gap-2">
        <button
          type="button"
          className="button primary"
          onClick={() => take(takeShape(plan, scan.name, relief, judged.measures))}
          data-testid="take-shape"
        >
          Take its shape
          <span className="note block font-normal">
            The scan’s own surface is the head; its size follows your tape where you have one that holds.
          </span>
        </button>
        <button
          type="button"
          className="button"
          onClick={() => take(followScan(plan, judged.measures))}
          data-testid="take-measures"
        >
          Take its measures only
          <span className="note block font-normal">A head fitted to these six, in place of your tape.</span>
        </button>
      </div>
      {why && (
        <p role="alert" className="mt-2 text-madder">
          {why}
        </p>
      )}
    </section>
  );
}

const BELIEVED: Readonly<Record<HeldAgainst['believed'], string>> = { scan: 'scan', tape: 'tape', either: 'either' };

function Held({ plan, judged }: { readonly plan: PlanDocument; readonly judged: ScanJudged }) {
  const show = (mm: number) => formatLength(mm, plan.unit, fingerMm(plan));
  return (
    <Ledger
      testId="scan-held"
      caption="Tapes as they would lie on it"
      captionSaid
      heads={['Measure', 'Scan', 'Your tape', 'Believe']}
      lines={judged.measures.map((m) => ({
        key: m.measure,
        name: TAPE_INFO[m.measure].name,
        cells: [show(m.scanMm), m.tapeMm === undefined ? '–' : show(m.tapeMm), BELIEVED[m.believed]],
      }))}
    />
  );
}
