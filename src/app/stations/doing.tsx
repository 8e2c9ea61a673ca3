/** Install, Wear, Takedown, Log and Practice. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { foldInstall } from '../../core/install/session.ts';
import { knotName } from '../../core/trade/knots.ts';
import { signKey } from '../../formats/signs.ts';
import type { InstallSession, LogEntry, LogFigures } from '../../model/install-log.ts';
import { addLogEntry, openSession, sessionEvents, startSession, unloggedSession } from '../../store/installs.ts';
import { storageSentence } from '../../store/plans.ts';
import { KnotMoves } from '../install/moves.tsx';
import { db, newId } from '../state/database.ts';
import { NumberField } from '../ui/field.tsx';
import { day, duration, money } from '../ui/format.ts';
import { Sign } from '../ui/sign.tsx';
import type { BenchProps } from './planning.tsx';

export function InstallBench({ session, result }: BenchProps) {
  const { plan } = session;
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string>();
  const open = useLiveQuery(async () => {
    const found = await openSession(db, plan.id);
    return found ? { session: found, state: foldInstall(await sessionEvents(db, found.id)) } : null;
  }, [plan.id]);
  const begin = async () => {
    const started: InstallSession = {
      id: newId(),
      planId: plan.id,
      startedAtMs: Date.now(),
      plan: session.history.present.plan,
      finished: 0,
    };
    try {
      await startSession(db, started);
      navigate(`/install/${started.id}`);
    } catch (error) {
      setTrouble(storageSentence(error));
    }
  };
  const changed = open && JSON.stringify(open.session.plan) !== JSON.stringify(session.history.present.plan);
  return (
    <>
      <h2>At the mirror</h2>
      {open ? (
        <>
          <p className="mt-3">
            Begun on {day(open.session.startedAtMs)}. {open.state.done.length} knots behind you
            {open.state.paused ? ', paused' : ''}.
          </p>
          {changed && (
            <p className="note mt-1">
              The plan has changed since. The install goes on with the plan as it was, so that no knot moves under your
              hands.
            </p>
          )}
          <Link className="button primary mt-4" to={`/install/${open.session.id}`} data-testid="go-on">
            Go on with knot {open.state.done.length + 1}
          </Link>
          <button type="button" className="word mt-2 text-[13px]" onClick={begin}>
            Begin again with the plan as it is now
          </button>
        </>
      ) : (
        <>
          <p className="mt-3">
            Knot by knot in the order of work, in large type, with the space bar, the arrows or one touch. Every knot is
            kept at once.
          </p>
          <button type="button" className="button primary mt-4" disabled={!result} onClick={begin} data-testid="begin">
            Begin the install
          </button>
        </>
      )}
      {trouble && (
        <p role="alert" className="mt-2 text-madder">
          {trouble}
        </p>
      )}
      <h3 className="mt-6 text-[19px]">Before you begin</h3>
      <ul className="mt-2 list-none text-[14px]">
        {[
          'Hair clean, detangled and dry, scalp oiled before it disappears under the net.',
          'Hook two pieces and look before you open the rest of the hair.',
          'Keep the latch shut when the hook goes back through.',
          'After each knot: it doesn’t slide at a light tug, and the skin doesn’t lift.',
          'Pain, bumps or a headache mean too tight: take it out. Never load sore edges.',
        ].map((line) => (
          <li key={line} className="line py-[6px]">
            {line}
          </li>
        ))}
      </ul>
    </>
  );
}

export function WearBench() {
  return (
    <>
      <h2>While you wear it</h2>
      <ul className="mt-3 text-[14px]">
        {[
          'At night a bonnet and an edge wrap, or the wig off.',
          'After a wash or a swim dry the roots before you sleep; damp roots under a net are trouble.',
          'Itching may be the fibre (out with it) or a scalp that needs washing. Home acids on a broken scalp are not a cure.',
          'Kinky hair mats after about two weeks, long smooth hair tangles below the shoulders.',
          'Pain, bumps or shiny skin at the hairline: take it out, and see a professional if it stays.',
        ].map((line) => (
          <li key={line} className="line py-[7px]">
            {line}
          </li>
        ))}
      </ul>
      <p className="note mt-3">Common practice. No wear diary is kept here yet.</p>
    </>
  );
}

export function TakedownBench({ session, result }: BenchProps) {
  const capped = session.plan.cap.dome !== 'none';
  return (
    <>
      <h2>Taking it out</h2>
      <ol className="mt-3 text-[14px]">
        {[
          'Snip each piece just outside its knot: blunt tips, a finger between blade and scalp, a mirror.',
          'Pull the pieces out. What has a ring or is human hair is unringed and kept.',
          ...(capped ? ['Open the anchors at nape, sides and corners, then lift the cap off.'] : []),
          'Cut the bands, never drag them off.',
          'Detangle from the tips, wash, rest.',
        ].map((line, i) => (
          <li key={line} className="line grid grid-cols-[26px_1fr] py-[7px]">
            <span className="fig text-[17px]">{i + 1}</span>
            {line}
          </li>
        ))}
      </ol>
      {result && (
        <p className="note mt-3">
          {result.knots.filter((k) => k.through !== 'net').length} of {result.knots.length} knots go through your own
          hair; those take the time. Common practice.
        </p>
      )}
    </>
  );
}

export function PracticeBench({ result }: BenchProps) {
  if (!result) return null;
  const kinds = [...new Map(result.knots.map((k) => [signKey(k), k])).values()];
  return (
    <>
      <h2>The knots of this plan</h2>
      <p className="quiet mt-[5px]">
        Try each three times on a scrap of net before you begin. No timing is kept here yet.
      </p>
      {kinds.map((k) => (
        <section key={signKey(k)} className="mt-5">
          <h3 className="flex items-center gap-2 text-[19px]">
            <Sign knot={k} size={6} /> {knotName(k)}
          </h3>
          <p className="note mb-2">{k.chain[1].because}</p>
          <KnotMoves knot={k} compact />
        </section>
      ))}
    </>
  );
}

export function LogBench({ session, result }: BenchProps) {
  const { plan } = session;
  const entries = useLiveQuery(() => db.log.where('planId').equals(plan.id).reverse().sortBy('atMs'), [plan.id]);
  const waiting = useLiveQuery(async () => {
    const found = await unloggedSession(db, plan.id);
    return found ? { session: found, state: foldInstall(await sessionEvents(db, found.id)) } : null;
  }, [plan.id]);
  return (
    <>
      <h2>Log</h2>
      {waiting && result && (
        <LogForm
          key={waiting.session.id}
          install={waiting.session}
          done={waiting.state.done.length}
          pieces={waiting.state.piecesUsed}
          workedMinutes={waiting.state.workedSeconds / 60}
          notes={waiting.state.notes.map((n) => n.text)}
          result={result}
        />
      )}
      {entries?.length === 0 && !waiting && (
        <p className="mt-3">
          Nothing here yet. A finished install asks for one line: what was planned, what was used, what to change.
        </p>
      )}
      {entries?.map((e) => (
        <Entry key={e.id} entry={e} currency={plan.currency} />
      ))}
    </>
  );
}

function LogForm(props: {
  readonly install: InstallSession;
  readonly done: number;
  readonly pieces: number;
  readonly workedMinutes: number;
  readonly notes: readonly string[];
  readonly result: NonNullable<BenchProps['result']>;
}) {
  const { result, install } = props;
  const planned: LogFigures = {
    knots: result.knots.length,
    pieces: result.supply.pieces,
    packs: result.supply.packs,
    minutes: Math.round(result.time.totalMinutes),
    price: result.supply.price,
  };
  const [used, setUsed] = useState<LogFigures>({
    knots: props.done,
    pieces: props.pieces,
    packs: Math.ceil(props.pieces / result.supply.piecesPerPack),
    minutes: Math.max(1, Math.round(props.workedMinutes)),
    price: planned.price,
  });
  const [line, setLine] = useState(props.notes.join(' '));
  const [trouble, setTrouble] = useState<string>();
  const set = (key: keyof LogFigures, most: number) => (value: number) => {
    if (value < 0 || value > most) return `It has to be from 0 to ${most}.`;
    setUsed({ ...used, [key]: value });
    return undefined;
  };
  const keep = async () => {
    const entry: LogEntry = {
      id: newId(),
      planId: install.planId,
      sessionId: install.id,
      planName: install.plan.name,
      atMs: Date.now(),
      line: line.trim(),
      planned,
      used,
    };
    try {
      await addLogEntry(db, entry);
    } catch (error) {
      setTrouble(storageSentence(error));
    }
  };
  return (
    <section className="mt-3" aria-label="One line for the log">
      <p>You finished {props.done} knots. One line, while it is fresh:</p>
      <label className="sr-only" htmlFor="log-line">
        What to change next time
      </label>
      <textarea
        id="log-line"
        data-testid="log-line"
        className="mt-2 w-full border-b-[1.5px] border-hair p-1"
        rows={3}
        value={line}
        maxLength={400}
        placeholder="What to change next time"
        onChange={(e) => setLine(e.target.value)}
      />
      <NumberField
        label={`Pieces used (planned ${planned.pieces})`}
        value={used.pieces}
        testId="log-pieces"
        onCommit={set('pieces', 5000)}
      />
      <NumberField label={`Packs opened (planned ${planned.packs})`} value={used.packs} onCommit={set('packs', 200)} />
      <NumberField
        label={`Minutes (planned ${planned.minutes})`}
        value={used.minutes}
        onCommit={set('minutes', 6000)}
      />
      <NumberField label="Paid" value={used.price} onCommit={set('price', 100000)} />
      <button type="button" className="button primary mt-3" onClick={keep} data-testid="keep-log">
        Keep it in the log
      </button>
      {trouble && (
        <p role="alert" className="mt-2 text-madder">
          {trouble}
        </p>
      )}
    </section>
  );
}

function Entry({ entry, currency }: { readonly entry: LogEntry; readonly currency: string }) {
  const rows: ReadonlyArray<readonly [string, (f: LogFigures) => string]> = [
    ['Pieces', (f) => String(f.pieces)],
    ['Packs', (f) => String(f.packs)],
    ['Hours', (f) => duration(f.minutes)],
    ['Price', (f) => money(f.price, currency)],
  ];
  return (
    <article className="mt-5" data-testid="log-entry">
      <h3 className="text-[19px]">{day(entry.atMs)}</h3>
      {entry.line !== '' && <p className="mt-1">“{entry.line}”</p>}
      <table className="mt-2 w-full text-[13px]">
        <caption className="sr-only">Planned and used</caption>
        <thead className="text-ink2">
          <tr>
            <th scope="col" className="text-left font-normal">
              <span className="sr-only">figure</span>
            </th>
            <th scope="col" className="text-right font-normal">
              planned
            </th>
            <th scope="col" className="text-right font-normal">
              used
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, show]) => (
            <tr key={name} className="line">
              <th scope="row" className="py-[5px] text-left font-normal">
                {name}
              </th>
              <td className="text-right text-ink2">{show(entry.planned)}</td>
              <td className="text-right">{show(entry.used)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </article>
  );
}
