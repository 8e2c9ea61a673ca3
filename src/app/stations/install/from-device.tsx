/** An install that was begun on another device: it goes on here, with the plan that it follows. */
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { readInstallJson } from '../../../formats/install-json.ts';
import { storageSentence } from '../../../store/plans.ts';
import { takeInstall } from '../../../store/take-install.ts';
import { db } from '../../session/database.ts';
import { OpenFile } from '../../ui/open-file.tsx';

export function FromDevice() {
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string>();
  const take = async (file: File) => {
    const read = readInstallJson(await file.text());
    if (!read.ok) return setTrouble(`${read.why} Nothing was changed.`);
    try {
      await takeInstall(db, read.value, Date.now());
      navigate(`/install/${read.value.session.id}`);
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
