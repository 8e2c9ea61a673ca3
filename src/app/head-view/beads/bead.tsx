/** A bead on the head that is dragged with a finger or moved with the arrows. */
import { useRef, useState } from 'react';
import { useView } from '../../view/view-store.ts';
import { type Projection, screenX, screenY, type V3 } from '../projection.ts';
import type { Placed } from './apart.ts';

export interface BeadProps {
  readonly view: Projection;
  readonly at: V3;
  readonly label: string;
  readonly name: string;
  readonly small?: boolean;
  /** Where it stands on the screen instead, where beads would lie on each other. */
  readonly placed?: Placed | undefined;
  readonly stage: () => DOMRect | undefined;
  /** Where the finger is on the stage, and how far it has come, px. */
  readonly onDrag: (to: { x: number; y: number; dx: number; dy: number }) => void;
  readonly onDrop: () => void;
  readonly onCancel: () => void;
  /** Arrows: one step right or down as she sees it. */
  readonly onNudge: (right: number, down: number) => void;
  readonly onPress?: () => void;
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Whether a place lies on the side of the head that is looked at. */
export function isFacing(view: Projection, at: V3): boolean {
  const length = Math.sqrt(at[0] ** 2 + at[1] ** 2 + at[2] ** 2);
  return (at[0] * view.toEye[0] + at[1] * view.toEye[1] + at[2] * view.toEye[2]) / length > 0.02;
}

export function Bead(props: BeadProps) {
  const { view, at } = props;
  const { held, handlers } = useDrag(props);
  const facingUs = isFacing(view, at);
  const { x, y, size } = props.placed ?? { x: screenX(view, at), y: screenY(view, at), size: undefined };
  return (
    <button
      type="button"
      className={`handle ${props.small ? 'middle' : ''} ${held ? 'held' : ''}`}
      style={{
        left: x,
        top: y,
        visibility: facingUs ? 'visible' : 'hidden',
        ...(size === undefined ? {} : { width: size, height: size, margin: -size / 2 }),
      }}
      aria-label={`${props.label}. Arrow keys move it.`}
      data-bead={props.name}
      onFocus={() => {
        // Round the back of the head: turn it, so that what has the focus is seen.
        if (!facingUs) useView.getState().turn({ azimuth: Math.atan2(at[0], at[2]), elevation: 0.3 });
      }}
      {...handlers}
    />
  );
}

/** Held by a finger until it lifts, moved by the arrows, let go of by Escape. */
function useDrag(props: BeadProps) {
  const from = useRef<{ x: number; y: number }>(undefined);
  const [held, setHeld] = useState(false);
  const release = () => {
    from.current = undefined;
    setHeld(false);
  };
  const cancel = () => {
    release();
    props.onCancel();
  };
  const handlers = {
    onPointerDown: (e: React.PointerEvent) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      e.stopPropagation();
      from.current = { x: e.clientX, y: e.clientY };
      setHeld(true);
    },
    onPointerMove: ({ clientX, clientY }: React.PointerEvent) => {
      const box = props.stage();
      if (!from.current || !box) return;
      const { x, y } = from.current;
      props.onDrag({ x: clientX - box.left, y: clientY - box.top, dx: clientX - x, dy: clientY - y });
    },
    onPointerUp: () => {
      if (!from.current) return;
      release();
      props.onDrop();
    },
    onPointerCancel: cancel,
    onKeyDown: (e: React.KeyboardEvent) => {
      if (e.key === 'Escape' && held) return cancel();
      const presses = props.onPress && (e.key === 'Enter' || e.key === ' ');
      const way = ARROWS[e.key];
      if (!presses && !way) return;
      e.preventDefault();
      if (presses) return props.onPress?.();
      e.stopPropagation();
      props.onNudge(...way);
    },
  };
  return { held, handlers };
}

/** How far a drag has come along a direction on the head, mm; 0 where that direction points at the viewer. */
export function dragAlong(view: Projection, along: V3, dx: number, dy: number): number {
  const sx = view.flip * (along[0] * view.right[0] + along[1] * view.right[1] + along[2] * view.right[2]);
  const sy = -(along[0] * view.up[0] + along[1] * view.up[1] + along[2] * view.up[2]);
  const seen = sx * sx + sy * sy;
  if (seen < 0.02) return 0;
  return (dx * sx + dy * sy) / (seen * view.pxPerMm);
}

/** A place moved by so many mm to the right and down as she sees it. */
export function movedOnScreen(view: Projection, at: V3, rightMm: number, downMm: number): V3 {
  const r = view.flip * rightMm;
  return [
    at[0] + r * view.right[0] - downMm * view.up[0],
    at[1] + r * view.right[1] - downMm * view.up[1],
    at[2] + r * view.right[2] - downMm * view.up[2],
  ];
}
