/** A scan from a file: OBJ, STL, PLY or glTF by the loaders of three; refused with one sentence where it is none. */
import { type BufferGeometry, type Group, Mesh, type Object3D } from 'three';
import { LEAST_TRIANGLES, MOST_TRIANGLES, type ScanMesh } from '../../core/scan/index.ts';
import type { Parsed } from '../../model/lengths.ts';
import { onlyShapes } from './gltf-shapes.ts';

export const SCAN_KINDS = ['obj', 'stl', 'ply', 'gltf', 'glb'] as const;
export type ScanKind = (typeof SCAN_KINDS)[number];
/** Of a file; two million triangles as text take less. */
export const LARGEST_SCAN_BYTES = 400_000_000;
const LONGEST_NAME = 120;

/** By its first bytes, else by its ending, else by its length: what has just as many facets as it says is STL. */
export function scanKind(name: string, bytes: Uint8Array): ScanKind | undefined {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 512));
  if (head.startsWith('glTF')) return 'glb';
  if (/^ply\s/.test(head)) return 'ply';
  const ending = /\.(\w+)$/.exec(name)?.[1]?.toLowerCase();
  const facets = facetsSaid(bytes);
  const isStl = facets > 0 && 84 + 50 * facets === bytes.length;
  return SCAN_KINDS.find((k) => k === ending) ?? (isStl ? 'stl' : undefined);
}

export async function readScan(name: string, bytes: Uint8Array): Promise<Parsed<ScanMesh>> {
  const called = `“${name.slice(0, LONGEST_NAME)}”`;
  const refuse = (why: string) => ({ ok: false as const, why: `${called} ${why} Nothing was changed.` });
  if (bytes.length === 0) return refuse('is empty.');
  if (bytes.length > LARGEST_SCAN_BYTES) return refuse('is far too large for a scan of a head.');
  const kind = scanKind(name, bytes);
  if (!kind) return refuse('is no OBJ, STL, PLY or glTF file.');
  const tooMany = `has more than ${MOST_TRIANGLES / 1e6} million triangles: make it coarser where it was scanned.`;
  if (announced(kind, bytes) > MOST_TRIANGLES) return refuse(tooMany);
  let geometries: BufferGeometry[];
  try {
    geometries = await LOADERS[kind](bytes);
  } catch (error) {
    return refuse(`can’t be read as ${kind.toUpperCase()}${reasonOf(error)}.`);
  }
  try {
    return joined(geometries, refuse, tooMany);
  } catch {
    return refuse(`can’t be read as ${kind.toUpperCase()}: it is damaged.`);
  }
}

/** What a loader says, where it is a sentence for people. */
function reasonOf(error: unknown): string {
  const words = error instanceof Error ? error.message : '';
  if (/DRACO|KTX2|meshopt/i.test(words)) return ': it is packed in a way that is not known here; save it unpacked';
  if (/buffer|URI|fetch|load/i.test(words)) return ': a part of it lies in another file; save it as one, as GLB';
  return ': it is damaged or cut short';
}

/** Triangles that a file says it has, before it is read; 0 where it does not say. */
function announced(kind: ScanKind, bytes: Uint8Array): number {
  if (kind === 'stl') return facetsSaid(bytes);
  if (kind === 'ply') {
    const head = new TextDecoder('latin1').decode(bytes.subarray(0, 4096));
    return Number(/element face (\d{1,12})/.exec(head)?.[1] ?? 0);
  }
  if (kind !== 'obj') return 0;
  let faces = 0;
  for (let i = 0; i < bytes.length - 2; i++)
    if (bytes[i] === 10 && bytes[i + 1] === 102 && bytes[i + 2] === 32) faces++;
  return faces;
}

/** Of a binary STL that holds all that it says; 0 of anything else: as letters the number is far larger than a file. */
function facetsSaid(bytes: Uint8Array): number {
  const count = bytes.length >= 84 ? new DataView(bytes.buffer, bytes.byteOffset).getUint32(80, true) : 0;
  return 84 + 50 * count <= bytes.length ? count : 0;
}

