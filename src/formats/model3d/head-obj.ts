/** The head as Wavefront OBJ, by the exporter of three; mm. */
import { BufferAttribute, BufferGeometry, Group, LineSegments, Mesh } from 'three';
import { OBJExporter } from 'three/addons/exporters/OBJExporter.js';
import type { ModelPart } from './head-model.ts';

export function headObj(name: string, parts: readonly ModelPart[]): string {
  const group = new Group();
  for (const part of parts) {
    const object = part.kind === 'lines' ? new LineSegments(segments(part)) : new Mesh(surface(part));
    object.name = part.name;
    group.add(object);
  }
  return `# ${name.replace(/[\r\n]+/g, ' ')}\n# mm, y up, the face towards +z\n${new OBJExporter().parse(group)}`;
}

function surface({ positions, normals, indices }: ModelPart): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  if (normals) geometry.setAttribute('normal', new BufferAttribute(normals, 3));
  return geometry.setIndex(new BufferAttribute(indices, 1));
}

/** The exporter takes ends two by two. */
function segments({ positions, indices }: ModelPart): BufferGeometry {
  const ends = new Float32Array(3 * indices.length);
  indices.forEach((v, i) => {
    for (let k = 0; k < 3; k++) ends[3 * i + k] = positions[3 * v + k];
  });
  return new BufferGeometry().setAttribute('position', new BufferAttribute(ends, 3));
}
