/** Practice: the knots of the plan in motion, a test row, questions from the plan on her own head. */
import type { BenchProps } from '../../ui/bench-props.ts';
import { Parts } from '../../ui/tabs.tsx';
import { KnotsTab } from './knots-tab.tsx';
import { usePractice } from './practice-view.ts';
import { QuestionsTab } from './questions-tab.tsx';
import { RowTab } from './row-tab.tsx';

export function PracticeBench({ session, result }: BenchProps) {
  const { part, set } = usePractice();
  if (!result) return null;
  if (result.knots.length === 0)
    return (
      <>
        <h2>Practice</h2>
        <p className="mt-3">This plan has no knots yet.</p>
      </>
    );
  const told = { session, result };
  return (
    <>
      <h2>Practice</h2>
      <Parts
        label="Parts of practice"
        open={part}
        onOpen={(open) => set({ part: open, isPlaying: false })}
        parts={[
          { id: 'knots', name: 'Knots', content: <KnotsTab {...told} /> },
          { id: 'row', name: 'Test row', content: <RowTab {...told} /> },
          { id: 'questions', name: 'Questions', content: <QuestionsTab {...told} /> },
        ]}
      />
    </>
  );
}
