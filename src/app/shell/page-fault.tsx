/** The page in place of one that can't be shown: what failed, and every way out. It trusts nothing that it reads. */
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { PlanRecord } from '../../store/database.ts';
import { nameOf } from '../../store/plans.ts';
import { setAside, undoLastChange, withoutLastImport } from '../../store/rescue.ts';
import { db } from '../session/database.ts';
import { saveAsItIs } from '../session/files.ts';
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
          <WaysOut
            failed={failed}
            say={setSaid}
            again={again}
            onAside={() => setRecords(records?.filter((r) => r.id !== failed.id))}
          />
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

/** What can be done about the plan that failed. */
function WaysOut(props: {
  readonly failed: PlanRecord;
  readonly say: (sentence: string) => void;
  readonly again: () => void;
  readonly onAside: () => void;
}) {
  const { failed, say } = props;
  const attempt = (work: () => Promise<boolean>, done: string, none: string) => async () => {
    try {
      if (!(await work())) return say(none);
      say(done);
      props.again();
    } catch (why) {
      say(`That could not be done: ${sentenceOf(why)} Nothing was changed.`);
    }
  };
  const putAside = async () => {
    await setAside(db, failed.id, Date.now());
    props.onAside();
    say('It is put aside; “Bring it back” under your plans undoes that.');
  };
  const ways = [
    [
      'undo',
      'Take the last change back',
      attempt(
        () => undoLastChange(db, failed.id, Date.now()),
        'The last change is taken back.',
        'There is no change to take back.',
      ),
    ],
    [
      'import',
      'As it was before the last import',
      attempt(
        () => withoutLastImport(db, failed.id, Date.now()),
        'It is as it was before.',
        'Nothing was brought into this plan from a file.',
      ),
    ],
    ['file', 'Save this plan as a file', () => saveAsItIs(failed)],
    ['aside', 'Put it aside', putAside],
  ] as const;
  return ways.map(([id, words, act]) => (
    <button key={id} type="button" className="word" data-testid={`fault-${id}`} onClick={act}>
      {words}
    </button>
  ));
}
