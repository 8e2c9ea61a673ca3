/**
 * Footprints of worn pieces, kept piece by piece, so that a change follows only what it moves. All prints of a store
 * belong to one head and one way of falling; pieces that are laid otherwise are told by their lie.
 */
import type { Footprint, Lie, Ribbons, Root, Worn } from '../fall/index.ts';
import type { SurfaceMesh, VertexBalls } from '../geometry/index.ts';
import { FootprintMaker } from './footprint.ts';

export interface Prints {
  readonly prints: readonly Footprint[];
  /** Pieces worked out anew: what a change costs. */
  readonly traced: number;
}

export class PrintStore {
  private kept = new Map<string, Footprint>();

  /** Prints of the worn pieces; those of the last look that lie the same are taken as they are. @param ways of each lie that occurs */
  lay(worn: Worn, mesh: SurfaceMesh, balls: VertexBalls, ways: Readonly<Partial<Record<Lie, Float64Array>>>): Prints {
    const fresh = new Map<string, Footprint>();
    const makers = new Map<Lie, FootprintMaker>();
    const makerFor = (lie: Lie) => {
      const known = makers.get(lie) ?? new FootprintMaker(mesh, ways[lie] as Float64Array, balls);
      makers.set(lie, known);
      return known;
    };
    const names = new Map([...new Set(worn.ribbons)].map((r) => [r, ribbonsKey(r)]));
    let traced = 0;
    const prints = worn.roots.map((root, i) => {
      const lie = worn.lies[i];
      const key = `${rootKey(root)} ${names.get(worn.ribbons[i])} ${lie}`;
      let print = this.kept.get(key) ?? fresh.get(key);
      if (!print) {
        print = makerFor(lie).of(root, worn.ribbons[i]);
        traced++;
      }
      fresh.set(key, print);
      return print;
    });
    this.kept = fresh;
    return { prints, traced };
  }
}

const rootKey = ({ xMm, yMm, zMm, vertex }: Root) => `${xMm} ${yMm} ${zMm} ${vertex}`;
const ribbonsKey = ({ count, widthMm, opacity, fanRad, fanReachMm, lengthMm, springs }: Ribbons) =>
  `${count} ${widthMm} ${opacity} ${fanRad} ${fanReachMm} ${lengthMm} ${springs}`;
