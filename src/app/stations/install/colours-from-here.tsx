/** Colours in the midst of an install: what is in stays, the rest is dealt from what she counts. */
import { useState } from 'react';
import { colourIds } from '../../../core/colours/index.ts';
import type { PlanResult } from '../../../core/findings/index.ts';
import { type InstallState, nextNumber } from '../../../core/install/index.ts';
import { colourName, dealRest } from '../../../model/colours.ts';
import { type InstallSession, planOf, type StoredInstallEvent } from '../../../model/install-log.ts';
import { addEvents } from '../../../store/installs.ts';
import { storageSentence } from '../../../store/plans.ts';
import { useResult } from '../../ask/plan.ts';
import { db, newId } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { NumberField } from '../../ui/field.tsx';

export function ColoursFromHere(props: {
  readonly install: InstallSession;
  readonly events: readonly StoredInstallEvent[];
  readonly state: InstallState;
  /** The plan as it is open: where nothing but colours differs it follows. */
  readonly held: PlanSession;
}) {
  const { install, events, state, held } = props;
  const plan = planOf(install, events);
  const { answer } = useResult(plan);
  const [left, setLeft] = useState<Readonly<Record<string, number>>>({});
  const [said, setSaid] = useState<string>();
  if (!answer) return null;
  const expected = leftOf(answer.value, state);
  const ids = colourIds(plan.colours);
  const counted = Object.fromEntries(ids.map((id) => [id, left[id] ?? expected.get(id) ?? 0]));
  const toCome = answer.value.knots.length - state.done.length;
  const deal = async () => {
    const colourOf = new Map(answer.value.knots.map((k) => [k.id, k.colour]));
    const hooked = state.done.flatMap(({ knotId, skipped }) => {
      const colour = colourOf.get(knotId);
      return colour === undefined || skipped ? [] : [{ knotId, colour }];
    });
    const deed = dealRest(plan, hooked, counted);
    try {
      const said = { kind: 'plan', plan: deed.plan, text: deed.words, atMs: Date.now() } as const;
      await addEvents(db, [{ sessionId: install.id, key: newId(), n: nextNumber(events), ...said }]);
      const why = held.apply(dealRest(held.history.present.plan, hooked, counted));
      setSaid(why ?? `The ${toCome} pieces to come are dealt from what is left.`);
    } catch (error) {
      setSaid(storageSentence(error));
    }
  };
  return (
    <section className="mt-5" aria-label="Colours from here" data-testid="colours-from-here">
      <h3 className="text-title">Colours from here</h3>
      <p className="note mt-1">
        {toCome} pieces to come. Count what is left, and they are dealt from that: what is in keeps its colour.
      </p>
      {ids.map((id) => (
        <NumberField
          key={id}
          label={`Pieces left, ${colourName(plan, id)}`}
          testId={`left-${id}`}
          value={counted[id]}
          onCommit={(pieces) => {
            if (!Number.isInteger(pieces) || pieces < 0 || pieces > 5000)
              return 'Pieces are counted whole, up to 5000.';
            setLeft({ ...left, [id]: pieces });
            return undefined;
          }}
        />
      ))}
      <button type="button" className="button mt-2" onClick={() => void deal()} data-testid="deal-rest">
        Deal the rest anew
      </button>
      {said && (
        <p role="status" className="note mt-2">
          {said}
        </p>
      )}
    </section>
  );
}

/** Pieces of each colour that should be left: those of the packs less those that are in. */
function leftOf({ supply, knots }: PlanResult, { done }: InstallState): ReadonlyMap<string, number> {
  const isIn = new Set(done.filter((d) => !d.skipped).map((d) => d.knotId));
  const left = new Map<string, number>();
  for (const { colour, packs, piecesPerPack } of supply.lines)
    left.set(colour, (left.get(colour) ?? 0) + Math.floor(packs * piecesPerPack));
  for (const k of knots) if (isIn.has(k.id)) left.set(k.colour, (left.get(k.colour) ?? 0) - 1);
  return new Map([...left].map(([colour, pieces]) => [colour, Math.max(0, pieces)]));
}
