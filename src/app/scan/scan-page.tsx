/** A head from a scan: opened, set upright, marked, held against her tape, and taken for its measures or for its shape. */
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { PlanDocument } from '../../model/plan.ts';
import { type PlanSession, usePlanSession } from '../session/plan-session.ts';
import { PlainPage } from '../shell/plain-page.tsx';
import { OpenFile } from '../ui/open-file.tsx';
import { useView, VIEWS } from '../view/view-store.ts';
import { Against } from './against-tape.tsx';
import { type Brush, ScanStage } from './scan-stage.tsx';
import { HairUnder, Marks } from './set-of-scan.tsx';
import { Stands } from './stands.tsx';
import { type Doing, useScan } from './use-scan.ts';
import './scan.css';

export function ScanPage() {
  const { planId = '' } = useParams();
  const opened = usePlanSession(planId);
  // The page’s guard has every way out.
  if (opened.state === 'unreadable') throw new Error(opened.why);
  return (
    <PlainPage title={`A scan of ${opened.state === 'open' ? headOf(opened.session.plan) : 'the head'}`}>
      {opened.state === 'missing' && <p className="mt-4 text-lead">There is no such plan here.</p>}
      {opened.state === 'open' && <Scan session={opened.session} />}
    </PlainPage>
  );
}

const headOf = ({ madeFor }: PlanDocument) => (madeFor.whom === 'me' ? 'your head' : 'the head it is for');

function Scan({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const on = useScan(plan.id);
  const { scan } = on;
  const [brush, setBrush] = useState<Brush>();
  const [isTaken, setTaken] = useState(false);
  const turn = useView((v) => v.turn);
  useEffect(() => {
    const { azimuth, elevation } = useView.getState();
    turn(VIEWS.threeQuarters);
    return () => turn({ azimuth, elevation });
  }, [turn]);
  const hold = (tool: Brush | undefined) => {
    setBrush(tool);
    // Where it is pressed is seen on what is left, where a bead lies on the scan.
    setTaken(tool !== undefined);
  };
  return (
    <div className="scan-page desk">
      <section aria-label="The scan">
        <p className="note mt-2">
          OBJ, STL, PLY, glTF or GLB, with up to two million triangles, as any scanner or phone writes one. It stays in
          this browser until it is taken or put away; of what is taken only the shape of the head is kept.
        </p>
        <Open on={on} />
        {scan && <Stands scan={scan} onTurn={on.turn} />}
        {scan?.measured && scan.marks && (
          <>
            <Marks scan={scan} onAtHand={() => hold(undefined)} onReset={() => on.set({ moved: {} })} />
            <HairUnder scan={scan} brush={brush} onBrush={hold} onSet={on.set} />
            <Against session={session} scan={scan} onHair={(hairMm) => on.set({ hairMm })} onTaken={on.putAway} />
          </>
        )}
        <Link className="word mt-4" to={`/plan/${plan.id}/measure`}>
          Back to the tape
        </Link>
      </section>
      {scan ? (
        <div className="scan-side">
          <Seen isTaken={isTaken} canBeTaken={scan.measured !== undefined} onChoose={setTaken} />
          <ScanStage
            plan={plan}
            picture={(isTaken && scan.measured?.picture) || scan.standing.picture}
            marks={scan.measured && scan.marks}
            brush={scan.measured && brush}
            onMark={(mark, at) => on.set({ moved: { ...scan.moved, [mark]: at } })}
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

function Open({ on }: { readonly on: ReturnType<typeof useScan> }) {
  const [trouble, setTrouble] = useState<string>();
  const sample = async () => {
    setTrouble(undefined);
    const answer = await fetch('/api/scan').catch(() => undefined);
    if (!answer?.ok || !/model\/stl/.test(answer.headers.get('content-type') ?? ''))
      return setTrouble('The sample comes from the server, which is not there just now.');
    on.open(new File([await answer.blob()], 'sample-scan.stl'));
  };
  return (
    <>
      <div className="mt-3 flex flex-wrap gap-x-6">
        <OpenFile
          words={on.scan ? 'Open another' : 'Open a scan'}
          className="word font-strong"
          label="Scan file"
          accept=".obj,.stl,.ply,.glb,.gltf,model/*"
          testId="open-scan"
          onChosen={on.open}
        />
        <button type="button" className="word" onClick={sample} data-testid="sample-scan">
          A sample
        </button>
        {on.scan && (
          <button type="button" className="word" onClick={on.putAway} data-testid="put-away-scan">
            Put it away
          </button>
        )}
      </div>
      <Progress doing={on.doing} stop={on.stop} />
      {trouble && (
        <p role="alert" className="text-madder">
          {trouble}
        </p>
      )}
    </>
  );
}

const SEEN: ReadonlyArray<readonly [name: string, isTaken: boolean]> = [
  ['the scan', false],
  ['what is taken of it', true],
];

function Seen(props: {
  readonly isTaken: boolean;
  readonly canBeTaken: boolean;
  readonly onChoose: (isTaken: boolean) => void;
}) {
  return (
    <fieldset className="one-of flex gap-x-4" aria-label="What is seen">
      {SEEN.map(([name, of]) => (
        <button
          key={name}
          type="button"
          className="word"
          aria-pressed={of === props.isTaken}
          disabled={of && !props.canBeTaken}
          onClick={() => props.onChoose(of)}
        >
          <span>{name}</span>
        </button>
      ))}
    </fieldset>
  );
}

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
