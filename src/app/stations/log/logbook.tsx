/** The log where the head stands elsewhere: all styles in a table, small multiples under it, or two of them on linked heads. */
import { useEffect } from 'react';
import type { PlanSession } from '../../session/plan-session.ts';
import { ComparedStyles } from './compared.tsx';
import { useLogView } from './log-view.ts';
import { SmallMultiples } from './multiples.tsx';
import { StyleTable } from './style-table.tsx';
import { useFolding, useStyles } from './use-styles.ts';
import './log.css';

export function Logbook({ session }: { readonly session: PlanSession }) {
  const styles = useStyles(session.plan.id);
  // The bench beside it shows one of them.
  useEffect(() => {
    useLogView.setState({ styles });
    return () => useLogView.setState({ styles: undefined });
  }, [styles]);
  const toFold = useFolding(session.plan.id);
  const { pair, isCompared, compare } = useLogView();
  if (!styles) return <div className="logbook" aria-busy="true" />;
  const two = pair.flatMap((id) => styles.all.find((s) => s.id === id) ?? []);
  if (isCompared && two.length === 2) return <ComparedStyles two={two} onBack={() => compare(false)} />;
  return (
    <section className="logbook" aria-label="Your styles" data-testid="logbook" data-folding={toFold ?? 'unknown'}>
      {styles.all.length === 0 ? (
        <p className="max-w-prose text-lead">
          Nothing here yet. A finished install becomes a record of its own: what was planned, what it really was, row by
          row, and how long it was worn.
        </p>
      ) : (
        <>
          <StyleTable lines={styles.lines} currency={session.plan.currency} />
          {two.length === 2 && (
            <button
              type="button"
              className="button compare-both"
              onClick={() => compare(true)}
              data-testid="compare-both"
            >
              Both on linked heads
            </button>
          )}
          <SmallMultiples lines={styles.lines} all={styles.all} currency={session.plan.currency} />
          {toFold !== undefined && toFold > 0 && (
            <p className="note" role="status">
              Reading {toFold} {toFold === 1 ? 'install' : 'installs'} row by row …
            </p>
          )}
        </>
      )}
    </section>
  );
}
