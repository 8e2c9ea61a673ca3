/** How rows run. */

import { isFieldScheme } from '../../../core/rows/field/schemes.ts';
import {
  FRINGE_INFO,
  FRINGES,
  SCHEME_INFO,
  SCHEMES,
  SECOND_PASS_INFO,
  SECOND_PASSES,
} from '../../../core/trade/rows.ts';
import { setRows } from '../../../model/rows-by-hand.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Choice } from '../../ui/choice.tsx';
import { NumberField } from '../../ui/field.tsx';
import { SchoolsBench } from '../../ui/school-fields.tsx';
import { Figure } from '../../ui/tabs.tsx';

export function SchemeTab({ session, result }: BenchProps) {
  const { plan } = session;
  const { rows } = plan;
  const { fringe } = rows;
  return (
    <>
      <h2>Which way rows run</h2>
      <div className="mt-2">
        <Choice
          label="Row scheme"
          value={rows.scheme}
          options={SCHEMES.map((value) => ({ value, ...SCHEME_INFO[value] }))}
          onChange={(scheme) => session.apply(setRows(plan, { scheme }))}
        />
      </div>
      {result && (
        <dl className="mt-3">
          <Figure name="Bricks (1 best, 0.5 random)">{result.rowScheme.brickScore.toFixed(2)}</Figure>
          <Figure name="Rows, short ones between">
            {result.rowScheme.wholeRows}, {result.rowScheme.insertedRows}
          </Figure>
        </dl>
      )}
      <h3 className="mt-5 text-title">Passes</h3>
      <Choice
        label="Passes"
        value={rows.secondPass}
        options={SECOND_PASSES.map((value) => ({ value, ...SECOND_PASS_INFO[value] }))}
        onChange={(secondPass) => session.apply(setRows(plan, { secondPass }))}
      />
      {isFieldScheme(rows.scheme) && (
        <NumberField
          label="Rows moved from the part, % of a gap"
          value={Math.round(100 * rows.offset)}
          testId="row-offset"
          beside="Moves where the bricks fall; nearer is below zero. At most a quarter of a gap."
          onCommit={(percent) =>
            session.apply(setRows(plan, { offset: percent / 100 }, `Rows moved by ${percent} % of a gap`))
          }
        />
      )}
      <h3 className="mt-5 text-title">Fringe</h3>
      <Choice
        label="Fringe"
        value={fringe.how}
        options={FRINGES.map((value) => ({ value, ...FRINGE_INFO[value] }))}
        onChange={(how) => session.apply(setRows(plan, { fringe: { ...fringe, how } }))}
      />
      {fringe.how === 'short' && (
        <>
          <NumberField
            label="Wide, fingers"
            value={fringe.widthFingers}
            onCommit={(widthFingers) =>
              session.apply(
                setRows(plan, { fringe: { ...fringe, widthFingers } }, `Fringe ${widthFingers} fingers wide`),
              )
            }
          />
          <NumberField
            label="Rows of it"
            value={fringe.rows}
            onCommit={(n) => session.apply(setRows(plan, { fringe: { ...fringe, rows: n } }, `Fringe in ${n} rows`))}
          />
        </>
      )}
      <SchoolsBench session={session} names={['bun', 'wideTwist']} />
    </>
  );
}
