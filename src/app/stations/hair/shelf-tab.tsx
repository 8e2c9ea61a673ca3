/** Hair that is hers, whatever plan it is used in. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { CONDITION_NAMES } from '../../../core/trade/index.ts';
import { addProduct } from '../../../model/cap-and-hair.ts';
import { keepHair, outOfStash, putHair, type StashHair, stashHair } from '../../../store/stash.ts';
import { db } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { exportHair } from '../../session/tables.ts';
import { useWearerOf } from '../../session/use-wearer-of.ts';
import { OpenFile } from '../../ui/open-file.tsx';

interface Said {
  readonly words: string;
  readonly wrong: boolean;
}

export function ShelfTab({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const of = useWearerOf(plan.id);
  const kept = useLiveQuery(() => stashHair(db, of), [of]) ?? [];
  const [said, setSaid] = useState<Said>();
  const keep = async () => {
    await keepHair(db, of, plan.products, Date.now());
    setSaid({ words: 'This plan’s hair is on the shelf.', wrong: false });
  };
  return (
    <>
      <p className="note">Hair that is yours, worn or new. Worn hair comes back as fill, or where it is least seen.</p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="button" data-testid="keep-hair" onClick={() => void keep()}>
          Keep this plan’s hair
        </button>
        <OpenFile
          words="From a table (CSV)"
          className="button"
          label="Table of hair"
          accept=".csv,text/csv"
          testId="import-hair"
          onChosen={(file) => void fromTable(file, of).then(setSaid)}
        />
        <button
          type="button"
          className="button"
          data-testid="export-hair"
          onClick={() =>
            void exportHair(kept.length > 0 ? kept : plan.products.map((product) => ({ product, loose: 0 })))
          }
        >
          As a table (CSV)
        </button>
      </div>
      {said && (
        <p role={said.wrong ? 'alert' : 'status'} className={`note mt-2 ${said.wrong ? 'text-madder' : ''}`}>
          {said.words}
        </p>
      )}
      {kept.length === 0 && <p className="mt-3">Nothing is kept yet.</p>}
      <ul className="mt-2">
        {kept.map((shelved) => (
          <Shelved key={shelved.id} shelved={shelved} session={session} />
        ))}
      </ul>
    </>
  );
}

async function fromTable(file: File, of: string | undefined): Promise<Said> {
  const { readProductsCsv } = await import('../../../formats/products-csv.ts');
  const read = readProductsCsv(await file.text());
  if (!read.ok) return { words: `${read.why} Nothing was changed.`, wrong: true };
  await putHair(db, of, read.value, Date.now());
  return { words: `${read.value.length} kept on the shelf.`, wrong: false };
}

function Shelved(props: { readonly shelved: StashHair; readonly session: PlanSession }) {
  const { session } = props;
  const { id, product } = props.shelved;
  const use = () => {
    const { id: _, lowerHalfOf: __, ...made } = product;
    session.apply(addProduct(session.plan, made));
  };
  return (
    <li className="line py-1">
      <div className="flex items-center justify-between gap-2">
        <button type="button" className="word" onClick={use}>
          {product.name}
        </button>
        <button
          type="button"
          className="word text-note"
          aria-label={`forget ${product.name}, ${product.colours[0]}`}
          onClick={() => void outOfStash(db, id)}
        >
          forget
        </button>
      </div>
      <p className="note">
        {product.packsAtHand} packs, {CONDITION_NAMES[product.condition]}, worn {product.timesWorn} times
      </p>
    </li>
  );
}
