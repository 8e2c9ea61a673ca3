/** Log: what a finished install asks for, one style as one record, what to change next time, and what is learned of her hands. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { foldInstall } from '../../../core/install/index.ts';
import { planOf } from '../../../model/install-log.ts';
import { sessionEvents } from '../../../store/install-events.ts';
import { unseenSession } from '../../../store/installs.ts';
import { useResult } from '../../ask/plan.ts';
import { db } from '../../session/database.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Parts } from '../../ui/tabs.tsx';
import { HandsTab } from './hands-tab.tsx';
import { changesIn, LogForm, toldBy } from './log-form.tsx';
import { useLogView } from './log-view.ts';
import { NextTime } from './next-time.tsx';
import { StyleRecordView } from './record.tsx';
import { Renewed } from './renewed.tsx';
import type { Styles } from './use-styles.ts';
import './log.css';

export function LogBench(props: BenchProps) {
  const { plan } = props.session;
  const styles = useLogView((v) => v.styles);
  return (
    <>
      <h2>Log</h2>
      <Finished planId={plan.id} />
      <Renewed planId={plan.id} />
      {styles && <StyleParts {...props} styles={styles} />}
    </>
  );
}

/** Asked once of a finished install. */
function Finished({ planId }: { readonly planId: string }) {
  const waiting = useLiveQuery(async () => {
    const found = await unseenSession(db, planId);
    if (!found) return null;
    const events = await sessionEvents(db, found.session.id);
    const followed = planOf(found.session, events);
    const of = (await db.plans.get(planId))?.wearer?.id;
    return { ...found, of, plan: followed, state: foldInstall(events), changed: changesIn(events) };
  }, [planId]);
  // What was followed last, not what the plan has become since.
  const { answer } = useResult(waiting?.plan);
  if (!waiting || !answer) return null;
  return (
    <LogForm
      key={waiting.session.id}
      install={waiting.session}
      plan={waiting.plan}
      done={waiting.state.done.length}
      pieces={waiting.state.piecesFirst}
      workedMinutes={waiting.state.workedSeconds / 60}
      notes={[...waiting.state.notes.map((n) => n.text), ...toldBy(waiting.state, waiting.changed)]}
      result={answer.value}
      entry={waiting.entry}
      of={waiting.of}
    />
  );
}

/** The style that is looked at: the one that she chose, else the newest of this plan, else the newest. */
function StyleParts({ session, result, styles }: BenchProps & { readonly styles: Styles }) {
  const [open, setOpen] = useState('style');
  const chosen = useLogView((v) => v.chosen);
  const { all, lines } = styles;
  const at = [
    all.findIndex((s) => s.id === chosen),
    all.findIndex((s) => s.entry.planId === session.plan.id),
    all.length > 0 ? 0 : -1,
  ].find((i) => i >= 0);
  const hands = result && { id: 'hands', name: 'Hands', content: <HandsTab session={session} result={result} /> };
  if (at === undefined) return <div className="mt-3">{hands?.content}</div>;
  const [kept, line] = [all[at], lines[at]];
  return (
    <Parts
      label="Parts of the log"
      open={open}
      onOpen={setOpen}
      parts={[
        {
          id: 'style',
          name: 'This style',
          content: <StyleRecordView key={kept.id} kept={kept} line={line} plan={session.plan} />,
        },
        {
          id: 'next',
          name: 'Next time',
          content: <NextTime key={kept.id} kept={kept} line={line} planId={session.plan.id} said={session.plan.pace} />,
        },
        ...(hands ? [hands] : []),
      ]}
    />
  );
}
