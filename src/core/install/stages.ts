/** What is done in stages: strands opened half and looked at, one dressing after another, tied down to set, a leave-out freed at the end. */
import { DRESSING_INFO, type Dressing, fingersInWords, lowerFirst } from '../trade/index.ts';
import { rowEnd, type WorkContext, type WorklistStep } from './work-step.ts';

/** Knots of a cut that are in before a place in the order of work. */
const knotsIn = (g: WorkContext, cut: string, before = g.knots.length) =>
  g.knots.slice(0, before).filter((k) => k.cut === cut).length;

/** Knots that are in when a first pack of this cut is empty; where one pack does for all, when a third of it is in. */
function packOneOf(g: WorkContext, cut: string): number {
  const all = knotsIn(g, cut);
  const perPack = g.pieces.get(cut)?.perPack ?? all;
  const wanted = perPack < all ? Math.floor(perPack) : Math.ceil(all / 3);
  let laid = 0;
  return g.knots.findIndex((k) => k.cut === cut && ++laid >= wanted) + 1;
}

/** What is in of a first pack is opened and looked at. */
export function openingOfPackOne(g: WorkContext): Array<{ readonly at: number; readonly step: WorklistStep }> {
  return g.cuts.flatMap((cut) => {
    const piece = g.pieces.get(cut.id);
    if (cut.opened.when !== 'afterPackOne' || !piece || knotsIn(g, cut.id) === 0) return [];
    const at = rowEnd(g, packOneOf(g, cut.id));
    const count = knotsIn(g, cut.id, at);
    const step: WorklistStep = {
      kind: 'open',
      what: `Open what is in of ${lowerFirst(cut.name)}`,
      how: `${count} pieces, ${degreeWords(g, cut.id)}. Look at it from both sides before you go on: an opened coil won’t go back.`,
      minutes: (count * piece.secondsOpening) / 60,
    };
    return [{ at, step }];
  });
}

/** Strands that are opened once all is in. */
export function openingAtEnd(g: WorkContext): WorklistStep[] {
  return g.cuts.flatMap((cut): WorklistStep[] => {
    const piece = g.pieces.get(cut.id);
    const { when } = cut.opened;
    const count =
      knotsIn(g, cut.id) - (when === 'afterPackOne' ? knotsIn(g, cut.id, rowEnd(g, packOneOf(g, cut.id))) : 0);
    if (count === 0 || !piece || piece.secondsOpening === 0) return [];
    const name = lowerFirst(cut.name);
    const look =
      when === 'halfBefore'
        ? 'Half of it is open already. Look first: the rest today, another day, or not at all.'
        : when === 'afterPackOne'
          ? 'As pack one, if you liked what you saw.'
          : 'Half, look, then the rest: an opened coil won’t go back through a net.';
    return [
      {
        kind: 'open',
        what: when === 'after' ? `Open the strands of ${name}` : `Open the rest of ${name}`,
        how: `${count} pieces, ${degreeWords(g, cut.id)}. ${look}`,
        minutes: (count * piece.secondsOpening) / 60,
      },
    ];
  });
}

function degreeWords(g: WorkContext, id: string): string {
  const { opened } = g.cuts.find((c) => c.id === id) as WorkContext['cuts'][number];
  const strands = Math.max(1, Math.round(opened.strands * (g.pieces.get(id)?.strands ?? 1)));
  return `about ${strands} ${strands === 1 ? 'strand' : 'strands'} of each, ${Math.round(opened.reach * 100)} % of the way up`;
}

/** Dressings that are done to hair that is in: the first where the school says, another one after all of it. */
export function dressings(g: WorkContext): Array<{ at: 'pack' | 'half' | 'end'; step: WorklistStep }> {
  const where = { afterOnePack: 'pack', middle: 'half', end: 'end' } as const;
  return g.cuts.flatMap((cut) => {
    const count = knotsIn(g, cut.id);
    const piece = g.pieces.get(cut.id);
    if (count === 0 || !piece) return [];
    const step = (dressing: Dressing, seconds: number, why: string): WorklistStep => ({
      kind: 'smooth',
      what: `${cut.name}: ${DRESSING_INFO[dressing].name}`,
      how: `${DRESSING_INFO[dressing].why} ${why}`,
      minutes: (count * seconds) / 60,
      waitMinutes: DRESSING_INFO[dressing].dryMinutes,
    });
    const isAfter = cut.dressed !== 'asItIs' && !DRESSING_INFO[cut.dressed].before;
    return [
      ...(isAfter
        ? [
            {
              at: where[g.schools.smoothing],
              step: step(
                cut.dressed,
                piece.secondsDressing,
                'Judge it only then; what comes later is done the same way.',
              ),
            },
          ]
        : []),
      ...(cut.dressedAgain === 'asItIs'
        ? []
        : [
            {
              at: 'end' as const,
              step: step(
                cut.dressedAgain,
                piece.secondsDressingAgain,
                cut.dressed === 'asItIs'
                  ? 'Once all of it is in.'
                  : `After it was ${DRESSING_INFO[cut.dressed].name}, once all of it is in.`,
              ),
            },
          ]),
    ];
  });
}

/** Tied down, and left to set: hands are free meanwhile. */
export function settingStep(g: WorkContext): WorklistStep[] {
  if (g.setMinutes === 0) return [];
  return [
    {
      kind: 'set',
      what: 'Tie it down and let it set',
      how: `A smooth scarf from the front, flat, for ${g.setMinutes} minutes. Hands are free: clear up, eat, look at the log.`,
      minutes: 2,
      waitMinutes: g.setMinutes,
    },
  ];
}

/** Cloth left over behind is tied before hair hangs over it, and cut once nothing will be moved any more. */
export function surplusTied(g: WorkContext): WorklistStep[] {
  if (!g.cap.surplus || g.cap.dome === 'none') return [];
  return [
    {
      kind: 'tieOff',
      what: 'Gather the cloth left over behind and tie it off',
      how: 'Drawn together at the nape until the dome lies flat, a band or thread round it twice. The tail stays on for now.',
      minutes: 3,
    },
  ];
}

export function surplusCut(g: WorkContext): WorklistStep[] {
  if (!g.cap.surplus || g.cap.dome === 'none') return [];
  return [
    {
      kind: 'tieOff',
      what: 'Cut off the surplus beyond its tie',
      how: 'A finger’s breadth behind the tie, hair combed away from the blades; the stump is turned in.',
      minutes: 2,
    },
  ];
}

/** A strip of own hair that was freed narrow is widened, or cut to blend. */
export function leaveOutAtEnd(g: WorkContext): WorklistStep[] {
  const { where, fingers, atEnd } = g.leftOut;
  if (where === 'none' || atEnd === 'stay') return [];
  const width = fingersInWords(fingers);
  return [
    atEnd === 'widen'
      ? {
          kind: 'leaveOut',
          what: 'Free the leave-out wider',
          how: `It was freed narrow; now line by line, until it blends, ${width} at most. What is freed too much has to be stuffed away again.`,
          minutes: 5,
        }
      : {
          kind: 'leaveOut',
          what: 'Cut the leave-out to blend',
          how: `Your own hair, ${width} of it: dry, as you wear it, less than you think, points into the tips. It is yours, and what is cut is gone.`,
          minutes: 7,
        },
  ];
}
