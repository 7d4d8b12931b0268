import type { ProjectCard } from '@fictile/contract';
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { api } from '../api/index.ts';

/** What is on the rack, or in the bin. `staleTime`: ms for which what was listed before will do. */
export const useProjects = (inBin = false, staleTime = 0): UseQueryResult<ProjectCard[]> =>
  useQuery({ queryKey: ['projects', inBin], queryFn: inBin ? api.listBin : api.listProjects, staleTime });
