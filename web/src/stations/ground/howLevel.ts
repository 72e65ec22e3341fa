import type { PlanView } from '../../api/client';

/** What is said of how level something stands that was read. */
export const howLevel = ({ tooCoarse, level }: PlanView['ground']['standing']) =>
  tooCoarse ? 'read too coarsely to tell' : level ? 'level enough' : 'too much';
