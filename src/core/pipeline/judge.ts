/** All that is said of how a plan looks, at once: what a file or the command line prints. */
import type { Finding } from '../findings/finding.ts';
import { lookFindings } from '../findings/look-findings.ts';
import { fallingHair } from './falling-hair.ts';
import type { PlanInputs } from './inputs.ts';
import type { Atelier } from './look.ts';
import { guessRange } from './look-advice.ts';
import type { GuessRange, HairOnHead, Look } from './look-result.ts';

export interface Judged {
  readonly look: Look;
  readonly hair: HairOnHead;
  readonly range: GuessRange;
  readonly findings: readonly Finding[];
}

export function judge(atelier: Atelier, inputs: PlanInputs): Judged {
  const look = atelier.look({ inputs });
  const hair = fallingHair(atelier, { inputs });
  return {
    look,
    hair,
    range: guessRange(atelier, { inputs }),
    findings: lookFindings(inputs, atelier.plan(inputs), look, hair),
  };
}
