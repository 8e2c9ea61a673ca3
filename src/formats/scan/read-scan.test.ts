/** Scans as others write them: by JSCAD, glTF-Transform and the examples of the formats' descriptions; and files that are none. */
import modeling from '@jscad/modeling';
import { serialize as jscadObj } from '@jscad/obj-serializer';
import { serialize as jscadStl } from '@jscad/stl-serializer';
import { describe, expect, it } from 'vitest';
import { ballGlb, ballGltf } from '../../../tests/helpers/glb.ts';
import { icosphere } from '../../core/geometry/index.ts';
import type { ScanMesh } from '../../core/scan/index.ts';
import { areaOf } from '../../core/scan/scan-mesh.ts';
import { demoScan } from '../../demo/scan.ts';
import { scanStl } from '../../demo/scan-stl.ts';
import { readScan, scanKind } from './read-scan.ts';

const { sphere, cube, ellipsoid } = modeling.primitives;
const bytes = (parts: readonly (string | ArrayBuffer)[]) =>
  new Uint8Array(Buffer.concat(parts.map((p) => (typeof p === 'string' ? Buffer.from(p) : Buffer.from(p)))));
const text = (t: string) => new TextEncoder().encode(t);
async function opened(name: string, file: Uint8Array): Promise<ScanMesh> {
  const read = await readScan(name, file);
  if (!read.ok) throw new Error(read.why);
  return read.value;
}
const areaAll = ({ positions, triangles }: ScanMesh) => {
  let sum = 0;
  for (let t = 0; t < triangles.length; t += 3) sum += areaOf(positions, triangles, t);
  return sum;
};
const asGltf = (json: object) => text(JSON.stringify(json));
interface BallDocument {
  readonly accessors: readonly object[];
  readonly meshes: ReadonlyArray<{ readonly primitives: readonly object[] }>;
}
const ballDocument = async () => JSON.parse(await ballGltf(4)) as BallDocument;
const ball = sphere({ radius: 90, segments: 48 });
const SPHERE = 4 * Math.PI * 90 ** 2;

describe('shapes that JSCAD writes', () => {
  it('a sphere as binary and as text STL, and as OBJ, has 4πR²', async () => {
    for (const [name, file] of [
      ['ball.stl', bytes(jscadStl({ binary: true }, ball) as ArrayBuffer[])],
      ['ball.stl', bytes(jscadStl({ binary: false }, ball) as string[])],
      ['ball.obj', bytes(jscadObj({}, ball) as string[])],
    ] as const)
      expect(areaAll(await opened(name, file)) / SPHERE, name).toBeCloseTo(1, 2);
  });

  it('an ellipsoid of 80, 100 and 110 mm has the area that Thomsen’s formula gives (from memory, to 1.1 %)', async () => {
    const file = bytes(
      jscadStl({ binary: true }, ellipsoid({ radius: [80, 100, 110], segments: 64 })) as ArrayBuffer[],
    );
    const p = 1.6075;
    const thomsen = 4 * Math.PI * (((80 * 100) ** p + (80 * 110) ** p + (100 * 110) ** p) / 3) ** (1 / p);
    expect(Math.abs(areaAll(await opened('e.stl', file)) / thomsen - 1)).toBeLessThan(0.012);
  });

  it('a cube of 100 mm has 6 faces of 10 000 mm², and too few triangles for a head', async () => {
    const read = await readScan('cube.stl', bytes(jscadStl({ binary: true }, cube({ size: 100 })) as ArrayBuffer[]));
    expect(read).toEqual({ ok: false, why: '“cube.stl” has 12 triangles, too few for a head. Nothing was changed.' });
  });
});

