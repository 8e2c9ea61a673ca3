/** A ball as glTF-Transform writes it. */
import { Accessor, Document, WebIO } from '@gltf-transform/core';
import { icosphere } from '../../src/core/geometry/index.ts';

/** @param divisions of its sphere; scale of its node; withPicture: a picture on it that is none */
export async function ballGlb(divisions: number, scale = 1, withPicture = false): Promise<Uint8Array> {
  const { directions, triangles } = icosphere(divisions);
  const doc = new Document();
  const buffer = doc.createBuffer();
  const vectors = doc.createAccessor().setType(Accessor.Type.VEC3).setArray(Float32Array.from(directions));
  const corners = doc.createAccessor().setType(Accessor.Type.SCALAR).setArray(Uint16Array.from(triangles));
  const primitive = doc
    .createPrimitive()
    .setAttribute('POSITION', vectors.setBuffer(buffer))
    .setIndices(corners.setBuffer(buffer));
  if (withPicture) {
    const picture = doc
      .createTexture('skin')
      .setImage(new Uint8Array([1, 2, 3]))
      .setMimeType('image/png');
    primitive.setMaterial(doc.createMaterial('skin').setBaseColorTexture(picture));
  }
  const mesh = doc.createMesh('head').addPrimitive(primitive);
  doc.createScene('scan').addChild(doc.createNode('head').setMesh(mesh).setScale([scale, scale, scale]));
  return new WebIO().writeBinary(doc);
}
