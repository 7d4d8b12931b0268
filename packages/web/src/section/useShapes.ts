import { notifications } from '@mantine/notifications';
import type { KeptShape, ShapeKind } from '@fictile/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/index.ts';
import { texts } from '../words/index.ts';

interface Shapes {
  kept: readonly KeptShape[];
  /** the server can't be asked */
  isUnreached: boolean;
  keep: (shape: KeptShape) => void;
  drop: (shape: KeptShape) => void;
}

/** Drawn edges or sides that were kept by name. */
export function useShapes(kind: ShapeKind): Shapes {
  const queries = useQueryClient();
  const { data, isError } = useQuery({ queryKey: ['shapes'], queryFn: api.listShapes });
  const after = {
    onSuccess: () => queries.invalidateQueries({ queryKey: ['shapes'] }),
    onError: () => notifications.show({ color: 'var(--clay)', message: texts.section.notKept }),
  };
  const keep = useMutation({ mutationFn: api.keepShape, ...after });
  const drop = useMutation({ mutationFn: api.dropShape, ...after });
  return {
    kept: (data ?? []).filter((shape) => shape.kind === kind),
    isUnreached: isError,
    keep: (shape) => keep.mutate(shape),
    drop: (shape) => drop.mutate(shape),
  };
}
