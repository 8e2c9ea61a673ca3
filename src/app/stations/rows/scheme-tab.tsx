/** How rows run. */

import { isFieldScheme } from '../../../core/rows/index.ts';
import {
  FOLLOWED_INFO,
  FRINGE_INFO,
  FRINGES,
  ROWS_FOLLOWED,
  SCHEME_INFO,
  SCHEMES,
  SECOND_PASS_INFO,
  SECOND_PASSES,
  upperFirst,
} from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { setRows } from '../../../model/rows-by-hand.ts';
import { schemeOf } from '../../../model/to-inputs.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Choice, Several } from '../../ui/choice.tsx';
import { type FieldEntry, Fields, type TakeChange } from '../../ui/fields.tsx';
import { percent } from '../../ui/format.ts';
import { SchoolsBench } from '../../ui/school-fields.tsx';
import { Figure } from '../../ui/tabs.tsx';
import { BorderRowBench } from './border-row.tsx';
import { IntoBaseBench } from './into-base.tsx';

export function SchemeTab({ session, result }: BenchProps) {
  const { plan } = session;
  const { rows } = plan;
  const { fringe } = rows;
  const set: TakeChange<PlanDocument['rows']> = (change, words) => session.apply(setRows(plan, change, words));
  return (
    <>
      <h2>Which way rows run</h2>
      <div className="mt-2">
        <Choice
          label="Row scheme"
          value={schemeOf(plan)}
          options={SCHEMES.map((value) => ({ value, ...SCHEME_INFO[value] }))}
          onChange={(scheme) => session.apply(setRows(plan, { scheme }))}
        />
        {rows.scheme === undefined && <p className="note mt-1">It follows the base until you choose.</p>}
      </div>
      {schemeOf(plan) === 'found' && plan.cap.dome !== 'none' && plan.cap.ownRows !== 'none' && (
        <div className="mt-3">
          <Choice
            label="Rows that are followed"
            value={rows.follow}
            options={ROWS_FOLLOWED.map((value) => ({ value, ...FOLLOWED_INFO[value] }))}
            onChange={(follow) => session.apply(setRows(plan, { follow }, FOLLOWED_INFO[follow].name))}
          />
        </div>
      )}
      {result && <LinesThere session={session} result={result} />}
      {result && (
        <dl className="mt-3">
          <Figure name="Set off like bricks (half is chance)">{percent(result.rowScheme.brickScore)}</Figure>
          <Figure name="Rows from edge to edge">{result.rowScheme.wholeRows}</Figure>
          {result.rowScheme.insertedRows > 0 && (
            <Figure name="Short rows between them">{result.rowScheme.insertedRows}</Figure>
          )}
        </dl>
      )}
      {result && result.base.lines.length > 0 && (
        <Choice
          label="Lines of the base"
          value={rows.keepLines ? 'free' : 'crossed'}
          options={[
            { value: 'crossed', name: 'Lines of the base may be crossed', reason: 'Rows lie where gaps ask for them.' },
            {
              value: 'free',
              name: 'Lines of the base stay free',
              reason: 'No row between rows that are there; a knot that would sit on a line slides beside it.',
            },
          ]}
          onChange={(v) => set({ keepLines: v === 'free' }, v === 'free' ? 'Lines stay free' : 'Lines may be crossed')}
        />
      )}
      <h3 className="mt-5 text-title">Passes</h3>
      <Choice
        label="Passes"
        value={rows.secondPass}
        options={SECOND_PASSES.map((value) => ({ value, ...SECOND_PASS_INFO[value] }))}
        onChange={(secondPass) => session.apply(setRows(plan, { secondPass }))}
      />
      <Fields record={{ ...rows, scheme: schemeOf(plan) }} of={OFFSET} set={set} />
      <h3 className="mt-5 text-title">Fringe</h3>
      <Choice
        label="Fringe"
        value={fringe.how}
        options={FRINGES.map((value) => ({ value, ...FRINGE_INFO[value] }))}
        onChange={(how) => session.apply(setRows(plan, { fringe: { ...fringe, how } }))}
      />
      <Fields record={fringe} of={SHORT_FRINGE} set={(c, words) => set({ fringe: { ...fringe, ...c } }, words)} />
      <BorderRowBench session={session} result={result} />
      <IntoBaseBench session={session} result={result} />
      <SchoolsBench session={session} names={['bun', 'wideTwist']} />
    </>
  );
}

/** Rows that are there, each on or off; beside the list they are seen on the head, dotted where no piece follows. */
function LinesThere({ session, result }: Required<BenchProps>) {
  const { plan } = session;
  const { off } = plan.rows;
  const lines = [...new Map(result?.linesThere.map((l) => [l.id, l])).values()];
  if (lines.length === 0) return null;
  return (
    <div className="mt-3" data-testid="lines-there">
      <Several
        label="Followed by pieces"
        values={lines.filter((l) => !off.includes(l.id)).map((l) => l.id)}
        options={lines.map((l) => [l.id, upperFirst(l.name)] as const)}
        onChange={(on) => {
          const ids = lines.map((l) => l.id);
          const changed = lines.find((l) => on.includes(l.id) === off.includes(l.id));
          const kept = off.filter((id) => !ids.includes(id));
          session.apply(
            setRows(
              plan,
              { off: [...kept, ...ids.filter((id) => !on.includes(id))] },
              changed ? `${upperFirst(changed.name)}: ${on.includes(changed.id) ? 'on' : 'off'}` : undefined,
            ),
          );
        }}
      />
    </div>
  );
}

const OFFSET: ReadonlyArray<FieldEntry<PlanDocument['rows']>> = [
  {
    key: 'offset',
    kind: 'number',
    percent: true,
    label: 'Rows moved from the part, % of a gap',
    testId: 'row-offset',
    when: ({ scheme }) => scheme === undefined || isFieldScheme(scheme),
    beside: 'Moves where the bricks fall; nearer is below zero. At most a quarter of a gap.',
    words: (share) => `Rows moved by ${Math.round(1000 * share) / 10} % of a gap`,
  },
];

const isShort = ({ how }: PlanDocument['rows']['fringe']) => how === 'short';
const SHORT_FRINGE: ReadonlyArray<FieldEntry<PlanDocument['rows']['fringe']>> = [
  {
    key: 'widthFingers',
    kind: 'number',
    label: 'Wide, fingers',
    when: isShort,
    words: (n) => `Fringe ${n} fingers wide`,
  },
  { key: 'rows', kind: 'number', label: 'Rows of it', when: isShort, words: (n) => `Fringe in ${n} rows` },
];