describe('PLY', () => {
  /** After the example of the format's description (G. Turk, The PLY Polygon File Format, 1994, from memory), many times over. */
  const cubes = (count: number) => {
    const corners: string[] = [];
    const faces: string[] = [];
    for (let i = 0; i < count; i++) {
      for (const [x, y, z] of ['000', '001', '011', '010', '100', '101', '111', '110'].map((c) => [...c].map(Number)))
        corners.push(`${2 * i + x} ${y} ${z}`);
      for (const f of ['3210', '7654', '0451', '1562', '2673', '3740'])
        faces.push(`4 ${[...f].map((c) => 8 * i + Number(c)).join(' ')}`);
    }
    return `ply\nformat ascii 1.0\ncomment made by hand\nelement vertex ${corners.length}\nproperty float x\nproperty float y\nproperty float z\nelement face ${faces.length}\nproperty list uchar int vertex_index\nend_header\n${corners.join('\n')}\n${faces.join('\n')}\n`;
  };
  it('as text, its quadrangles cut in two: twenty cubes have 120', async () => {
    const mesh = await opened('cubes.ply', text(cubes(20)));
    expect(mesh.triangles.length / 3).toBe(240);
    expect(areaAll(mesh)).toBeCloseTo(120, 5);
  });

  it('with points alone is refused', async () => {
    const only =
      'ply\nformat ascii 1.0\nelement vertex 1\nproperty float x\nproperty float y\nproperty float z\nend_header\n0 0 0\n';
    expect(await readScan('points.ply', text(only))).toMatchObject({ ok: false });
  });

  it('that says it has too many triangles is refused before it is read', async () => {
    const many = text('ply\nformat binary_little_endian 1.0\nelement face 3000000\nend_header\n');
    expect(await readScan('many.ply', many)).toMatchObject({ ok: false, why: expect.stringMatching(/2 million/) });
  });
});

describe('glTF', () => {
  it('by glTF-Transform, its size set by its node, its pictures left alone', async () => {
    const mesh = await opened('head.glb', await ballGlb(12, 0.09, true));
    expect(areaAll(mesh) / (4 * Math.PI * 0.09 ** 2)).toBeCloseTo(1, 1);
    expect(mesh.triangles.length).toBe(icosphere(12).triangles.length);
  });

  it('whose parts lie in other files is refused: nothing is fetched', async () => {
    const json = {
      asset: { version: '2.0' },
      buffers: [{ uri: 'http://127.0.0.1:1/head.bin', byteLength: 36 }],
      scenes: [{ nodes: [] }],
      scene: 0,
    };
    expect(await readScan('head.gltf', text(JSON.stringify(json)))).toMatchObject({
      ok: false,
      why: expect.stringMatching(/lies in another file; save it as one/),
    });
  });

  it('without a scene, with lines beside it, with few values told apart, is all of its surface', async () => {
    const whole = await ballDocument();
    const doubled = {
      ...whole,
      meshes: [
        { primitives: [...whole.meshes[0].primitives, { mode: 1, attributes: { POSITION: 0 } }, { attributes: {} }] },
      ],
    };
    expect((await opened('lines.gltf', asGltf(doubled))).triangles.length).toBe(icosphere(4).triangles.length);
    const noScene = { ...whole, scenes: undefined, scene: undefined };
    expect((await opened('no-scene.gltf', asGltf(noScene))).triangles.length).toBe(icosphere(4).triangles.length);
    const [positions, corners] = whole.accessors;
    const sparse = {
      count: 1,
      indices: { bufferView: 1, componentType: 5123 },
      values: { bufferView: 0 },
    };
    const apart = await opened('apart.gltf', asGltf({ ...whole, accessors: [{ ...positions, sparse }, corners] }));
    expect(apart.triangles.length).toBe(icosphere(4).triangles.length);
  });

  it.each<[string, (whole: BallDocument) => object]>([
    // The first fails later, while the second fails at once: nothing may fail where nobody waits.
    [
      'a part that is cut short beside one that is not there',
      (whole) => ({
        ...whole,
        accessors: [{ ...whole.accessors[0], count: 1_000_000 }, whole.accessors[1]],
        meshes: [{ primitives: [{ attributes: { POSITION: 0, NORMAL: 77 }, indices: 78 }] }],
      }),
    ],
    [
      'a kind of number that there is not',
      (whole) => ({ ...whole, accessors: [{ ...whole.accessors[0], componentType: 9 }, whole.accessors[1]] }),
    ],
    ['a node in itself', (whole) => ({ ...whole, nodes: [{ mesh: 0, children: [0] }] })],
    ['two nodes in each other', (whole) => ({ ...whole, nodes: [{ mesh: 0, children: [1] }, { children: [0] }] })],
    [
      'a node in two others',
      (whole) => ({
        ...whole,
        nodes: [{ mesh: 0 }, { children: [0] }, { children: [0] }],
        scenes: [{ nodes: [1, 2] }],
      }),
    ],
    ['a scene of nodes that are not there', (whole) => ({ ...whole, scenes: [{ nodes: [5] }] })],
    ['a mesh that is not there', (whole) => ({ ...whole, nodes: [{ mesh: 3 }] })],
    ['a list that is a word', (whole) => ({ ...whole, nodes: 'many' })],
    [
      'a share of one that is none, cut short',
      (whole) => ({
        ...whole,
        accessors: [{ ...whole.accessors[0], normalized: true, count: 1_000_000 }, whole.accessors[1]],
      }),
    ],
    ['points to no view', (whole) => ({ ...whole, accessors: [{ ...whole.accessors[0], bufferView: -1 }] })],
  ])('with %s is refused with one sentence', async (_, spoil) => {
    const read = await readScan('head.gltf', asGltf(spoil(await ballDocument())));
    expect(read).toMatchObject({ ok: false, why: expect.stringMatching(/^“head.gltf” can’t be read as GLTF: it is/) });
  });
});

