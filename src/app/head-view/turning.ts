/** The head turned by hand or by arrows. */
import { useRef } from 'react';
import { useView } from '../view/view-store.ts';
import { closerByKey } from './use-closer.ts';

/** Radians a pixel of drag. */
const TURN = 0.0085;

const ARROW_TURN = 0.13;

/** Movement below this is a tap, px. */
const TAP = 5;

export function turnByKey(event: React.KeyboardEvent<HTMLElement>) {
  if (event.target !== event.currentTarget || closerByKey(event)) return;
  const { azimuth, elevation, turn } = useView.getState();
  const ways: Record<string, readonly [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, 1],
    ArrowDown: [0, -1],
  };
  const way = ways[event.key];
  if (!way) return;
  event.preventDefault();
  turn({ azimuth: azimuth + way[0] * ARROW_TURN, elevation: elevation + way[1] * ARROW_TURN });
}

export function useTurning(box: React.RefObject<HTMLDivElement | null>, onTap: (x: number, y: number) => void) {
  const from = useRef<{ x: number; y: number; azimuth: number; elevation: number; moved: boolean } | undefined>(
    undefined,
  );
  return {
    onPointerDown: (e: React.PointerEvent<HTMLDivElement>) => {
      if ((e.target as Element).closest('button, a')) return;
      e.currentTarget.setPointerCapture(e.pointerId);
      const { azimuth, elevation } = useView.getState();
      from.current = { x: e.clientX, y: e.clientY, azimuth, elevation, moved: false };
    },
    onPointerMove: (e: React.PointerEvent) => {
      const f = from.current;
      if (!f) return;
      const dx = e.clientX - f.x;
      const dy = e.clientY - f.y;
      if (!f.moved && Math.abs(dx) + Math.abs(dy) < TAP) return;
      f.moved = true;
      const { turn, setMoving, mirror, moving } = useView.getState();
      if (!moving) setMoving(true);
      turn({ azimuth: f.azimuth - dx * TURN * (mirror ? -1 : 1), elevation: f.elevation + dy * TURN });
    },
    onPointerUp: (e: React.PointerEvent) => {
      const f = from.current;
      from.current = undefined;
      useView.getState().setMoving(false);
      const place = box.current?.getBoundingClientRect();
      if (f && !f.moved && place) onTap(e.clientX - place.left, e.clientY - place.top);
    },
    onPointerCancel: () => {
      from.current = undefined;
      useView.getState().setMoving(false);
    },
  };
}
