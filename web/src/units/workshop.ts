import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { workshopQuery } from '../api/queries';
import { tellTo } from './format';

/** Hours are told as the workshop wants them, before anything that tells one is drawn. */
function told(workshop: Schemas['WorkshopView']) {
  tellTo(workshop.hours);
  return workshop;
}

/** The workshop itself: its clock and its settings. */
export const useWorkshop = () => useQuery({ ...workshopQuery, select: told });
