/** The two worst things of a look, in words beside the head, each on a slack thread to its place. */

import type { PlanResult } from '../../core/findings/index.ts';
import type { Look } from '../../core/plan/index.ts';
import { upperFirst } from '../../core/trade/index.ts';
import { useView } from '../view/view-store.ts';
import { facing, type Projection, screenX, screenY } from './projection.ts';

interface Note {
  readonly key: string;
  readonly figure: string;
  readonly where: string;
  readonly why: string;
  readonly atMm: readonly [number, number, number];
}

/** Smaller patches are no wider than a parting. */
const HALF_FINGER = 0.5;

interface Told {
  readonly result: PlanResult;
  readonly look: Look;
  readonly fingerMm: number;
}

const notesOf = ({ result, look, fingerMm }: Told): readonly Note[] =>
  [patchNote(look, fingerMm), knotsNote(result, look)].filter((n) => n !== undefined);

/** Below the first note stands the second. */
const NOTE_PX = 190;
const FIRST_PX = 58;

export function CheckLeaders({ view, ...told }: Told & { readonly view: Projection }) {
  // Under a narrow stage the words stand below it.
  if (view.width < 560) return null;
  return (
    <svg className="leader" aria-hidden="true">
      {notesOf(told).map((n, i) => {
        if (facing(view, unit(n.atMm)) < 0.08) return null;
        const x = screenX(view, n.atMm);
        const y = screenY(view, n.atMm);
        return (
          <g key={n.key} fill="none" stroke="var(--ink)" strokeWidth="1.5">
            <path d={fromLeft(FIRST_PX + i * NOTE_PX, x, y)} />
            <circle cx={x} cy={y} r="9" strokeWidth="2" />
          </g>
        );
      })}
    </svg>
  );
}

export function CheckNotes(told: Told) {
  const turn = useView((v) => v.turn);
  const notes = notesOf(told);
  return (
    <>
      {notes.map((n, i) => (
        <button
          key={n.key}
          type="button"
          data-testid={`note-${n.key}`}
          className="check-note"
          style={{ minHeight: i + 1 < notes.length ? NOTE_PX : undefined }}
          onClick={() => turn({ azimuth: Math.atan2(n.atMm[0], n.atMm[2]), elevation: elevationOf(n.atMm) })}
        >
          <span className="fig block text-great" style={{ fontStretch: '78%' }}>
            {n.figure}
          </span>
          <span className="mt-2 block font-strong leading-tight">{n.where}</span>
          <span className="note mt-0.75 block">{n.why}</span>
          <span className="sr-only">. Turn the head to it</span>
        </button>
      ))}
      {notes.length === 0 && (
        <div>
          <span className="fig block text-great" style={{ fontStretch: '78%' }}>
            {Math.round(100 * told.look.hiddenShare)} %
          </span>
          <p className="note mt-2">
            covered. No patch wider than half a finger shows, and no knot. Touch any place and it tells why.
          </p>
        </div>
      )}
    </>
  );
}

function patchNote({ patches, seen }: Look, fingerMm: number): Note | undefined {
  const [worst] = patches;
  if (!worst || worst.widthMm < HALF_FINGER * fingerMm) return undefined;
  const fingers = Math.round((2 * worst.widthMm) / fingerMm) / 2;
  const from = seen.top >= Math.max(seen.behind, seen.left, seen.right, seen.front) ? 'above' : 'beside';
  return {
    key: 'patch',
    figure: `${fingers === 0.5 ? '½' : String(fingers).replace('.5', '½')} ${fingers > 1 ? 'fingers' : 'finger'}`,
    where: upperFirst(worst.words),
    why: `A patch about that wide shows most, ${Math.round(worst.areaMm2 / 100)} cm² of it, best seen from ${from}.`,
    atMm: worst.atMm,
  };
}

function knotsNote(result: PlanResult, look: Look): Note | undefined {
  const seen = result.knots.filter((_, i) => look.knots[i]?.by === 'nothing');
  const [first] = seen;
  if (!first) return undefined;
  return {
    key: 'knots',
    figure: `${seen.length} ${seen.length === 1 ? 'knot' : 'knots'}`,
    where: first.where.words,
    why: `${seen.length === 1 ? 'It' : 'The first of them; they'} would be seen: nothing falls over ${seen.length === 1 ? 'it' : 'them'}.`,
    atMm: [first.xMm, first.yMm, first.zMm],
  };
}

function unit([x, y, z]: readonly [number, number, number]): [number, number, number] {
  const l = Math.sqrt(x * x + y * y + z * z);
  return [x / l, y / l, z / l];
}

function elevationOf([x, y, z]: readonly [number, number, number]): number {
  return Math.min(1.2, Math.max(0.06, Math.atan2(y, Math.sqrt(x * x + z * z))));
}

function fromLeft(y0: number, x: number, y: number): string {
  return `M176,${y0} C${176 + 0.4 * (x - 176)},${y0 - 10} ${x - 60},${y + 30} ${x - 9},${y}`;
}

const RAMP: ReadonlyArray<readonly [string, string]> = [
  ['0', 'var(--heat-0)'],
  ['.18', 'var(--heat-1)'],
  ['.38', 'var(--heat-2)'],
  ['.58', 'var(--heat-3)'],
  ['.8', 'var(--heat-4)'],
  ['1', 'var(--heat-5)'],
];

/** From covered to where light comes through, with both isolines. */
export function Ramp() {
  return (
    <div className="ramp note">
      covered
      <svg width="90" height="12" aria-hidden="true">
        <defs>
          <linearGradient id="ramp">
            {RAMP.map(([offset, colour]) => (
              <stop key={offset} offset={offset} stopColor={colour} />
            ))}
          </linearGradient>
        </defs>
        <rect width="90" height="12" fill="url(#ramp)" />
        <path d="M18 0V12" stroke="var(--yarn)" strokeWidth="1.6" strokeDasharray="3 2.5" />
        <path d="M40.5 0V12" stroke="var(--sign)" strokeWidth="1.8" />
      </svg>
      bare
    </div>
  );
}
