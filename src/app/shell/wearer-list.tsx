/** Whom plans are for: each by her name, which can be changed; one that is no longer wanted goes, her plans stay. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import type { WearerRecord } from '../../store/database.ts';
import { storageSentence } from '../../store/plans.ts';
import {
  bringBackWearer,
  plansByWearer,
  putAwayWearer,
  renameWearer,
  wearerName,
  wearers,
} from '../../store/wearers.ts';
import { db } from '../session/database.ts';
import { TextField } from '../ui/field.tsx';

export function WearerList({ say }: { readonly say: (sentence: string) => void }) {
  const all = useLiveQuery(() => wearers(db));
  const plans = useLiveQuery(() => plansByWearer(db));
  const [gone, setGone] = useState<WearerRecord>();
  if (!all || (all.length === 0 && !gone)) return null;
  const attempt = (work: Promise<void>) => work.catch((error) => say(storageSentence(error)));
  const remove = (wearer: WearerRecord) =>
    attempt(putAwayWearer(db, wearer.id, Date.now()).then(() => setGone(wearer)));
  const bringBack = ({ id }: WearerRecord) => attempt(bringBackWearer(db, id).then(() => setGone(undefined)));
  return (
    <section className="mt-6" aria-label="Wearers">
      <h3 className="text-title">Wearers</h3>
      <ul>
        {all.map((w) => (
          <Wearer key={w.id} wearer={w} plans={plans?.get(w.id) ?? 0} attempt={attempt} onRemove={() => remove(w)} />
        ))}
      </ul>
      {gone && (
        <p className="line py-2" role="status">
          {wearerName(gone)} is no longer offered for new plans; plans made for her stay.{' '}
          <button type="button" className="word font-strong" onClick={() => void bringBack(gone)}>
            Bring her back
          </button>
        </p>
      )}
    </section>
  );
}

function Wearer(props: {
  readonly wearer: WearerRecord;
  readonly plans: number;
  readonly attempt: (work: Promise<void>) => Promise<void>;
  readonly onRemove: () => void;
}) {
  const { wearer, plans } = props;
  const [renaming, setRenaming] = useState(false);
  const name = wearerName(wearer);
  const commit = (text: string) => {
    const trimmed = text.trim();
    if (trimmed === '') return 'A wearer needs a name.';
    if (trimmed.length > 80) return 'That name is too long.';
    void props.attempt(renameWearer(db, wearer.id, trimmed, Date.now()).then(() => setRenaming(false)));
    return undefined;
  };
  return (
    <li className="line py-1" data-wearer={wearer.id}>
      {renaming ? (
        <>
          <TextField label="Her name" value={wearer.her.wearer} onCommit={commit} testId="rename-wearer" />
          <button type="button" className="word text-note" onClick={() => setRenaming(false)}>
            Done
          </button>
        </>
      ) : (
        <div className="flex flex-wrap items-center gap-x-5">
          <span className="grow">
            {name}, {plans === 1 ? '1 plan' : `${plans} plans`}
          </span>
          <button type="button" className="word text-note" onClick={() => setRenaming(true)}>
            Rename<span className="sr-only"> {name}</span>
          </button>
          <button type="button" className="word text-note" onClick={props.onRemove}>
            Remove<span className="sr-only"> {name}</span>
          </button>
        </div>
      )}
    </li>
  );
}
