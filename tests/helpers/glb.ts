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

/** The same as text, what it holds within it. */
export async function ballGltf(divisions: number, scale = 1): Promise<string> {
  const io = new WebIO();
  const { json, resources } = await io.writeJSON(await io.readBinary(await ballGlb(divisions, scale)));
  const [buffer] = json.buffers ?? [];
  const data = Object.values(resources)[0];
  buffer.uri = `data:application/octet-stream;base64,${Buffer.from(data).toString('base64')}`;
  return JSON.stringify(json);
}
