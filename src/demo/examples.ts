/** Every example plan: the demo's own, one for each base, each route and row scheme, and each thing that can be said of an install. */
import { basePlans } from './bases.ts';
import { installPlans } from './installs.ts';
import { demoPlans } from './plans.ts';
import { routePlans } from './routes.ts';

export const examplePlans = [...demoPlans, ...basePlans, ...routePlans, ...installPlans];
