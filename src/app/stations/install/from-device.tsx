/** An install that was begun on another device: it goes on here, with the plan that it follows. */
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { readInstallJson } from '../../../formats/install-json.ts';
import { mergeInstall } from '../../../store/merge-install.ts';
import { addPlan, storageSentence } from '../../../store/plans.ts';
import { db } from '../../session/database.ts';
import { OpenFile } from '../../ui/open-file.tsx';

export function FromDevice() {
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string>();
  const take = async (file: File) => {
    const read = readInstallJson(await file.text());
    if (!read.ok) return setTrouble(`${read.why} Nothing was changed.`);
    const { session, events, wear } = read.value;
    try {
      // A plan that is not here comes with it.
      if (!(await db.plans.get(session.planId)))
        await addPlan(db, { ...session.plan, id: session.planId }, 'Came with an install', Date.now());
      await mergeInstall(db, session, events, wear);
      navigate(`/install/${session.id}`);
    } catch (error) {
      setTrouble(storageSentence(error));
    }
  };
  return (
    <>
      <OpenFile
        words="Go on with an install from another device"
        className="word mt-2 text-note"
        label="A file of an install"
        accept=".json,application/json"
        testId="install-file"
        onChosen={(file) => void take(file)}
      />
      {trouble && (
        <p role="alert" className="mt-1 text-madder">
          {trouble}
        </p>
      )}
    </>
  );
}
