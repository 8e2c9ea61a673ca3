/** A row starts on her left; a ring starts in front and goes round by her left. */
import { reverseCurve, type SurfaceCurve } from '../../geometry/index.ts';
import type { Row } from './row.ts';

/** A row starts on her left; a ring starts in front and goes round by her left. */
export function oriented(row: Row): Row {
  const { curve } = row;
  if (curve.closed) return ringFromFront(row);
  const last = curve.pointCount - 1;
  const aside = curve.pointsMm[0] - curve.pointsMm[3 * last];
  // A row that runs straight back has no left end: it starts in front.
  const back = curve.pointsMm[2] - curve.pointsMm[3 * last + 2];
  if (Math.abs(aside) >= Math.abs(back) / 2 ? aside >= 0 : back >= 0) return row;
  return { ...row, curve: reverseCurve(curve), gapRatio: row.gapRatio.slice().reverse() };
}

function ringFromFront(row: Row): Row {
  let { curve, gapRatio } = row;
  const n = curve.pointCount;
  const frontOf = (c: SurfaceCurve) => {
    let front = 0;
    for (let i = 1; i < n; i++) if (c.pointsMm[3 * i + 2] > c.pointsMm[3 * front + 2]) front = i;
    return front;
  };
  if (curve.pointsMm[3 * ((frontOf(curve) + Math.ceil(n / 4)) % n)] <= 0) {
    curve = reverseCurve(curve);
    gapRatio = gapRatio.slice().reverse();
  }
  return ringFrom({ ...row, curve, gapRatio }, frontOf(curve));
}

/** The same ring, begun at another of its points. */
export function ringFrom(row: Row, start: number): Row {
  const { curve } = row;
  const n = curve.pointCount;
  const turn = <A extends Float64Array | Int32Array>(a: A): A => {
    const out = a.slice() as A;
    for (let i = 0; i < n; i++) out[i] = a[(i + start) % n];
    return out;
  };
  const pointsMm = new Float64Array(3 * n);
  const arcMm = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const from = (i + start) % n;
    for (let c = 0; c < 3; c++) pointsMm[3 * i + c] = curve.pointsMm[3 * from + c];
    const arc = curve.arcMm[from] - curve.arcMm[start];
    arcMm[i] = arc < 0 ? arc + curve.lengthMm : arc;
  }
  const turned: SurfaceCurve = {
    ...curve,
    pointsMm,
    arcMm,
    fromVertex: turn(curve.fromVertex),
    toVertex: turn(curve.toVertex),
    share: turn(curve.share),
  };
  return { ...row, curve: turned, gapRatio: turn(row.gapRatio) };
}
