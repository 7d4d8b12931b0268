import type { Project } from '@fictile/core';
import { useDocument, useMeshes, useOpenParts } from '../bench/index.ts';
import { Figures } from '../figures/index.ts';
import { HandOver } from '../handover/index.ts';
import { Versions } from '../versions/index.ts';

/** What opens over the workshop's right. */
export function Panels() {
  const { store, project } = useDocument();
  const { evaluation, client } = useMeshes();
  const { panel, setPanel, setComparing, take } = useOpenParts();
  const close = (): void => setPanel(undefined);
  const faces = evaluation.pieces.reduce((sum, p) => sum + p.faces, 0);
  const compare = (label: string, other: Project): void => {
    setComparing({ label, project: other, how: 'beside' });
    close();
  };
  return (
    <>
      <HandOver
        opened={panel === 'hand over'}
        onClose={close}
        client={client}
        project={project}
        faces={faces}
        takePicture={take}
      />
      <Figures opened={panel === 'figures'} onClose={close} />
      <Versions opened={panel === 'versions'} onClose={close} store={store} onCompare={compare} />
    </>
  );
}
