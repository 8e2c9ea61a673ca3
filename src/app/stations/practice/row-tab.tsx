/** A test row on a scrap of net: five pieces, each told by a touch as it is in; then the gaps, measured. */
import { scaleLinear } from 'd3-scale';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { type PracticeRow, rowFigures } from '../../../core/practice/index.ts';
import { type KnotKind, knotName, percent } from '../../../core/trade/index.ts';
import { signKey } from '../../../formats/signs.ts';
import { readLength } from '../../../model/fingers.ts';
import type { PracticeRecord } from '../../../store/database.ts';
import { addPractice, dropPractice, practiceOf } from '../../../store/practice.ts';
import { db, newId } from '../../session/database.ts';
import type { LaidProps } from '../../ui/bench-props.ts';
import { SelectField, TextField } from '../../ui/field.tsx';
import { day } from '../../ui/format.ts';
import { Ledger } from '../../ui/ledger.tsx';
import { Trouble, useTrouble } from '../../ui/trouble.tsx';
import { knotsOf } from './rope-stage.tsx';

const PIECES = 5;

export function RowTab({ session, result }: LaidProps) {
  const kinds = knotsOf(result);
  const [key, setKey] = useState(() => signKey(kinds[0]));
  const knot = kinds.find((k) => signKey(k) === key) ?? kinds[0];
  const [trouble, tried] = useTrouble();
  const { plan } = session;
  const aimMm = result.spacing.centresMm.top;
  const keep = (seconds: readonly number[], gapsMm: readonly number[]) => {
    const row: PracticeRow = { kind: knot.kind as KnotKind, plainSeconds: knot.plainSeconds, seconds, gapsMm, aimMm };
    return tried(addPractice(db, plan.id, { kind: 'row', id: newId(), atMs: Date.now(), row }));
  };
  return (
    <>
      <p className="note">
        Five pieces on a scrap of net, {Math.round(aimMm)} mm from one to the next. Touch as each is in; space does it
        too.
      </p>
      <SelectField
        label="Knot"
        wide
        value={key}
        options={kinds.map((k) => [signKey(k), knotName(k)] as const)}
        onChange={setKey}
        testId="row-knot"
      />
      <Timing key={key} readGap={(text) => readLength(text, plan.unit, plan.fingers)} onKeep={keep} />
      <Trouble why={trouble} />
      <Progress planId={plan.id} />
    </>
  );
}

function Timing(props: {
  readonly readGap: (text: string) => ReturnType<typeof readLength>;
  readonly onKeep: (seconds: readonly number[], gapsMm: readonly number[]) => Promise<boolean>;
}) {
  const [touches, setTouches] = useState<readonly number[]>([]);
  const [gaps, setGaps] = useState<ReadonlyArray<{ readonly text: string; readonly mm: number }>>([]);
  const again = () => {
    setTouches([]);
    setGaps([]);
  };
  const seconds = touches.slice(1).map((t, i) => (t - touches[i]) / 1000);
  if (seconds.length < PIECES) {
    const words = touches.length === 0 ? 'Begin' : `Piece ${touches.length} of ${PIECES} is in`;
    return (
      <>
        <button
          type="button"
          className="button primary tap-area mt-3"
          data-testid="row-tap"
          onClick={() => setTouches([...touches, performance.now()])}
        >
          {words}
        </button>
        {touches.length > 0 && (
          <button type="button" className="word" onClick={again}>
            Begin again
          </button>
        )}
      </>
    );
  }
  const setGap = (i: number, text: string): string | undefined => {
    const read = props.readGap(text);
    if (!read.ok) return read.why;
    if (!(read.value >= 2 && read.value <= 200)) return 'A gap is from 2 to 200 mm wide.';
    setGaps(Object.assign([...gaps], { [i]: { text, mm: read.value } }));
    return undefined;
  };
  const measured = gaps.filter((g) => g !== undefined).map((g) => g.mm);
  return (
    <section className="mt-3" data-testid="row-measure">
      <p>
        {seconds.map((s) => `${Math.round(s)} s`).join(', ')}. Now measure from each piece to the next; leave it empty
        where you can’t.
      </p>
      {Array.from({ length: PIECES - 1 }, (_, i) => (
        <TextField
          key={i}
          label={`Piece ${i + 1} to ${i + 2}`}
          value={gaps[i]?.text ?? ''}
          placeholder="18 mm"
          testId={`gap-${i}`}
          onCommit={(text) => (text.trim() === '' ? undefined : setGap(i, text))}
        />
      ))}
      <button
        type="button"
        className="button primary mt-3"
        data-testid="row-keep"
        onClick={() => void props.onKeep(seconds, measured).then((isKept) => isKept && again())}
      >
        Keep this row
      </button>
      <button type="button" className="word" onClick={again}>
        Throw it away
      </button>
    </section>
  );
}

type RowRecord = Extract<PracticeRecord, { kind: 'row' }>;

/** In seconds and in evenness; no points. */
function Progress({ planId }: { readonly planId: string }) {
  const records = useLiveQuery(() => practiceOf(db, planId), [planId]);
  const rows = records?.filter((r): r is RowRecord => r.kind === 'row') ?? [];
  if (rows.length === 0) return null;
  return (
    <section className="mt-5" aria-label="Your test rows" data-testid="rows-so-far">
      <h3 className="text-title">So far</h3>
      {rows.length > 1 && <SecondsChart rows={rows} />}
      <Ledger
        caption="Each row"
        captionSaid
        heads={['row', 's a knot', 'uneven', 'gaps']}
        lines={[...rows].reverse().map((r) => {
          const f = rowFigures(r.row);
          return {
            key: r.id,
            name: (
              <>
                {day(r.atMs)}
                <button
                  type="button"
                  className="word ml-2"
                  aria-label={`Remove the row of ${day(r.atMs)}`}
                  onClick={() => void dropPractice(db, r.id)}
                >
                  remove
                </button>
              </>
            ),
            cells: [
              <b key="s">{Math.round(f.secondsAKnot)}</b>,
              percent(f.unevenSeconds),
              f.hookedOverPlanned === undefined
                ? '–'
                : `${percent(f.hookedOverPlanned)}${f.unevenGaps === undefined ? '' : ` ± ${percent(f.unevenGaps)}`}`,
            ],
          };
        })}
      />
    </section>
  );
}

const WIDTH = 300;
const HEIGHT = 70;

function SecondsChart({ rows }: { readonly rows: readonly RowRecord[] }) {
  const all = rows.map((r) => r.row.seconds);
  const y = scaleLinear([0, Math.max(...all.flat())], [HEIGHT, 4]);
  const x = scaleLinear([0, rows.length - 1], [10, WIDTH - 10]);
  const means = rows.map((r) => rowFigures(r.row).secondsAKnot);
  return (
    <svg
      className="progress-chart"
      viewBox={`0 0 ${WIDTH} ${HEIGHT + 1}`}
      role="img"
      aria-label={`Seconds a knot, row by row: ${means.map((m) => Math.round(m)).join(', ')}`}
    >
      {all.flatMap((seconds, i) =>
        seconds.map((s, k) => <circle key={`${rows[i].id} ${k}`} cx={x(i)} cy={y(s)} r={2.6} fill="var(--hair)" />),
      )}
      <polyline
        points={means.map((m, i) => `${x(i)},${y(m)}`).join(' ')}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <path d={`M0,${HEIGHT + 0.5}H${WIDTH}`} stroke="var(--ink)" strokeWidth={1} />
    </svg>
  );
}
