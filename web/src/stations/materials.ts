import { useQuery } from '@tanstack/react-query';
import { materialsQuery } from '../api/queries';

/** What the workshop knows of materials by class. */
export const useMaterials = () => useQuery(materialsQuery).data;
