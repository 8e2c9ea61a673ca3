/** A section map in the making. */
import type { BaseContext } from '../context.ts';
import type { SectionRole, SectionSeed } from './section-map.ts';

export class Draft {
  readonly labels: Int32Array;
  readonly sections: SectionSeed[] = [];
  along?: Float64Array;

  constructor(ground: BaseContext) {
    this.labels = new Int32Array(ground.mesh.vertexCount);
  }

  add(
    vertices: readonly number[],
    id: string,
    name: string,
    role: SectionRole = 'base',
    more: Pick<SectionSeed, 'tie' | 'way' | 'ring'> = {},
  ) {
    const label = this.sections.length;
    this.sections.push({ id, name, role, ...more });
    for (const v of vertices) this.labels[v] = label;
  }
}
