/**
 * Of a glTF document the shapes alone, every place that it points to there: its loader starts what it needs as it meets it, and
 * what fails while it stumbles over something else would be found where nobody waits for it.
 */
import { MOST_TRIANGLES } from '../../core/scan/index.ts';

type Row = Readonly<Record<string, unknown>>;

/** What is drawn as triangles, strips or fans of them; lines and points are no surface. */
const SURFACES: readonly unknown[] = [undefined, 4, 5, 6];
/** Kinds of number that may stand for a share of one: bytes and shorts. */
const SHORT: readonly unknown[] = [5120, 5121, 5122, 5123];
/** Deeper than any scanner nests. */
const DEEPEST = 64;

/**
 * Leaves shapes in it, and nothing that is fetched from anywhere.
 *
 * @returns of each buffer the bytes that are written in the document itself, undefined where they stand beside it
 * @throws Error with the words of what is wrong
 */
export function onlyShapes(json: Record<string, unknown>): Array<ArrayBuffer | undefined> {
  const buffers = rows(json.buffers);
  const views = rows(json.bufferViews);
  const accessors = rows(json.accessors);
  const meshes = rows(json.meshes).map((m) => ({ primitives: rows(m.primitives).filter(isSurface) }));
  const nodes = rows(json.nodes);
  const scenes = rows(json.scenes);
  for (const view of views) pointsAt(buffers, view.buffer);
  json.accessors = accessors.map((a) => accessorOf(a, views));
  json.meshes = meshes.map(({ primitives }) => ({ primitives: primitives.map((p) => primitiveOf(p, accessors)) }));
  json.nodes = nodes.map(({ mesh, children, matrix, translation, rotation, scale }) => {
    if (mesh !== undefined) pointsAt(meshes, mesh);
    return said({ mesh, children: indices(nodes, children), matrix, translation, rotation, scale });
  });
  json.scenes = scenes.map((s) => said({ nodes: indices(nodes, s.nodes) }));
  if (json.scene !== undefined) pointsAt(scenes, json.scene);
  const roots = rootsOf(json.nodes as ReadonlyArray<{ children?: number[] }>);
  // Without a scene it is all that is there.
  if (scenes.length === 0) json.scenes = [{ nodes: roots }];
  for (const part of ['images', 'textures', 'materials', 'animations', 'skins', 'cameras', 'extensions', 'extras'])
    delete json[part];
  return buffers.map(({ uri }) => (uri === undefined ? undefined : written(String(uri))));
}

const positionOf = ({ attributes }: Row) => (isRow(attributes) ? attributes.POSITION : undefined);
/** What lies nowhere is not drawn either. */
const isSurface = (primitive: Row) => SURFACES.includes(primitive.mode) && positionOf(primitive) !== undefined;

function accessorOf(accessor: Row, views: readonly Row[]): Row {
  const { bufferView, byteOffset, componentType, count, type } = accessor;
  const normalized = accessor.normalized === true && SHORT.includes(componentType);
  // What is said to be there is laid out before it is read.
  if (!(typeof count === 'number' && count >= 0 && count <= 3 * MOST_TRIANGLES)) throw new Error('no count');
  if (bufferView !== undefined) pointsAt(views, bufferView);
  const sparse = accessor.sparse === undefined ? undefined : sparseOf(accessor.sparse, views);
  // Its box is measured, not believed; a loader that is told none complains.
  const box = { min: [0, 0, 0], max: [0, 0, 0] };
  return said({ bufferView, byteOffset, componentType, normalized, count, type, sparse, ...box });
}

/** Few of its values, told apart. */
function sparseOf(sparse: unknown, views: readonly Row[]): unknown {
  if (!isRow(sparse) || !isRow(sparse.indices) || !isRow(sparse.values)) throw new Error('no sparse values');
  pointsAt(views, sparse.indices.bufferView);
  pointsAt(views, sparse.values.bufferView);
  return sparse;
}

function primitiveOf(primitive: Row, accessors: readonly Row[]): Row {
  const { indices: corners, mode } = primitive;
  const position = positionOf(primitive);
  pointsAt(accessors, position);
  if (corners !== undefined) pointsAt(accessors, corners);
  return said({ attributes: { POSITION: position }, indices: corners, mode });
}

const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value);

function rows(list: unknown): readonly Row[] {
  if (list === undefined) return [];
  if (!Array.isArray(list) || !list.every(isRow)) throw new Error('no list');
  return list;
}

function pointsAt(list: readonly Row[], index: unknown): void {
  if (!(Number.isInteger(index) && Number(index) >= 0 && Number(index) < list.length)) throw new Error('no such part');
}

function indices(list: readonly Row[], some: unknown): unknown {
  if (some === undefined) return undefined;
  if (!Array.isArray(some)) throw new Error('no list');
  for (const index of some) pointsAt(list, index);
  return some;
}

/** Without what was not said: a loader takes an undefined for a wish. */
const said = (row: Row): Row => Object.fromEntries(Object.entries(row).filter(([, value]) => value !== undefined));

/** Those in no other. @throws Error where a node is in itself or in two others */
function rootsOf(nodes: ReadonlyArray<{ children?: readonly number[] }>): number[] {
  const parents = new Int32Array(nodes.length).fill(-1);
  for (const [parent, { children = [] }] of nodes.entries())
    for (const child of children) {
      if (parents[child] >= 0) throw new Error('a node in two others');
      parents[child] = parent;
    }
  for (let node = 0; node < nodes.length; node++) {
    let depth = 0;
    for (let up = parents[node]; up >= 0; up = parents[up]) if (++depth > DEEPEST) throw new Error('nested too deep');
  }
  return [...parents.keys()].filter((node) => parents[node] < 0);
}

/** @throws Error where it lies in another file, or is no sound base 64 */
function written(uri: string): ArrayBuffer {
  const [head, data, ...more] = uri.split(',');
  if (!/^data:[\w/+.-]*;base64$/.test(head) || more.length > 0) throw new Error('buffer elsewhere');
  const letters = atob(data);
  const bytes = new Uint8Array(letters.length);
  for (let i = 0; i < bytes.length; i++) bytes[i] = letters.charCodeAt(i);
  return bytes.buffer;
}
