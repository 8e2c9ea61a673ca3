/** The head as binary glTF 2.0 (Khronos Group; ISO/IEC 12113), in metres as that has it. */
import { Accessor, Document, Primitive, WebIO } from '@gltf-transform/core';
import type { ModelPart } from './head-model.ts';

const METRE_MM = 1000;

export async function headGlb(name: string, parts: readonly ModelPart[]): Promise<Uint8Array> {
  const doc = new Document();
  doc.getRoot().getAsset().generator = 'Meshwork';
  const buffer = doc.createBuffer();
  const scene = doc.createScene(name);
  for (const part of parts) {
    const primitive = doc
      .createPrimitive()
      .setMode(part.kind === 'lines' ? Primitive.Mode.LINES : Primitive.Mode.TRIANGLES)
      .setMaterial(
        doc
          .createMaterial(part.name)
          .setBaseColorFactor([...part.colour.map(linear), 1] as [number, number, number, number])
          .setRoughnessFactor(0.9)
          .setMetallicFactor(0)
          .setDoubleSided(true),
      )
      .setAttribute(
        'POSITION',
        vectors(
          doc,
          Float32Array.from(part.positions, (mm) => mm / METRE_MM),
        ).setBuffer(buffer),
      )
      .setIndices(doc.createAccessor().setType(Accessor.Type.SCALAR).setArray(part.indices).setBuffer(buffer));
    if (part.normals) primitive.setAttribute('NORMAL', vectors(doc, part.normals).setBuffer(buffer));
    scene.addChild(doc.createNode(part.name).setMesh(doc.createMesh(part.name).addPrimitive(primitive)));
  }
  return new WebIO().writeBinary(doc);
}

const vectors = (doc: Document, array: Float32Array) =>
  doc.createAccessor().setType(Accessor.Type.VEC3).setArray(array);

/** From a colour as seen to light (IEC 61966-2-1). */
const linear = (c: number) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4);
