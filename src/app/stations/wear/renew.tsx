/** Rows that are hooked anew while it is worn: each time a small install of its own in the same record. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { nextNumber } from '../../../core/install/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import type { Plan } from '../../../core/plan/index.ts';
import { rowWords, upperFirst } from '../../../core/trade/index.ts';
import type { StoredInstallEvent } from '../../../model/install-log.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { sessionEvents } from '../../../store/install-events.ts';
import { addEvents } from '../../../store/installs.ts';
import { lotsOf } from '../../../store/stash.ts';
import { db, newId } from '../../session/database.ts';
import { SelectField } from '../../ui/field.tsx';
import { Trouble, useTrouble } from '../../ui/trouble.tsx';
import type { EventExtra } from '../install/use-install.ts';

interface Renewable {
  readonly id: string;
  readonly name: string;
  readonly knots: readonly PlannedKnot[];
}

/** What is renewed most, the front and the part, and every row by itself. */
function renewables({ knots: all, rows }: Plan, isIn: ReadonlySet<string>): Renewable[] {
  const knots = all.filter((k) => isIn.has(k.id));
  const of = (id: string, name: string, isOf: (k: PlannedKnot) => boolean) => ({ id, name, knots: knots.filter(isOf) });
  return [
    of('front', 'the front', (k) => rows[k.row].kind === 'front' || k.pieceZone === 'fringe' || k.zone === 'faceEdge'),
    of('part', 'the part', (k) => k.zone === 'part'),
    ...rows.map((row, i) => of(`row-${i}`, rowWords(row.label), (k) => k.row === i)),
  ].filter((r) => r.knots.length > 0);
}

/** Adds what happened to the install, behind all that is known of it. */
async function told(sessionId: string, ...events: ReadonlyArray<Pick<StoredInstallEvent, 'kind'> & EventExtra>) {
  const n = nextNumber(await sessionEvents(db, sessionId));
  const atMs = Date.now();
  await addEvents(
    db,
    events.map((e, i) => ({ ...e, sessionId, key: newId(), n: n + i, atMs })),
  );
}

/** What of this plan's hair lies in her stash, in packs and in pieces. */
function useInStash(plan: PlanDocument) {
  return useLiveQuery(async () => {
    const of = (await db.plans.get(plan.id))?.wearer?.id;
    const lots = await lotsOf(db, of, plan.products);
    return lots.reduce(
      (sum, { lot, product }) => {
        const packs = lot.packs + lot.loose / product.piecesPerPack;
        return { packs: sum.packs + packs, pieces: sum.pieces + Math.floor(packs * product.piecesPerPack) };
      },
      { packs: 0, pieces: 0 },
    );
  }, [plan]);
}

export function Renew(props: {
  readonly sessionId: string;
  readonly plan: PlanDocument;
  readonly result: Plan;
  readonly isIn: ReadonlySet<string>;
}) {
  const { sessionId, plan, result, isIn } = props;
  const all = renewables(result, isIn);
  const [chosen, setChosen] = useState<string>();
  const [trouble, tried] = useTrouble();
  const stash = useInStash(plan);
  const navigate = useNavigate();
  const one = all.find((r) => r.id === chosen) ?? all[0];
  if (!one || !stash) return null;
  const begin = async () => {
    const knotIds = one.knots.map((k) => k.id);
    if (await tried(told(sessionId, { kind: 'renew', knotIds, packsLeft: stash.packs })))
      navigate(`/install/${sessionId}`);
  };
  const count = one.knots.length === 1 ? '1 piece comes' : `${one.knots.length} pieces come`;
  return (
    <section className="mt-5" aria-label="Renew">
      <h3 className="text-title">Renew</h3>
      <SelectField
        label="Hook anew"
        value={one.id}
        options={all.map((r) => [r.id, `${upperFirst(r.name)}, ${r.knots.length}`] as const)}
        onChange={setChosen}
        testId="renew-what"
      />
      <p className="note mt-1" data-testid="renew-stash">
        {count} out and as many new ones go in, told knot by knot as before.{' '}
        {stash.pieces === 0
          ? 'None of this hair is in your stash: put there what you have.'
          : `Your stash holds about ${stash.pieces} pieces of this hair.`}
      </p>
      <button type="button" className="button mt-2" onClick={() => void begin()} data-testid="renew">
        Take them out and hook new ones
      </button>
      <Trouble why={trouble} />
    </section>
  );
}

/** Where rows are out just now. */
export function Renewing({ sessionId }: { readonly sessionId: string }) {
  const navigate = useNavigate();
  const [trouble, tried] = useTrouble();
  const stay = () => tried(told(sessionId, { kind: 'renew' }, { kind: 'finish' }));
  return (
    <section className="mt-4" aria-label="Renewal">
      <p>Some of it is being hooked anew.</p>
      <button type="button" className="button primary mt-2" onClick={() => navigate(`/install/${sessionId}`)}>
        Go on with it
      </button>
      <button type="button" className="word" onClick={() => void stay()} data-testid="renew-not">
        Not after all: the rest stays as it was
      </button>
      <Trouble why={trouble} />
    </section>
  );
}
