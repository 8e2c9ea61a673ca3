/** What is wrong, risky or worth knowing of the measures. */
import { CONTRADICTION_LIMIT, REFUSE_CHI_SQUARE } from '../head/index.ts';
import { lowerFirst, TAPE_INFO, TAPE_MEASURES, upperFirst } from '../trade/index.ts';
import { type Check, mm } from './check.ts';

export const impossibleHead: Check = (_, { head }) => {
  if (head.fit.chiSquare <= REFUSE_CHI_SQUARE) return undefined;
  // One wrong reading is named by the next check, with the value that mends it.
  const culprit = head.fit.measures.find((m) => m.measure === head.fit.contradictory);
  if (culprit && (culprit.othersChiSquare ?? Number.POSITIVE_INFINITY) <= REFUSE_CHI_SQUARE) return undefined;
  return {
    code: 'measure.impossible',
    severity: 'stop',
    station: 'measure',
    what: 'These measures can’t belong to one head.',
    why: 'The head shown is the nearest one that can exist. Take all six again before you trust any count.',
  };
};

/** With one measure or two nobody knows which is wrong: only that it is unusual, or that they don't go together. */
export const unusualMeasure: Check = (_, { head }) => {
  const given = head.fit.measures.filter((m) => m.givenMm !== undefined);
  if (!head.fit.isUnusual) return undefined;
  const names = given.map((m) => lowerFirst(TAPE_INFO[m.measure].name));
  return {
    code: 'measure.unusual',
    severity: 'note',
    station: 'measure',
    measure: given[0].measure,
    what: given.length === 1 ? 'Unusual: read it again.' : 'These two don’t go together.',
    why:
      given.length === 1
        ? `${mm(given[0].givenMm!)} ${names[0]} is rare. If it reads the same again, the head is yours.`
        : `${upperFirst(names[0])} ${mm(given[0].givenMm!)} and ${names[1]} ${mm(given[1].givenMm!)} are seldom found on one head. Read both again; a third measure tells which.`,
  };
};

export const contradictoryMeasure: Check = (_, { head }) => {
  const name = head.fit.contradictory;
  if (!name) return undefined;
  const m = head.fit.measures.find((f) => f.measure === name)!;
  const suggested = Math.round(m.othersSuggestMm!);
  return {
    code: 'measure.contradictory',
    severity: 'caution',
    station: 'measure',
    measure: name,
    what: `${TAPE_INFO[name].name} doesn’t go with the others.`,
    why: `You read ${mm(m.givenMm!)}; the others suggest ${mm(suggested)}, give or take ${mm(m.othersSdMm! * 2)}. It is ${Math.abs(m.contradiction!).toFixed(1)} spreads off (named from ${CONTRADICTION_LIMIT}). Measure it again.`,
    fix: { deed: `Take ${mm(suggested)} for now`, change: { kind: 'setMeasure', measure: name, mm: suggested } },
    otherwise: {
      deed: `Keep ${mm(m.givenMm!)}, I measured it again`,
      change: { kind: 'trustMeasure', measure: name },
    },
  };
};

/** Both ends of the tape from front to nape lie on the hairline; moved apart by more than this they contradict it, mm. */
const HAIRLINE_SLACK_MM = 12;

export const hairlineAgainstTape: Check = ({ tape, hairline }) => {
  const read = tape.frontToNape;
  const longer = -(hairline.front + hairline.nape);
  if (read === undefined || Math.abs(longer) <= HAIRLINE_SLACK_MM) return undefined;
  return {
    code: 'measure.hairlineAgainstTape',
    severity: 'caution',
    station: 'measure',
    measure: 'frontToNape',
    what: 'The hairline you drew and the tape disagree.',
    why: `From the middle of its front to the middle of its nape it is ${mm(read + longer)}; your tape read ${mm(read)}. Measure that one again, from edge to edge.`,
    fix: { deed: 'Put both middles back on the tape', change: { kind: 'resetHairline' } },
  };
};

export const estimatedMeasures: Check = (inputs) => {
  const missing = TAPE_MEASURES.filter((m) => inputs.tape[m] === undefined);
  if (missing.length === 0) return undefined;
  return {
    code: 'measure.estimated',
    severity: 'note',
    station: 'measure',
    what: missing.length === 1 ? 'One measure is estimated.' : `${missing.length} measures are estimated.`,
    why: `${upperFirst(missing.map((m) => lowerFirst(TAPE_INFO[m].name)).join(', '))}: worked out from the others and from how heads usually are.`,
  };
};
