/**
 * The bust where a browser has no WebGL: its triangles into a depth buffer, lit at their corners by the same window, without
 * hair. Coarser than the screen, so that no turn takes longer than a frame.
 */

import type { PictureMesh } from '../../../core/head/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import { dot, type Projection, type V3 } from '../projection.ts';
import type { HeadPicture, Layers, Palette } from './head-picture.ts';

/** Where the window is, in the room: right, up, to the eye. */
const KEY: V3 = [-0.56, 0.6, 0.57];
/** Pixels of the picture for one of the page. */
const AT_REST = 0.8;
const MOVING = 0.5;
/** Below this a head ends: the shoulders would only be a block, mm. */
const FOOT_MM = -190;

type Rgb = readonly [number, number, number];
export type AnyHead = Pick<
  HeadPicture,
  'setHead' | 'setPalette' | 'setLayers' | 'setHair' | 'setHairLooks' | 'draw' | 'dispose'
>;

/** A picture in memory: colours and how near to the eye each pixel is. */
export interface Raster {
  readonly width: number;
  readonly height: number;
  /** RGBA. */
  readonly pixels: Uint8ClampedArray;
  readonly depth: Float32Array;
}

export class PlainHead implements AnyHead {
  private readonly context: CanvasRenderingContext2D;
  private scene: HeadScene | undefined;
  private layers: Layers | undefined;
  private skin: Rgb = [0, 0, 0];
  private cap: Rgb = [0, 0, 0];
  private lit: Rgb = [0, 0, 0];

  /** @throws when the canvas can't be drawn on at all. */
  constructor(private readonly canvas: HTMLCanvasElement) {
    const context = canvas.getContext('2d');
    if (!context) throw new Error('no canvas');
    this.context = context;
  }

  setHead(scene: HeadScene) {
    this.scene = scene;
  }

  setPalette({ skin, cap, picked }: Palette) {
    [this.skin, this.cap, this.lit] = [skin, cap, picked].map((c) => this.parts(c));
  }

  setLayers(layers: Layers) {
    this.layers = layers;
  }

  setHair() {}

  setHairLooks() {}

  draw(view: Projection, _ratio: number, moving = false) {
    if (!this.scene) return;
    const k = moving ? MOVING : AT_REST;
    const width = Math.max(1, Math.round(view.width * k));
    const height = Math.max(1, Math.round(view.height * k));
    this.canvas.width = width;
    this.canvas.height = height;
    const image = this.context.createImageData(width, height);
    const raster = { width, height, pixels: image.data, depth: new Float32Array(width * height).fill(-1e9) };
    // The canvas itself is turned over in a mirror, so the head's middle is drawn on the other side before.
    const scaled = {
      ...view,
      pxPerMm: view.pxPerMm * k,
      centreX: (view.flip < 0 ? view.width - view.centreX : view.centreX) * k,
      centreY: view.centreY * k,
    };
    const { bust, cap } = this.scene;
    const shows = this.layers?.heat ?? this.layers?.pick;
    fill(raster, bust, scaled, (v, c) => (bust.aboveHairlineMm[v] > 0 ? this.cap : this.skin)[c]);
    fill(raster, cap, scaled, (v, c) => this.cap[c] + (shows?.[v] ?? 0) * (this.lit[c] - this.cap[c]));
    this.context.putImageData(image, 0, 0);
  }

  dispose() {}

  /** A colour of the style sheet in its three parts. */
  private parts(colour: string): Rgb {
    this.context.fillStyle = colour;
    const n = Number.parseInt(this.context.fillStyle.slice(1), 16);
    return [n >> 16, (n >> 8) & 255, n & 255];
  }
}

/** All triangles of a mesh that face the eye, nearer ones over farther ones, with the light of their corners run over them. */
export function fill(
  raster: Raster,
  mesh: PictureMesh,
  view: Projection,
  albedo: (vertex: number, channel: number) => number,
) {
  const { positions, triangles } = mesh;
  const count = positions.length / 3;
  const x = new Float32Array(count);
  const y = new Float32Array(count);
  const near = new Float32Array(count);
  const colour = new Float32Array(3 * count);
  for (let v = 0; v < count; v++) {
    x[v] = view.centreX + view.pxPerMm * dot(positions, 3 * v, view.right);
    y[v] = view.centreY - view.pxPerMm * dot(positions, 3 * v, view.up);
    near[v] = dot(positions, 3 * v, view.toEye);
    const light = lightAt(mesh, v, view);
    for (let c = 0; c < 3; c++) colour[3 * v + c] = albedo(v, c) * light;
  }
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t], triangles[t + 1], triangles[t + 2]];
    if (positions[3 * a + 1] < FOOT_MM) continue;
    paint(raster, [a, b, c], { x, y, near, colour });
  }
}

/** Daylight from the window and what the room gives back. */
function lightAt({ normals, light }: PictureMesh, v: number, view: Projection): number {
  const across = dot(normals, 3 * v, view.right) * view.flip;
  const key = Math.max(
    0,
    across * KEY[0] + dot(normals, 3 * v, view.up) * KEY[1] + dot(normals, 3 * v, view.toEye) * KEY[2],
  );
  return 0.45 * light[v] + 0.85 * key * (0.5 + 0.5 * light[v]);
}

interface Corners {
  readonly x: Float32Array;
  readonly y: Float32Array;
  readonly near: Float32Array;
  readonly colour: Float32Array;
}

function paint({ width, height, pixels, depth }: Raster, [a, b, c]: readonly number[], on: Corners) {
  const { x, y, near, colour } = on;
  const area = (x[b] - x[a]) * (y[c] - y[a]) - (x[c] - x[a]) * (y[b] - y[a]);
  // Counter-clockwise from outside is clockwise where y goes down; what shows its back is hidden.
  if (!(area < 0)) return;
  const x0 = Math.max(0, Math.ceil(Math.min(x[a], x[b], x[c]) - 0.5));
  const x1 = Math.min(width - 1, Math.floor(Math.max(x[a], x[b], x[c]) - 0.5));
  const y0 = Math.max(0, Math.ceil(Math.min(y[a], y[b], y[c]) - 0.5));
  const y1 = Math.min(height - 1, Math.floor(Math.max(y[a], y[b], y[c]) - 0.5));
  for (let j = y0; j <= y1; j++) {
    for (let i = x0; i <= x1; i++) {
      const px = i + 0.5;
      const py = j + 0.5;
      const wa = ((x[b] - px) * (y[c] - py) - (x[c] - px) * (y[b] - py)) / area;
      const wb = ((x[c] - px) * (y[a] - py) - (x[a] - px) * (y[c] - py)) / area;
      const wc = 1 - wa - wb;
      if (wa < 0 || wb < 0 || wc < 0) continue;
      const z = wa * near[a] + wb * near[b] + wc * near[c];
      const at = j * width + i;
      if (z <= depth[at]) continue;
      depth[at] = z;
      for (let k = 0; k < 3; k++)
        pixels[4 * at + k] = wa * colour[3 * a + k] + wb * colour[3 * b + k] + wc * colour[3 * c + k];
      pixels[4 * at + 3] = 255;
    }
  }
}