const asBuffer = (bytes: Uint8Array) => bytes.slice().buffer;

const LOADERS: Readonly<Record<ScanKind, (bytes: Uint8Array) => Promise<BufferGeometry[]>>> = {
  obj: async (bytes) => {
    const { OBJLoader } = await import('three/addons/loaders/OBJLoader.js');
    return meshesIn(new OBJLoader().parse(new TextDecoder().decode(bytes)));
  },
  stl: async (bytes) => {
    const { STLLoader } = await import('three/addons/loaders/STLLoader.js');
    if (facetsSaid(bytes) > 0) return [new STLLoader().parse(asBuffer(bytes))];
    // The loader of text goes through a cut binary file letter by letter: what says no facet is none. It reads small letters only.
    const text = new TextDecoder('latin1').decode(bytes).toLowerCase();
    if (!/facet\s+normal/.test(text.slice(0, 2000))) throw new Error('no facets');
    return [new STLLoader().parse(text)];
  },
  ply: async (bytes) => {
    const { PLYLoader } = await import('three/addons/loaders/PLYLoader.js');
    return [new PLYLoader().parse(asBuffer(bytes))];
  },
  glb: gltf,
  gltf,
};

async function gltf(bytes: Uint8Array): Promise<BufferGeometry[]> {
  const { GLTFLoader } = await import('three/addons/loaders/GLTFLoader.js');
  const loader = new GLTFLoader();
  loader.register((parser) => {
    const buffers = onlyShapes(parser.json);
    // What fails at once fails where it is waited for, as what fails later does; and nothing is fetched, not even from the file itself.
    const begin = parser.getDependency.bind(parser);
    parser.getDependency = async (type: string, index: number) =>
      (type === 'buffer' && buffers[index]) || begin(type, index);
    return { name: 'only-shapes' };
  });
  const { scene } = await loader.parseAsync(asBuffer(bytes), '');
  return meshesIn(scene);
}

/** With what moves and turns them. */
function meshesIn(root: Group | Object3D): BufferGeometry[] {
  const found: BufferGeometry[] = [];
  root.updateMatrixWorld(true);
  root.traverse((object) => {
    if (object instanceof Mesh)
      found.push((object.geometry as BufferGeometry).clone().applyMatrix4(object.matrixWorld));
  });
  return found;
}

/** All shapes as one. */
function joined(
  geometries: readonly BufferGeometry[],
  refuse: (why: string) => { readonly ok: false; readonly why: string },
  tooMany: string,
): Parsed<ScanMesh> {
  const parts = geometries.flatMap((g) => {
    const position = g.getAttribute('position');
    if (!position || position.count === 0) return [];
    const index = g.getIndex();
    const count = index ? index.count : position.count;
    return [{ position, index, count: count - (count % 3) }];
  });
  const corners = parts.reduce((sum, p) => sum + p.count, 0);
  if (corners === 0) return refuse('has no surface: points alone are not enough.');
  if (corners / 3 > MOST_TRIANGLES) return refuse(tooMany);
  if (corners / 3 < LEAST_TRIANGLES) return refuse(`has ${corners / 3} triangles, too few for a head.`);
  const positions = new Float32Array(3 * parts.reduce((sum, p) => sum + p.position.count, 0));
  const triangles = new Uint32Array(corners);
  let [v, t] = [0, 0];
  for (const { position, index, count } of parts) {
    for (let i = 0; i < count; i++) {
      const corner = index ? index.getX(i) : i;
      if (!(corner < position.count)) return refuse('is damaged: a triangle has a corner that is not there.');
      triangles[t++] = v + corner;
    }
    for (let i = 0; i < position.count; i++)
      for (let k = 0; k < 3; k++) positions[3 * (v + i) + k] = position.getComponent(i, k);
    v += position.count;
  }
  if (positions.some((p) => !Number.isFinite(p) || Math.abs(p) > 1e7))
    return refuse('is damaged: a corner lies nowhere.');
  return { ok: true, value: { positions, triangles } };
}
