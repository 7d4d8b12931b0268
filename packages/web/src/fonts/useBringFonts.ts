import { notifications } from '@mantine/notifications';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Refused } from '../api/index.ts';
import { texts } from '../words/index.ts';
import { FONTS_QUERY } from './useFonts.ts';
import { bringFont } from './styleChoice.ts';

/** Brings font files into the type case, one after the other; each is told of. Gives the families that came. */
export function useBringFonts(onCame: (family: string) => void | Promise<void>): {
  bring: (files: readonly File[]) => void;
  isBusy: boolean;
} {
  const queries = useQueryClient();
  const t = texts.typeCase;
  const work = useMutation({
    mutationFn: async (files: readonly File[]) => {
      const came: string[] = [];
      for (const file of files) {
        try {
          came.push(...((await bringFont(file.name, file))?.families ?? []));
        } catch (error) {
          notifications.show({ color: 'var(--clay)', message: whyNot(error, file.name), autoClose: 12_000 });
        }
      }
      return [...new Set(came)];
    },
    onSuccess: async (families) => {
      if (families.length === 0) return;
      await queries.invalidateQueries({ queryKey: FONTS_QUERY.queryKey });
      notifications.show({ message: t.brought(families) });
      await onCame(families[0]);
    },
  });
  return { bring: (files) => files.length > 0 && work.mutate(files), isBusy: work.isPending };
}

function whyNot(error: unknown, name: string): string {
  if (!(error instanceof Refused)) return texts.typeCase.failed;
  const { refused } = texts.typeCase;
  const isTold = (code: string | undefined): code is Exclude<keyof typeof refused, 'other'> =>
    code !== undefined && code !== 'other' && code in refused;
  return (isTold(error.code) ? refused[error.code] : refused.other)(name);
}
