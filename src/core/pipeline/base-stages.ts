/** The chain up to the base: head, own hair, marks, part, sections, tails, each kept by what it names. */
import { type BaseWork, baseWork, type LaidBase, layBase } from '../base/base.ts';
import { applyEdit, type EditDeed, type EditOutcome, replayEdits } from '../base/edit.ts';
import { generateSections } from '../base/generate.ts';
import { type BaseGround, baseGround } from '../base/ground.ts';
import { icosphere } from '../geometry/icosphere.ts';
import { hairOnScalp } from '../hair/own-hair.ts';
import { fitHead } from '../head/fit.ts';
import { hairline, turnedOffsets } from '../head/hairline.ts';
import { landmarks } from '../head/landmarks.ts';
import { markMasks } from '../head/marks.ts';
import { scalpMesh } from '../head/scalp.ts';
import { headShape } from '../head/shape.ts';
import { tapeReading } from '../head/tape.ts';
import { onHerLeft, turnedPoints } from '../rows/mirror.ts';
import type { Part } from '../rows/part.ts';
import { scalpFields } from '../rows/scalp-fields.ts';
import { isFieldScheme } from '../rows/schemes.ts';
import type { HeadStage } from './head-stage.ts';
import type { HeadInputs, PlanInputs } from './inputs.ts';
import { Memo } from './memo.ts';
import { partOnHead } from './on-head.ts';

export class BaseStages {
  protected readonly memo = new Memo();
  /** Edits of a base, one after the other: a drag redoes only the last. */
  protected readonly edits = new Memo(60);
  protected tokens = 0;

  /** What later stages are kept by: short, and new whenever a stage is worked out anew. */
  protected token(): number {
    return ++this.tokens;
  }

  head(inputs: HeadInputs): HeadStage {
    const { tape, tapeSpreadsMm, trusted, meshFrequency } = inputs;
    const key = JSON.stringify([tape, tapeSpreadsMm, trusted, inputs.hairline, meshFrequency]);
    return this.memo.get('head', key, () => {
      const fitKey = JSON.stringify([tape, tapeSpreadsMm, trusted]);
      const fit = this.memo.get('fit', fitKey, () => fitHead(tape, tapeSpreadsMm, trusted));
      const shape = headShape(fit.scores);
      const line = hairline(shape, inputs.hairline);
      const mesh = scalpMesh(shape, line, this.sphere(meshFrequency));
      const mark = landmarks(shape);
      const areaMm2 = mesh.triangleAreasMm2.reduce((a, b) => a + b, 0);
      return {
        key: this.token(),
        fit,
        shape,
        line,
        mark,
        mesh,
        areaMm2,
        girthMm: tapeReading(shape, 'girth', mark),
        scalp: scalpFields(shape, line, mesh),
      };
    });
  }

  sphere(frequency: number) {
    return this.memo.get('sphere', String(frequency), () => icosphere(frequency));
  }

  /** The part as rows are worked out from it. Rows that follow the base lie where the base lies. */
  protected side(inputs: PlanInputs): { readonly part: Part; readonly turned: boolean } {
    return isFieldScheme(inputs.rows.scheme) ? onHerLeft(inputs.part) : { part: inputs.part, turned: false };
  }

  /** The head on which rows are worked out: its mirror image where the part is on her right. */
  protected rowsHead(inputs: PlanInputs): HeadStage {
    const { turned } = this.side(inputs);
    return this.head(turned ? { ...inputs, hairline: turnedOffsets(inputs.hairline) } : inputs);
  }

  hair(inputs: PlanInputs) {
    const head = this.head(inputs);
    const key = JSON.stringify([head.key, inputs.ownHair]);
    return this.memo.get('hair', key, () => ({
      key: this.token(),
      ...hairOnScalp(head.mesh, head.scalp, head.mark, inputs.ownHair),
    }));
  }

  /** What she marked on her scalp; tender and thin marks change no section, own hair in sight does. */
  protected masks(inputs: PlanInputs) {
    const head = this.head(inputs);
    const key = JSON.stringify([head.key, inputs.marks]);
    return this.memo.get('masks', key, () => ({
      key: this.token(),
      masks: markMasks(head, inputs.marks),
    }));
  }

  ground(inputs: PlanInputs): BaseGround & { readonly key: number } {
    const head = this.head(inputs);
    const hair = this.hair(inputs);
    const { key: marksKey, masks } = this.masks(inputs);
    const key = JSON.stringify([hair.key, marksKey, inputs.fingerMm]);
    return this.memo.get('ground', key, () => ({
      ...baseGround(head, hair, masks, inputs.fingerMm),
      key: this.token(),
    }));
  }

  /** The part as it lies on her head, whichever side it is on. */
  partLine(inputs: PlanInputs): { readonly pointsMm: Float64Array } {
    const { turned } = this.side(inputs);
    const { pointsMm } = this.part(inputs);
    return { pointsMm: turned ? turnedPoints(pointsMm) : pointsMm };
  }

  /** Key of the sections as generated; edits are appended to it one by one. */
  protected generatedKey(inputs: PlanInputs): string {
    const { parking: _, locked: __, edits: ___, ...choice } = inputs.base;
    const follows = choice.family === 'behindPart' ? [this.part(inputs).key, inputs.part] : [];
    return JSON.stringify([this.ground(inputs).key, choice, follows]);
  }

  sections(inputs: PlanInputs) {
    const ground = this.ground(inputs);
    const { edits } = inputs.base;
    const laid = this.generatedKey(inputs);
    return this.memo.get('sections', laid + JSON.stringify(edits), () => {
      const generated = this.memo.get('generated', laid, () =>
        generateSections(ground, inputs.base, this.partLine(inputs)),
      );
      let sofar = laid;
      const edited = replayEdits(ground, generated, edits, (index, apply) => {
        sofar += JSON.stringify(edits[index]);
        return this.edits.get('edit', sofar, apply);
      });
      return { key: this.token(), ...edited };
    });
  }

  base(inputs: PlanInputs): LaidBase & { readonly key: number } {
    const sections = this.sections(inputs);
    const ground = this.ground(inputs);
    const key = JSON.stringify([sections.key, inputs.base.parking]);
    return this.memo.get('base', key, () => ({
      key: this.token(),
      ...layBase(ground, inputs.base, sections),
    }));
  }

  protected baseWork(inputs: PlanInputs): BaseWork {
    const base = this.base(inputs);
    const part = this.part(inputs);
    const key = JSON.stringify([base.key, part.key, inputs.part, inputs.base.locked]);
    return this.memo.get('work', key, () =>
      baseWork(this.ground(inputs), inputs.base, base, this.partLine(inputs), inputs.ownHair),
    );
  }
  /** Whether an edit can be made, and why not. Nothing is kept of it. */
  tryEdit(inputs: PlanInputs, edit: EditDeed): { readonly why?: string } {
    const { map } = this.sections(inputs);
    // Kept under the key by which the plan with this edit will look for it.
    const key = this.generatedKey(inputs) + [...inputs.base.edits, edit].map((e) => JSON.stringify(e)).join('');
    const outcome: EditOutcome = this.edits.get('edit', key, () => applyEdit(this.ground(inputs), map, edit));
    return outcome.ok ? {} : { why: outcome.why };
  }

  part(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const { part } = this.side(inputs);
    const key = JSON.stringify([head.key, part]);
    return this.memo.get('part', key, () => ({ key: this.token(), ...partOnHead(head, part) }));
  }
}
