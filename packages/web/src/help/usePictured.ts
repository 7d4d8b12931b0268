import type { Project } from '@fictile/core';
import { useQuery } from '@tanstack/react-query';
import { useAddress } from '../ui/index.ts';
import type { Pictured, PictureMaker } from '../viewport/pictures.ts';

let maker: Promise<PictureMaker> | undefined;

/** What draws is loaded with the first picture. */
const making = (): Promise<PictureMaker> =>
  (maker ??= import('../viewport/pictures.ts').then((drawing) => new drawing.PictureMaker()));

/** A project built and pictured; `name`: under which it is remembered. */
export function usePictured(name: string, project: Project | undefined) {
  const found = useQuery<Pictured | null>({
    queryKey: ['pictured', name],
    queryFn: async ({ signal }) => (project && (await (await making()).take(project, signal))) ?? null,
    enabled: project !== undefined,
    staleTime: Infinity,
    retry: false,
  });
  const picture = found.data?.picture;
  const address = useAddress(picture);
  return { address, told: found.data?.told, isDone: found.isError || (found.isSuccess && picture === undefined) };
}
