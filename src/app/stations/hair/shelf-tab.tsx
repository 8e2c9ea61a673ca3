/** Hair that is hers, whatever plan it is used in. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useRef, useState } from 'react';
import { CONDITION_NAMES } from '../../../core/trade/hair.ts';
import { addProduct } from '../../../model/cap-and-hair.ts';
import { keepHair, offShelf, shelfHair } from '../../../store/shelf.ts';
import { db } from '../../session/database.ts';
import { exportProducts } from '../../session/files.ts';
import type { PlanSession } from '../../session/plan-session.ts';

export function ShelfTab({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const kept = useLiveQuery(() => shelfHair(db), []) ?? [];
  const file = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ readonly words: string; readonly wrong: boolean }>();
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    const { readProductsCsv } = await import('../../../formats/products-csv.ts');
    const read = readProductsCsv(await chosen.text());
    if (!read.ok) return setSaid({ words: `${read.why} Nothing was changed.`, wrong: true });
    await keepHair(db, read.value, Date.now());
    setSaid({ words: `${read.value.length} kept on the shelf.`, wrong: false });
  };
  return (
    <>
      <p className="note">Hair that is yours, worn or new. Worn hair comes back as fill, or where it is least seen.</p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="button"
          data-testid="keep-hair"
          onClick={() =>
            void keepHair(db, plan.products, Date.now()).then(() =>
              setSaid({ words: 'This plan’s hair is on the shelf.', wrong: false }),
            )
          }
        >
          Keep this plan’s hair
        </button>
        <button type="button" className="button" onClick={() => file.current?.click()}>
          From a table (CSV)
        </button>
        <button
          type="button"
          className="button"
          data-testid="export-hair"
          onClick={() => void exportProducts(kept.length > 0 ? kept.map((k) => k.product) : plan.products)}
        >
          As a table (CSV)
        </button>
      </div>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv"
        className="sr-only"
        tabIndex={-1}
        aria-label="Table of hair"
        data-testid="import-hair"
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      {said && (
        <p role={said.wrong ? 'alert' : 'status'} className={`note mt-2 ${said.wrong ? 'text-madder' : ''}`}>
          {said.words}
        </p>
      )}
      {kept.length === 0 && <p className="mt-3">Nothing is kept yet.</p>}
      <ul className="mt-2">
        {kept.map(({ id, product }) => (
          <li key={id} className="line py-1">
            <div className="flex items-center justify-between gap-2">
              <button
                type="button"
                className="word"
                onClick={() => {
                  const { id: _, lowerHalfOf: __, ...made } = product;
                  session.apply(addProduct(plan, made));
                }}
              >
                {product.name}
              </button>
              <button
                type="button"
                className="word text-note"
                aria-label={`Take ${product.name} off the shelf`}
                onClick={() => void offShelf(db, id)}
              >
                forget
              </button>
            </div>
            <p className="note">
              {product.packsAtHand} packs, {CONDITION_NAMES[product.condition]}, worn {product.timesWorn} times
            </p>
          </li>
        ))}
      </ul>
    </>
  );
}
