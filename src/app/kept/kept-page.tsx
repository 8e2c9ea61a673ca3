/** All that this browser keeps: how much it is, a backup of it in one file, and one brought in. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { type AtStake, atStake } from '../../store/backup/at-stake.ts';
import { db } from '../session/database.ts';
import { PlainPage } from '../shell/plain-page.tsx';
import { day } from '../ui/format.ts';
import { OpenFile } from '../ui/open-file.tsx';
import { BackupFound } from './backup-found.tsx';
import { type Doing, sizeOf, useKept } from './use-kept.ts';
import './kept.css';

export function KeptPage() {
  const kept = useKept();
  const stake = useLiveQuery(() => atStake(db));
  const { doing, looked } = kept;
  const isBusy = doing.what !== 'nothing';
  return (
    <PlainPage title="All of it, in one file">
      <p className="mt-2 max-w-[60ch] text-lead">
        Your plans, heads, styles, notes and photos lie in this browser and nowhere else.
      </p>
      <Figures />
      <div className="kept-ways">
        <section>
          <h2 className="text-heading">Out</h2>
          <p className="note mt-1" data-testid="at-stake">
            {stake && stakeWords(stake)}
          </p>
          <button
            type="button"
            className="button primary mt-4"
            disabled={isBusy}
            onClick={kept.write}
            data-testid="write-backup"
          >
            Write a backup
          </button>
          <Storage />
        </section>
        <section>
          <h2 className="text-heading">In</h2>
          <p className="note mt-1">
            Into this browser, beside what is here: nothing of it is lost, and where both changed the same thing you are
            asked.
          </p>
          <div className="mt-4">
            <OpenFile
              words="Open a backup"
              className="button"
              label="Backup file"
              accept=".zip,application/zip"
              testId="open-backup"
              onChosen={kept.look}
            />
          </div>
        </section>
      </div>
      <Progress doing={doing} stop={kept.stop} />
      {looked && !isBusy && <BackupFound looked={looked} onTake={kept.bringIn} onLeave={kept.forget} />}
    </PlainPage>
  );
}

function Progress({ doing, stop }: { readonly doing: Doing; readonly stop: () => void }) {
  if (doing.what === 'nothing')
    return (
      <>
        <p role="status" className="mt-6 text-lead" data-testid="kept-said">
          {doing.said}
        </p>
        {doing.trouble && (
          <p role="alert" className="mt-6 text-madder" data-testid="kept-trouble">
            {doing.trouble}
          </p>
        )}
      </>
    );
  const words = { writing: 'Writing', reading: 'Reading', bringing: 'Bringing in' }[doing.what];
  return (
    <div className="mt-6 flex items-center gap-6" role="status" data-testid="kept-doing">
      <span>
        {words}
        {doing.of > 0 ? `, ${doing.done} of ${doing.of}` : ''} …
      </span>
      <progress className="kept-progress" max={doing.of || 1} value={doing.done} aria-label={words} />
      {doing.what !== 'reading' && (
        <button type="button" className="word" onClick={stop} data-testid="kept-stop">
          Stop
        </button>
      )}
    </div>
  );
}

function stakeWords({ writtenAtMs, plans, installs, notes, photos }: AtStake): string {
  const fresh = [
    [plans, 'plan', 'plans'],
    [installs, 'install', 'installs'],
    [notes, 'note', 'notes'],
    [photos, 'photo', 'photos'],
  ] as const;
  const parts = fresh.filter(([n]) => n > 0).map(([n, one, many]) => `${n} ${n === 1 ? one : many}`);
  const list = parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : parts[0];
  if (writtenAtMs === undefined)
    return list ? `No backup yet. Here and nowhere else: ${list}.` : 'No backup yet, and nothing of yours to lose.';
  const since = `Last written ${day(writtenAtMs)}.`;
  return list ? `${since} New or changed since: ${list}.` : `${since} Nothing has changed since.`;
}

function Figures() {
  const counts = useLiveQuery(async () => ({
    plans: await db.plans.where('deletedAtMs').equals(0).count(),
    wearers: await db.wearers.filter((w) => !w.isAway).count(),
    styles: await db.log.count(),
    photos: await db.photos.count(),
  }));
  if (!counts) return null;
  const figures = [
    [counts.plans, 'plan', 'plans'],
    [counts.wearers, 'wearer', 'wearers'],
    [counts.styles, 'style', 'styles'],
    [counts.photos, 'photo', 'photos'],
  ] as const;
  return (
    <dl className="kept-figures" data-testid="kept-figures">
      {figures.map(([n, one, many]) => (
        <div key={many}>
          <dt className="note">{n === 1 ? one : many}</dt>
          <dd>{n}</dd>
        </div>
      ))}
    </dl>
  );
}

/** What the browser may do to it, and the one thing that can be asked of it. */
function Storage() {
  const [kept, setKept] = useState<{ readonly isPromised: boolean; readonly bytes: number | undefined }>();
  const [wasRefused, setRefused] = useState(false);
  useEffect(() => {
    void (async () => {
      const isPromised = (await navigator.storage?.persisted?.()) ?? false;
      setKept({ isPromised, bytes: (await navigator.storage?.estimate?.())?.usage });
    })();
  }, []);
  const ask = async () => {
    const isPromised = (await navigator.storage?.persist?.()) ?? false;
    setKept((k) => ({ isPromised, bytes: k?.bytes }));
    setRefused(!isPromised);
  };
  if (!kept) return null;
  const size = kept.bytes === undefined ? '' : ` It takes ${sizeOf(kept.bytes)} here.`;
  return (
    <div className="mt-4" data-testid="storage">
      <p className="note">
        {kept.isPromised
          ? `The browser keeps it until you clear its data yourself.${size}`
          : `The browser may clear it when the disk is full, and some do after weeks without a visit.${size}`}
      </p>
      {!kept.isPromised && (
        <button type="button" className="word" onClick={ask} data-testid="ask-persist">
          Ask it to keep it
        </button>
      )}
      {wasRefused && (
        <p role="status" className="note">
          It promises nothing. A backup does.
        </p>
      )}
    </div>
  );
}
