/** The way to all of it in one file, and a word where too much of hers lies in one place only. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { atStake, isAnyAtStake, isDue, noteAlone } from '../../store/backup/at-stake.ts';
import { db } from '../session/database.ts';
import { day } from '../ui/format.ts';

export function BackupWord({ close }: { readonly close: () => void }) {
  const stake = useLiveQuery(() => atStake(db));
  const due = stake && isDue(stake, Date.now());
  const isFirstSeen = stake !== undefined && stake.aloneSinceMs === undefined && isAnyAtStake(stake);
  useEffect(() => {
    // Where it can't be kept there is no reminder, and nothing else.
    if (isFirstSeen) void noteAlone(db, Date.now()).catch(() => undefined);
  }, [isFirstSeen]);
  return (
    <div className="line mt-4 pt-2">
      <Link className="word font-strong" to="/kept" onClick={close} data-testid="to-kept">
        All of it, in one file
      </Link>
      {due && (
        <p className="note" role="status" data-testid="backup-due">
          {stake.writtenAtMs === undefined
            ? 'Your work lies in this browser alone, and has for two weeks or more.'
            : `The last backup is of ${day(stake.writtenAtMs)}; what you did since lies in this browser alone.`}
        </p>
      )}
    </div>
  );
}