describe('the sample', () => {
  it('is written as STL and read back as it is', async () => {
    const scan = demoScan({ stepMm: 5 });
    const mesh = await opened('sample.stl', scanStl(scan));
    expect(mesh.triangles.length).toBe(scan.triangles.length);
    expect(areaAll(mesh) / areaAll(scan)).toBeCloseTo(1, 5);
  });
});

describe('files that are none', () => {
  const stl = scanStl(demoScan({ stepMm: 6 }));
  it.each([
    ['nothing', 'a.stl', new Uint8Array(0), /is empty/],
    ['another ending', 'a.png', text('x'), /no OBJ, STL, PLY or glTF/],
    ['words', 'a.stl', text('no solid at all'), /can’t be read as STL/],
    ['words as OBJ', 'a.obj', text('not a thing'), /no surface/],
    ['a cut PLY', 'a.ply', text('ply\nformat ascii 1.0\nelement vertex 9'), /Nothing was changed/],
    ['a cut GLB', 'a.glb', new Uint8Array([0x67, 0x6c, 0x54, 0x46, 2, 0, 0, 0]), /can’t be read as GLB/],
    ['broken JSON', 'a.gltf', text('{"asset"'), /can’t be read as GLTF/],
    ['corners nowhere', 'a.stl', stl.map((b, i) => (i > 84 && i < 4000 ? 0xff : b)), /lies nowhere/],
    ['a cut STL', 'a.stl', stl.slice(0, stl.length - 33), /Nothing was changed/],
  ])('%s', async (_, name, file, why) => {
    const read = await readScan(name, file);
    expect(read).toEqual({ ok: false, why: expect.stringMatching(why) });
    expect((read as { why: string }).why.match(/Nothing was changed\./g)).toHaveLength(1);
  });

  it('is STL without an ending, and in capitals', async () => {
    const binary = bytes(jscadStl({ binary: true }, ball) as ArrayBuffer[]);
    expect(areaAll(await opened('scan', binary)) / SPHERE).toBeCloseTo(1, 1);
    const loud = bytes(jscadStl({ binary: false }, ball) as string[]);
    const capitals = new TextEncoder().encode(new TextDecoder().decode(loud).toUpperCase());
    expect(areaAll(await opened('LOUD.STL', capitals)) / SPHERE).toBeCloseTo(1, 1);
  });

  it('are told apart by what they begin with, whatever they are called', () => {
    expect(scanKind('x.obj', text('ply\nformat'))).toBe('ply');
    expect(scanKind('x', text('glTF'))).toBe('glb');
    expect(scanKind('x.STL', text('solid'))).toBe('stl');
  });
});
