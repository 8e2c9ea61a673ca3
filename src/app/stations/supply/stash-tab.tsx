/** What she has: hair lot by lot, what plans take of it, and the things that are needed besides. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { CONDITION_NAMES, CONDITIONS, DOME_INFO, lowerFirst, upperFirst } from '../../../core/trade/index.ts';
import { takeFromStash } from '../../../model/stash-commands.ts';
import { storageSentence } from '../../../store/plans.ts';
import {
  backIntoStash,
  changeHair,
  keepHair,
  type LotTaken,
  lotsTaken,
  outOfStash,
  putBack,
  putHair,
  type StashBefore,
  stashCaps,
} from '../../../store/stash.ts';
import { db } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { exportHair } from '../../session/tables.ts';
import { useWearerOf } from '../../session/use-wearer-of.ts';
import { NumberField, SelectField } from '../../ui/field.tsx';
import { OpenFile } from '../../ui/open-file.tsx';
import { Swatch } from '../../ui/swatch.tsx';
import { Things } from './things.tsx';
import { Weigh } from './weigh.tsx';

interface Said {
  readonly words: string;
  readonly wrong?: boolean;
  /** Undone with one tap. */
  readonly back?: () => void;
}

export function StashTab({ session, result }: { readonly session: PlanSession; readonly result: PlanResult }) {
  const { plan } = session;
  const of = useWearerOf(plan.id);
  const lots = useLiveQuery(() => lotsTaken(db, of), [of]) ?? [];
  const [said, setSaid] = useState<Said>();
  const tell = (work: Promise<unknown>, then?: Said) =>
    void work.then(
      () => setSaid(then),
      (error) => setSaid({ words: storageSentence(error), wrong: true }),
    );
  return (
    <>
      <h2>Your stash</h2>
      <p className="note mt-1">
        Hair that is yours, new or worn. Plans take of it what they say is at hand; what is left after an install comes
        back by itself.
      </p>
      <ul className="mt-3" data-testid="stash">
        {lots.map((lot) => (
          <Lot
            key={lot.id}
            lot={lot}
            session={session}
            change={(change) => tell(changeHair(db, lot.id, change, Date.now()))}
            out={() =>
              tell(outOfStash(db, lot.id), {
                words: `${lot.product.name} is out of the stash.`,
                back: () => tell(backIntoStash(db, recordOf(lot)), { words: `${lot.product.name} is back.` }),
              })
            }
          />
        ))}
      </ul>
      {lots.length === 0 && <p className="mt-2">Nothing lies here yet.</p>}
      {said && (
        <p role={said.wrong ? 'alert' : 'status'} className={`mt-2 text-small ${said.wrong ? 'text-madder' : ''}`}>
          {said.words}{' '}
          {said.back && (
            <button type="button" className="word" onClick={said.back}>
              Put it back
            </button>
          )}
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-x-5">
        <button
          type="button"
          className="word"
          data-testid="stash-keep"
          onClick={() =>
            tell(
              keepHair(
                db,
                of,
                plan.products.filter((p) => p.lowerHalfOf === undefined),
                Date.now(),
              ),
              {
                words: 'This plan’s hair is in the stash, with the packs that it says are at hand.',
              },
            )
          }
        >
          Put in this plan’s hair
        </button>
        <OpenFile
          words="From a table (CSV)"
          className="word"
          label="Table of hair"
          accept=".csv,text/csv"
          testId="stash-import"
          onChosen={(file) =>
            void fromTable(file, of).then(
              ({ before, ...saying }) =>
                setSaid({
                  ...saying,
                  ...(before ? { back: () => tell(putBack(db, before), { words: 'The stash is as it was.' }) } : {}),
                }),
              (error) => setSaid({ words: storageSentence(error), wrong: true }),
            )
          }
        />
        <button type="button" className="word" data-testid="stash-export" onClick={() => void exportHair(lots)}>
          As a table (CSV)
        </button>
      </div>
      <Caps of={of} />
      <Things session={session} result={result} of={of} />
    </>
  );
}

/** As it lies in the store, without what was worked out of it. */
const recordOf = ({ taken: _, free: __, ...record }: LotTaken) => record;

async function fromTable(file: File, of: string | undefined): Promise<Said & { readonly before?: StashBefore }> {
  const { readProductsCsv } = await import('../../../formats/products-csv.ts');
  const read = readProductsCsv(await file.text());
  if (!read.ok) return { words: `${read.why} Nothing was changed.`, wrong: true };
  const before = await putHair(db, of, read.value, Date.now());
  const n = before.ids.length;
  const replaced = before.records.length;
  const words = `${n} ${n === 1 ? 'lot' : 'lots'} put into the stash${replaced > 0 ? `, ${replaced} of them in place of what was there` : ''}.`;
  return { words, before };
}

/** Caps lie here too; they are put in and taken out where the cap is chosen. */
function Caps({ of }: { readonly of: string | undefined }) {
  const caps = useLiveQuery(() => stashCaps(db, of), [of]) ?? [];
  if (caps.length === 0) return null;
  return (
    <section className="mt-5" data-testid="caps">
      <h3 className="text-title">Caps</h3>
      <ul className="text-small">
        {caps.map((c) => (
          <li key={c.id} className="line py-1">
            {c.name}, {lowerFirst(DOME_INFO[c.cap.dome].name)}, worn {c.cap.timesWorn} times
          </li>
        ))}
      </ul>
    </section>
  );
}

type LotChange = Parameters<typeof changeHair>[2];

function Lot(props: {
  readonly lot: LotTaken;
  readonly session: PlanSession;
  readonly change: (change: LotChange) => void;
  readonly out: () => void;
}) {
  const { lot, session, change, out } = props;
  const { product, loose, free, taken } = lot;
  const [open, setOpen] = useState(false);
  const [refusal, setRefusal] = useState<string>();
  const name = `${product.name}, ${product.colours.join(' to ')}`;
  return (
    <li className="line py-1.25">
      <details open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
        <summary data-testid="lot">
          <Swatch shades={product.colours} className="mr-1.5 inline size-3.5 align-[-2px]" />
          <span className="font-strong">{name}</span>
          <span className="note block">
            {lot.cut ? `${lot.cut} halves of ` : ''}
            {product.length}, {CONDITION_NAMES[product.condition]} · {packsWords(lot)}
          </span>
        </summary>
        {open && (
          <div className="mt-1 ml-3">
            <NumberField
              label="Packs, not opened"
              testId="lot-packs"
              value={product.packsAtHand}
              onCommit={(packs) => whole(packs, 200) ?? void change({ product: { packsAtHand: packs } })}
            />
            <NumberField
              label="Loose pieces"
              testId="lot-loose"
              value={loose}
              onCommit={(pieces) => whole(pieces, 5000) ?? void change({ loose: pieces })}
            />
            <Weigh of={name} product={product} onPieces={(pieces) => change({ loose: pieces })} />
            <SelectField
              label="Condition"
              wide
              value={product.condition}
              testId="lot-condition"
              options={CONDITIONS.map((c) => [c, CONDITION_NAMES[c]] as const)}
              onChange={(condition) => change({ product: { condition } })}
            />
            <SelectField
              label="Loose pieces are"
              wide
              value={lot.cut ?? 'whole'}
              testId="lot-cut"
              options={[
                ['whole', 'whole'],
                ['upper', 'upper halves'],
                ['lower', 'lower halves'],
              ]}
              onChange={(cut) => change({ cut })}
            />
            <NumberField
              label="Times worn"
              value={product.timesWorn}
              onCommit={(timesWorn) => whole(timesWorn, 100) ?? void change({ product: { timesWorn } })}
            />
            <p className="note mt-1">
              Good for: {lot.cut === undefined ? GOOD_FOR[product.condition] : HALF_FOR[lot.cut]}.
            </p>
            {taken.map((t) => (
              <p key={t.plan} className={`note ${t.granted < t.packs ? 'text-madder' : ''}`}>
                {t.name} takes {t.packs}
                {t.granted < t.packs ? `, of which ${t.granted === 0 ? 'none is' : `${t.granted} are`} there` : ''}.
              </p>
            ))}
            <div className="mt-2 flex flex-wrap gap-x-5">
              {free > 0 && (
                <button
                  type="button"
                  className="word"
                  data-testid="lot-take"
                  onClick={() => setRefusal(session.apply(takeFromStash(session.plan, product, free)))}
                >
                  Set {free === 1 ? 'the free one' : `${free} free ones`} aside for this plan
                </button>
              )}
              <button type="button" className="word text-note" onClick={out}>
                Out of the stash
              </button>
            </div>
            {refusal && (
              <p role="alert" className="note text-madder">
                {refusal} Nothing was changed.
              </p>
            )}
          </div>
        )}
      </details>
    </li>
  );
}

const HALF_FOR = {
  upper: 'behind and below, half as long; they have their loop',
  lower: 'nape and fill, folded by hand: they have no loop',
} as const;

const GOOD_FOR = {
  new: 'anywhere',
  worn: 'behind and below, fill, where it is least seen',
  tired: 'fill only, or the underside of the back',
} as const;

function packsWords({ product: { packsAtHand }, loose, free }: LotTaken): string {
  const packs =
    packsAtHand === 0
      ? ''
      : `${packsAtHand} ${packsAtHand === 1 ? 'pack' : 'packs'}${free < packsAtHand ? `, ${free} free` : ''}`;
  const pieces = loose === 0 ? '' : `${loose} loose ${loose === 1 ? 'piece' : 'pieces'}`;
  return [packs, pieces].filter(Boolean).join(' and ') || 'none left';
}

/** @returns why it is no count, or nothing */
export function whole(value: number, most: number): string | undefined {
  return Number.isInteger(value) && value >= 0 && value <= most
    ? undefined
    : `${upperFirst(String(value))} is no count: a whole number up to ${most}.`;
}
