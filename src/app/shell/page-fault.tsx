/** The page in place of one that can't be shown: what failed, and every way out. It trusts nothing that it reads. */
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { PlanRecord } from '../../store/database.ts';
import { setAside, undoLastChange, withoutLastImport } from '../../store/rescue.ts';
import { db } from '../session/database.ts';
import { offerText } from '../session/files.ts';
import { sentenceOf } from './guard.tsx';

export function PageFault({ error, again }: { readonly error: unknown; readonly again: () => void }) {
  const { planId } = useParams();
  const [records, setRecords] = useState<readonly PlanRecord[]>();
  const [said, setSaid] = useState<string>();
  useEffect(() => {
    db.plans
      .toArray()
      .then(setRecords)
      .catch((why: unknown) => setSaid(`Your plans can’t be read just now: ${sentenceOf(why)}`));
  }, []);
  const failed = records?.find((r) => r.id === planId);
  const attempt = (work: (id: string) => Promise<boolean>, done: string, none: string) => async () => {
    if (!failed) return;
    try {
      if (!(await work(failed.id))) return setSaid(none);
      setSaid(done);
      again();
    } catch (why) {
      setSaid(`That could not be done: ${sentenceOf(why)} Nothing was changed.`);
    }
  };
  return (
    <main className="mx-auto max-w-[60ch] p-10" data-testid="page-fault">
      <h1 className="text-heading">{planId ? 'This plan can’t be shown.' : 'This page can’t be shown.'}</h1>
      <p className="mt-2" role="alert">
        It stopped at this: {sentenceOf(error)} Everything you entered is kept.
      </p>
      <div className="line mt-4 flex flex-wrap gap-x-8 pt-2">
        <button type="button" className="word font-strong" onClick={again}>
          Try again
        </button>
        {failed && (
          <>
            <button
              type="button"
              className="word"
              data-testid="fault-undo"
              onClick={attempt(
                (id) => undoLastChange(db, id, Date.now()),
                'The last change is taken back.',
                'There is no change to take back.',
              )}
            >
              Take the last change back
            </button>
            <button
              type="button"
              className="word"
              data-testid="fault-import"
              onClick={attempt(
                (id) => withoutLastImport(db, id, Date.now()),
                'It is as it was before.',
                'Nothing was brought into this plan from a file.',
              )}
            >
              As it was before the last import
            </button>
            <button type="button" className="word" data-testid="fault-file" onClick={() => saveAsItIs(failed)}>
              Save this plan as a file
            </button>
            <button
              type="button"
              className="word"
              data-testid="fault-aside"
              onClick={async () => {
                await setAside(db, failed.id, Date.now());
                setRecords(records?.filter((r) => r.id !== failed.id));
                setSaid('It is put aside; “Bring it back” under your plans undoes that.');
              }}
            >
              Put it aside
            </button>
          </>
        )}
      </div>
      {said && (
        <p role="status" className="line mt-2 py-2">
          {said}
        </p>
      )}
      <h2 className="mt-6 text-title">Your plans</h2>
      <ul className="mt-1" data-testid="fault-plans">
        {records
          ?.filter((r) => !r.deletedAtMs && r.id !== planId)
          .map((r) => (
            <li key={r.id} className="line">
              <a className="word" href={`/plan/${encodeURIComponent(r.id)}/aim`}>
                {nameOf(r)}
              </a>
            </li>
          ))}
      </ul>
      <Link className="word mt-2" to="/?choose" reloadDocument>
        To the start page
      </Link>
    </main>
  );
}

function nameOf(record: PlanRecord): string {
  const name: unknown = record.history?.present?.plan?.name;
  return typeof name === 'string' && name.trim() !== '' ? name : 'A plan without a name';
}

/** As it lies in the store, whatever it is. */
function saveAsItIs(record: PlanRecord) {
  offerText('rescued.plan.json', 'application/json', JSON.stringify(record.history?.present?.plan ?? record, null, 2));
}
