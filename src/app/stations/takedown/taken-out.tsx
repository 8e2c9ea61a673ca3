/** The day on which a worn style came off: kept with its install, and told in the list of plans. */
import { differenceInCalendarDays, format, isValid, parseISO, startOfDay } from 'date-fns';
import { useLiveQuery } from 'dexie-react-hooks';
import { useId, useState } from 'react';
import { markTakenOut, type WornInstall, wornInstall } from '../../../store/installs.ts';
import { storageSentence } from '../../../store/plans.ts';
import { db } from '../../session/database.ts';
import { day } from '../../ui/format.ts';

export function TakenOut({ planId }: { readonly planId: string }) {
  const worn = useLiveQuery(() => wornInstall(db, planId), [planId]);
  const [why, setWhy] = useState<string>();
  if (!worn) return null;
  const mark = (atMs: number | undefined) =>
    markTakenOut(db, worn.session.id, atMs).then(
      () => setWhy(undefined),
      (error) => setWhy(storageSentence(error)),
    );
  const { takenOutAtMs } = worn.session;
  return (
    <section className="mt-5" aria-label="The day it came off" data-testid="taken-out">
      {takenOutAtMs === undefined ? (
        <StillWorn worn={worn} refuse={setWhy} onOut={(atMs) => void mark(atMs)} />
      ) : (
        <p>
          It came off on {day(takenOutAtMs)}, after {daysWorn(worn.finishedAtMs, takenOutAtMs)}.{' '}
          <button type="button" className="word" onClick={() => void mark(undefined)}>
            It is still in
          </button>
        </p>
      )}
      {why && (
        <p role="alert" className="text-madder">
          {why}
        </p>
      )}
    </section>
  );
}

function StillWorn(props: {
  readonly worn: WornInstall;
  readonly refuse: (why: string) => void;
  readonly onOut: (atMs: number) => void;
}) {
  const { finishedAtMs } = props.worn;
  const id = useId();
  const [date, setDate] = useState(() => format(new Date(), 'yyyy-MM-dd'));
  const out = () => {
    const atMs = parseISO(date).getTime();
    const why = refusalOf(atMs, finishedAtMs, Date.now());
    if (why) props.refuse(why);
    else props.onOut(atMs);
  };
  return (
    <>
      <p>Worn since {day(finishedAtMs)}.</p>
      <div className="field">
        <label htmlFor={id}>Taken out on</label>
        <input
          id={id}
          type="date"
          className="entry"
          data-testid="out-on"
          value={date}
          onChange={(e) => setDate(e.target.value)}
        />
      </div>
      <button type="button" className="button primary mt-3" data-testid="it-is-out" onClick={out}>
        It is out
      </button>
    </>
  );
}

/** Why a day can't be the one, in a sentence. */
export function refusalOf(atMs: number, finishedAtMs: number, nowMs: number): string | undefined {
  if (!isValid(new Date(atMs))) return 'That is no day.';
  if (atMs < startOfDay(finishedAtMs).getTime())
    return `It was put in on ${day(finishedAtMs)}: it can’t have come off before.`;
  if (atMs > nowMs) return 'That day is still to come.';
  return undefined;
}

/** "1 day", "23 days": by the calendar, across months and summer time. */
export function daysWorn(fromMs: number, toMs: number): string {
  const days = differenceInCalendarDays(toMs, fromMs);
  return days === 0 ? 'less than a day' : days === 1 ? '1 day' : `${days} days`;
}
