/** What the store refused, in a sentence, until it is tried again. */
import { useCallback, useState } from 'react';
import { storageSentence } from '../../store/plans.ts';

/** @returns why the last try was not kept, and a way to try; what is tried tells whether it was kept */
export function useTrouble() {
  const [why, setWhy] = useState<string>();
  const tried = useCallback(
    (work: Promise<unknown>): Promise<boolean> =>
      work.then(
        () => {
          setWhy(undefined);
          return true;
        },
        (error) => {
          setWhy(storageSentence(error));
          return false;
        },
      ),
    [],
  );
  return [why, tried] as const;
}

export function Trouble({ why }: { readonly why: string | undefined }) {
  if (!why) return null;
  return (
    <p role="alert" className="mt-2 text-madder">
      {why}
    </p>
  );
}
