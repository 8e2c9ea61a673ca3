/**
 * The kinds of steps that an install is made of: what to have ready, what goes wrong there, and what can hurt. Common
 * practice, no source.
 */

export const STEP_KINDS = [
  'prepare',
  'block',
  'cap',
  'part',
  'border',
  'anchor',
  'strand',
  'rows',
  'check',
  'cut',
  'close',
  'tryOn',
  'open',
  'smooth',
  'set',
  'tieOff',
  'leaveOut',
  'trim',
  'finish',
] as const;

export type StepKind = (typeof STEP_KINDS)[number];

export interface StepInfo {
  readonly tools: readonly string[];
  /** What goes wrong at such a step. */
  readonly wrong?: string;
  /** What can hurt there, in the words of a friend. */
  readonly caution?: string;
}

export const STEP_INFO: Readonly<Record<StepKind, StepInfo>> = {
  prepare: { tools: ['scissors', 'clips'], wrong: 'Too much prepared at once: what is cut can’t be uncut.' },
  block: { tools: ['pins for the block', 'clips'], wrong: 'It turns on the block under the hook, and rows run askew.' },
  cap: {
    tools: ['mirror', 'clips'],
    wrong: 'It sits askew, or a fold under it shows later.',
    caution: 'If it presses or your head aches, it is too tight: take a larger one.',
  },
  part: { tools: ['washable pencil', 'mirror'], wrong: 'The line is drawn on a net that creeps afterwards.' },
  border: { tools: ['tail comb', 'mirror'], wrong: 'It is pushed back too far, and the front has nothing to hold it.' },
  anchor: {
    tools: ['hook', 'bent pins'],
    wrong: 'Too small a bite: it tears out, or the border creeps.',
    caution: 'A hold that pulls at every turn of the head is too tight: loosen it now, not tomorrow.',
  },
  strand: { tools: ['hook'], wrong: 'It is wound so tight that the root under it is pulled.' },
  rows: { tools: ['hook', 'clips', 'mirror'] },
  check: { tools: ['two mirrors'] },
  cut: {
    tools: ['scissors with blunt tips', 'mirror'],
    wrong: 'Cut before it is held, a net runs; cut too far, nothing holds the margin.',
    caution: 'Blades point away from the scalp, a finger between. Leave it for another day if your hands are tired.',
  },
  close: { tools: ['hook'], wrong: 'Drawn too tight it puckers, and the part stands up.' },
  tryOn: {
    tools: ['mirror'],
    caution: 'What presses at the mirror aches by evening: a cap that is too tight is not finished, it is taken off.',
  },
  open: {
    tools: ['fingers', 'a little oil'],
    wrong: 'All of it opened at once: it frizzes, and there is no way back.',
  },
  smooth: {
    tools: ['drier or rollers', 'serum', 'comb'],
    wrong: 'Too hot: plain fibre melts at once and stays melted.',
    caution: 'Heat under a net reaches the scalp first: test on your wrist, keep it moving, stop when it stings.',
  },
  set: {
    tools: ['a smooth scarf'],
    wrong: 'Untied too soon it springs back.',
    caution: 'A scarf that leaves a mark is too tight. Damp hair under it has to dry before you sleep on it.',
  },
  tieOff: { tools: ['thread or a small band', 'scissors'], wrong: 'Cut before it is tied, the net opens from behind.' },
  leaveOut: {
    tools: ['tail comb', 'clips'],
    wrong: 'Too much freed: what shows has to be stuffed away again.',
    caution: 'Edges are your finest hair: comb them with fingers first, and don’t slick them back every day.',
  },
  trim: {
    tools: ['sharp scissors', 'two mirrors'],
    wrong: 'Too much at once: it settles overnight, what is cut is gone.',
  },
  finish: { tools: ['fingers', 'wide comb'], wrong: 'Gaps filled before it was shaken out: they close by themselves.' },
};

/** Why a step is there at all; 'base' is the laying of the base, whose steps say themselves what they are. */
export const STEP_WHY: Readonly<Record<StepKind | 'base', string>> = {
  base: 'All that follows hangs on it: a base that shifts makes the style shift, and a lump under the net stays a lump.',
  prepare: 'A label is a promise. What you find in your hands now decides knots, packs and hours.',
  block: 'Held still, rows run straight, and both hands are free for the hook.',
  cap: 'Every knot sits where the net sits: a fold or a slant now is in all of them.',
  part: 'Rows run along this line. Drawn on the net it stays where it is while they come nearer.',
  border: 'The border has to lie behind your hairline, or it shows under the first gust.',
  anchor: 'Hair and border bear it together here: it shares the pull, and the cap can’t creep.',
  strand: 'It does a job of its own, before anything hangs in its way.',
  rows: 'Each row hides the knots of the one below it.',
  check: 'What is hooked can be snipped, what is cut is gone: small steps, and a look between them.',
  cut: 'Own hair shows in the part once the net is away; until all round it is filled, the net holds everything.',
  close: 'What is open beyond the part has nothing in it to show.',
  tryOn: 'A block has no temples. Only a head tells how it sits.',
  open: 'Opened strands widen and hide more: the cheapest way to fullness, and one without a way back.',
  smooth: 'Straight hair can be judged only when it is smooth.',
  set: 'Lying flat overnight in an hour: what is tied down now stands up less tomorrow.',
  tieOff: 'Cloth that is left over lifts the dome and slips.',
  leaveOut: 'A little hair of your own over the edge hides where the other begins.',
  trim: 'Ends of one length make a line; an outline makes a style.',
  finish: 'Gaps show only now. Part, ends and roots get their last touch.',
};

/** The steps of a base tell how; what they have in common stands here. */
export const BASE_STEP_INFO: StepInfo = {
  tools: ['tail comb', 'clips', 'oiled bands'],
  wrong: 'Bulk coiled in one place makes a lump; a root twisted tighter doesn’t hold better, a larger section does.',
  caution: 'A section that hurts while you tie it will hurt more by evening: open it and tie it again, looser.',
};
