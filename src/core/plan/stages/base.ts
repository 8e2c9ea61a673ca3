/** Own hair, marks, sections with their edits, parked tails and the order of work on them. */
import {
  baseContext as contextOf,
  EditTree,
  generateSections,
  layBase,
  NO_BASE_WORK,
  NO_PART,
  withoutHair,
  baseWork as workOn,
} from '../../base/index.ts';
import { hairOnScalp } from '../../hair/index.ts';
import { markMasks } from '../../head/index.ts';
import { isWorn } from '../../trade/index.ts';
import { head } from './head.ts';
import { partLine } from './part.ts';
import { stage } from './stage.ts';

export const ownHair = stage(
  'ownHair',
  ({ inputs, of }) => ({ head: of(head), ownHair: inputs.ownHair }),
  ({ head: { mesh, scalp, mark }, ownHair: told }) => hairOnScalp(mesh, scalp, mark, told),
);

/** What she marked on her scalp. */
export const masks = stage(
  'masks',
  ({ inputs, of }) => ({ head: of(head), marks: inputs.marks }),
  ({ head: hers, marks }) => markMasks(hers, marks),
);

export const baseContext = stage(
  'baseContext',
  ({ inputs, of }) => ({ head: of(head), hair: of(ownHair), masks: of(masks), fingerMm: inputs.fingerMm }),
  ({ head: hers, hair, masks: marked, fingerMm }) => contextOf(hers, hair, marked, fingerMm),
);

/** Sections as generated and every edit that was made of them: a drag redoes only the last. */
export const editTree = stage(
  'editTree',
  ({ inputs, of }) => {
    const { parking: _, locked: __, edits: ___, ...choice } = inputs.base;
    return {
      context: of(baseContext),
      choice,
      // Only this family lies where the part lies.
      part: choice.family === 'behindPart' ? of(partLine) : undefined,
    };
  },
  ({ context, choice, part }) => new EditTree(context, generateSections(context, choice, part ?? NO_PART)),
);

export const sections = stage(
  'sections',
  ({ inputs, of }) => ({ tree: of(editTree), edits: inputs.base.edits }),
  ({ tree, edits }) => tree.edited(edits),
);

export const base = stage(
  'base',
  ({ inputs, of }) => {
    const { locked: _, edits: __, ...choice } = inputs.base;
    return { context: of(baseContext), choice, sections: of(sections), worn: isWorn(inputs.madeFor) };
  },
  ({ context, choice, sections: edited, worn }) => {
    const laid = layBase(context, choice, edited);
    return worn ? laid : withoutHair(laid);
  },
);

export const baseWork = stage(
  'baseWork',
  ({ inputs, of }) => {
    const { edits: _, ...choice } = inputs.base;
    const worn = isWorn(inputs.madeFor);
    return { context: of(baseContext), choice, base: of(base), part: of(partLine), ownHair: inputs.ownHair, worn };
  },
  ({ context, choice, base: laid, part, ownHair: own, worn }) =>
    worn ? workOn(context, choice, laid, part, own) : NO_BASE_WORK,
);
