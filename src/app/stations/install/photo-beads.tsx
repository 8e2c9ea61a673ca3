/** The photo with two beads to lay on the head in it, by a finger or by the arrow keys; gaps that were found are outlined. */
import { useMemo, useRef } from 'react';
import type { Landmarks } from '../../../core/head/index.ts';
import {
  type HeadOutside,
  layHead,
  type PhotoMeasured,
  type PhotoSide,
  placesOf,
  scalpOutline,
  type TapPair,
} from '../../../core/photo/index.ts';
import './photo.css';
import type { Shot } from './shot.ts';

type Share = readonly [x: number, y: number];
export interface Beads {
  readonly a: Share;
  readonly b: Share;
  readonly hair?: Share;
  readonly gap?: Share;
}
type Which = keyof Beads;

const NAMES: Readonly<Record<TapPair, (side: PhotoSide) => readonly [string, string]>> = {
  crownNape: () => ['crown', 'nape, where the hair begins'],
  ears: () => ['top of the left ear', 'top of the right ear'],
  crownEar: () => ['crown', 'top of the ear'],
};

export function PhotoBeads(props: {
  readonly shot: Shot;
  readonly pair: TapPair;
  readonly side: PhotoSide;
  readonly beads: Beads;
  readonly measured: PhotoMeasured | undefined;
  readonly head: HeadOutside | undefined;
  readonly mark: Landmarks;
  readonly onBeads: (beads: Beads) => void;
}) {
  const { shot, pair, side, beads, measured, head, mark, onBeads } = props;
  const scalp = useMemo(
    () => (head ? scalpIn(head, mark, side, pair, beads, shot) : undefined),
    [head, mark, side, pair, beads, shot],
  );
  const box = useRef<HTMLDivElement>(null);
  const [a, b] = NAMES[pair](side);
  const names: Readonly<Record<Which, string>> = { a, b, hair: 'hair', gap: 'a gap' };
  const move = (which: Which, [x, y]: Share) => onBeads({ ...beads, [which]: [inside(x), inside(y)] });
  return (
    <div ref={box} className="photo relative mx-auto mt-2" style={{ maxWidth: Math.min(560, shot.width) }}>
      <img src={shot.image} alt="" className="block w-full" draggable={false} />
      {scalp && (
        <svg
          className="pointer-events-none absolute inset-0 h-full w-full"
          viewBox={`0 0 ${shot.width} ${shot.height}`}
          aria-hidden="true"
        >
          <path
            d={`M${scalp.map((p) => p.join()).join('L')}Z`}
            fill="none"
            stroke="var(--light)"
            strokeWidth={shot.width / 200}
            strokeDasharray={`${shot.width / 60} ${shot.width / 90}`}
          />
        </svg>
      )}
      {measured?.state === 'measured' && (
        <svg
          className="pointer-events-none absolute inset-0 h-full w-full"
          viewBox={`0 0 ${shot.width} ${shot.height}`}
          aria-hidden="true"
          data-testid="photo-gaps"
        >
          {measured.gaps.map((gap) => (
            <path
              key={gap.centre.join()}
              d={`M${pointsOf(gap.outline)}Z`}
              fill="none"
              stroke="var(--caution)"
              strokeWidth={shot.width / 250}
            />
          ))}
        </svg>
      )}
      {(Object.keys(names) as Which[]).map((which) => {
        const at = beads[which];
        return at && <Bead key={which} {...{ which, at, box, move }} name={names[which]} />;
      })}
    </div>
  );
}

/** One bead: dragged, or moved by the arrow keys, in larger steps with Shift. */
function Bead(props: {
  readonly which: Which;
  readonly name: string;
  readonly at: Share;
  readonly box: React.RefObject<HTMLDivElement | null>;
  readonly move: (which: Which, to: Share) => void;
}) {
  const { which, name, at, box, move } = props;
  return (
    <button
      type="button"
      className="photo-bead"
      style={{ left: `${100 * at[0]}%`, top: `${100 * at[1]}%` }}
      aria-label={`The ${name}: ${Math.round(100 * at[0])} % across, ${Math.round(100 * at[1])} % down. Arrow keys move it.`}
      data-testid={`bead-${which}`}
      onKeyDown={(e) => {
        const step = e.shiftKey ? 0.05 : 0.005;
        const by = ARROWS[e.key];
        if (!by) return;
        e.preventDefault();
        move(which, [at[0] + step * by[0], at[1] + step * by[1]]);
      }}
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={(e) => {
        const found = box.current?.getBoundingClientRect();
        if (!found || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
        move(which, [(e.clientX - found.left) / found.width, (e.clientY - found.top) / found.height]);
      }}
    >
      <span className="dot" />
      <span className="name text-note">{name}</span>
    </button>
  );
}

/** Where her own scalp lies by the beads; nowhere while they lie on each other. */
function scalpIn(head: HeadOutside, mark: Landmarks, side: PhotoSide, pair: TapPair, beads: Beads, shot: Shot) {
  const at = ([x, y]: Share) => [x * shot.width, y * shot.height] as const;
  try {
    return scalpOutline(head, side, layHead(side, placesOf(pair, side, mark), [at(beads.a), at(beads.b)]));
  } catch {
    return undefined;
  }
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const inside = (v: number) => Math.max(0, Math.min(1, v));

function pointsOf(outline: readonly number[]): string {
  const points: string[] = [];
  for (let i = 0; i < outline.length; i += 2) points.push(`${outline[i]},${outline[i + 1]}`);
  return points.join('L');
}
