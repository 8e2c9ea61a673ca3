/** A scan is read, cleaned and measured beside the page: it may have two million triangles. It is stopped by ending the worker. */
import { expose } from 'comlink';
import { buildSurfaceMesh } from '../../core/geometry/index.ts';
import {
  AS_FITTED,
  aboveHairline,
  fitHead,
  hairline,
  headShape,
  type PictureMesh,
  reliefText,
} from '../../core/head/index.ts';
import {
  type BrushStroke,
  cleaned,
  coarse,
  extentOf,
  headIn,
  type Pose,
  posed,
  poseIn,
  proposedMarks,
  type Radii,
  reliefFrom,
  type ScanMarks,
  type ScanMesh,
  scanTape,
  seated,
  sizeTrouble,
  surfaceOf,
  withoutHair,
} from '../../core/scan/index.ts';
import type { TapeMeasure } from '../../core/trade/index.ts';
import { readScan } from '../../formats/scan/read-scan.ts';

export type Phase = 'reading' | 'cleaning' | 'looking';

export interface Opened {
  readonly triangles: number;
  readonly piecesDropped: number;
  readonly pose: Pose;
}

export interface FoundHead extends Pick<Radii, 'holeShare' | 'oneSidedShare' | 'unlikeMm'> {
  readonly marks: ScanMarks;
}

/** As it stands, to be looked at; and as a head, where one is found in it. */
export interface Standing {
  readonly picture: PictureMesh;
  readonly trouble: string | undefined;
  readonly head: FoundHead | undefined;
}

export interface Measured {
  readonly tape: Readonly<Record<TapeMeasure, number>>;
  readonly picture: PictureMesh;
  readonly relief: string;
}

export interface Wanted {
  readonly hairMm: number;
  readonly strokes: readonly BrushStroke[];
  readonly marks: ScanMarks;
}

/** Of the whole, so many cells across do to be looked at. */
const CELLS = 170;
/** Divisions of the sphere that is looked at. */
const SEEN = 32;

let mesh: ScanMesh | undefined;
let small: ScanMesh | undefined;
let radii: Float64Array | undefined;

const jobs = {
  open: async (
    name: string,
    bytes: Uint8Array,
    tell: (phase: Phase) => void,
  ): Promise<{ readonly ok: true; readonly value: Opened } | { readonly ok: false; readonly why: string }> => {
    tell('reading');
    const read = await readScan(name, bytes);
    if (!read.ok) return read;
    tell('cleaning');
    const { mesh: clean, piecesDropped } = cleaned(read.value);
    if (clean.triangles.length === 0) return { ok: false, why: `“${name}” has no surface. Nothing was changed.` };
    tell('looking');
    mesh = clean;
    small = coarse(clean, extentOf(clean.positions).across / CELLS);
    return {
      ok: true,
      value: {
        triangles: read.value.triangles.length / 3,
        piecesDropped,
        pose: poseIn(clean),
      },
    };
  },

  stand: (pose: Pose): Standing => {
    if (!mesh || !small) throw new Error('no scan is open');
    radii = undefined;
    const low = posed(small, pose);
    const trouble = sizeTrouble(extentOf(small.positions).across, pose.unit);
    try {
      if (trouble) throw new RangeError(trouble);
      const { seat, mm, holeShare, oneSidedShare, unlikeMm } = headIn(mesh, pose);
      radii = mm;
      return {
        picture: pictured(seated(low, seat), small.triangles),
        trouble: undefined,
        head: { marks: proposedMarks(seat), holeShare, oneSidedShare, unlikeMm },
      };
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      return { picture: pictured(centred(low), small.triangles), trouble: error.message, head: undefined };
    }
  },

  measure: ({ hairMm, strokes, marks }: Wanted): Measured => {
    if (!radii) throw new Error('no head is found yet');
    const bare = withoutHair(radii, hairMm, strokes);
    const tape = scanTape(bare, marks);
    return { tape, picture: headPictured(bare, tape), relief: reliefText(reliefFrom(bare, tape, AS_FITTED)) };
  },
};
export type ScanJobs = typeof jobs;

function centred(p: Float32Array): Float32Array {
  const { min, max } = extentOf(p);
  return p.map((v, i) => v - (min[i % 3] + max[i % 3]) / 2);
}

/** In even light: what is open and what lies in the dark is not known of a scan. */
function pictured(positions: Float32Array, triangles: Uint32Array): PictureMesh {
  const surface = buildSurfaceMesh(Float64Array.from(positions), triangles);
  const count = positions.length / 3;
  return {
    positions,
    normals: Float32Array.from(surface.normals, (n) => (Number.isFinite(n) ? n : 0)),
    triangles,
    light: new Float32Array(count).fill(1),
    aboveHairlineMm: new Float32Array(count).fill(-100),
  };
}

/** As it will be taken: what bears hair stands out, below it the head only goes on. */
function headPictured(radiiMm: Float64Array, tape: Measured['tape']): PictureMesh {
  const surface = surfaceOf(radiiMm, SEEN);
  const line = hairline(headShape(fitHead(tape).scores), AS_FITTED);
  const p = surface.positionsMm;
  const above = Float32Array.from({ length: surface.vertexCount }, (_, v) => {
    const [x, y, z] = [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
    return aboveHairline(line, x, y, z) * Math.sqrt(x * x + y * y + z * z);
  });
  return {
    positions: Float32Array.from(p),
    normals: Float32Array.from(surface.normals),
    triangles: Uint32Array.from(surface.triangles),
    light: new Float32Array(surface.vertexCount).fill(1),
    aboveHairlineMm: above,
  };
}

expose(jobs);
