/**
 * Which knot goes where. The rules are data: each table decides one thing, the first rule that applies wins, and
 * the chain of reasons is kept. All are common practice, no source; where workers disagree a rule names its school.
 */

import { ENTRY_RULES, ONE_LEG_ENTRY } from './entry.ts';
import { HOLD_RULES, type Hold } from './hold.ts';
import { HOLE_RULES } from './holes.ts';
import { KIND_RULES } from './kind.ts';
import { cannot, mayBe } from './may.ts';
import type { KnotDecision, KnotOverride, KnotSituation, Rule, RuleStep } from './situation.ts';
import { ANCHOR_THROUGH, THROUGH_RULES } from './through.ts';

export const RULE_TABLES = {
  kind: KIND_RULES,
  hold: HOLD_RULES,
  through: THROUGH_RULES,
  holes: HOLE_RULES,
  entry: ENTRY_RULES,
} as const;

export function decideKnot(s: KnotSituation, wanted: KnotOverride = {}): KnotDecision {
  const asked = Object.values(wanted).some((v) => v !== undefined && v !== false);
  const refused = asked ? cannot(s, wanted) : undefined;
  const hers = refused === undefined ? wanted : {};
  const kindRule = first(KIND_RULES, s);
  const kind = hers.kind ?? kindRule.decide(s);
  const holdRule = HOLD_RULES.find((r) => (r.kinds?.includes(kind) ?? true) && r.when(s)) as Rule<Hold>;
  const hold = holdRule.decide(s);
  const throughRule = kind === 'anchor' ? ANCHOR_THROUGH : first(THROUGH_RULES, s);
  const through = hers.through ?? throughRule.decide(s);
  const entryRule = kind === 'oneLeg' ? ONE_LEG_ENTRY : first(ENTRY_RULES, s);
  const holeRule = through === 'hair' ? undefined : first(HOLE_RULES, s);
  const lock = kind === 'oneLeg' ? false : (hers.lock ?? hold.lock);
  return {
    kind,
    wraps: hers.wraps ?? hold.wraps,
    lock,
    through,
    holes: holeRule ? holeRule.decide(s) : 0,
    entry: entryRule.decide(s),
    backcomb: hold.backcomb === true && (lock || kind === 'oneLeg'),
    may: mayBe(s),
    chain: [
      hers.kind === undefined ? step(kindRule, s) : HER_KIND,
      hers.wraps === undefined && hers.lock === undefined ? step(holdRule, s) : HER_HOLD,
      hers.through === undefined ? step(throughRule, s) : HER_THROUGH,
      ...(holeRule ? [step(holeRule, s)] : []),
      step(entryRule, s),
    ],
    ...(refused === undefined ? {} : { refused }),
  };
}

const HER_KIND: RuleStep = { id: 'yours.kind', because: 'You chose this knot here.' };
const HER_HOLD: RuleStep = { id: 'yours.hold', because: 'You chose its wraps and lock.' };
const HER_THROUGH: RuleStep = { id: 'yours.through', because: 'You chose what it goes through.' };

function first<T>(table: ReadonlyArray<Rule<T>>, s: KnotSituation): Rule<T> {
  return table.find((r) => r.when(s)) as Rule<T>;
}

const STEPS = new WeakMap<object, Map<string, RuleStep>>();
/** The words of a rule, one record each and place that its school was said for: a plan of 300 knots holds 1 500 of them. */
function step(rule: RuleStep, { saidFor }: KnotSituation): RuleStep {
  const place = rule.school && saidFor[rule.school];
  const known = STEPS.get(rule) ?? new Map<string, RuleStep>();
  STEPS.set(rule, known);
  const found = known.get(place ?? '');
  if (found) return found;
  const words = {
    id: rule.id,
    because: rule.because,
    ...(rule.school ? { school: rule.school } : {}),
    ...(place ? { saidFor: place } : {}),
  };
  known.set(place ?? '', words);
  return words;
}
