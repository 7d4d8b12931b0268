/** @jest-environment jsdom */
import { screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { newPiece, newProject, type JobAnswer, type MeshReport, type Project, type WriteOptions } from '@fictile/core';
import { renderInside } from '../testing/render.tsx';
import type { JobClient } from '../worker/index.ts';
import { HandOver } from './index.ts';

interface Asked {
  kind: string;
  pieceIds?: string[];
  options?: WriteOptions;
  format?: string;
}

let asked: Asked[];
let report: Partial<MeshReport>;

const SOUND = {
  faces: 12,
  vertices: 8,
  shells: 1,
  sizeMm: [1, 2, 3],
  closed: true,
  manifold: true,
  outward: true,
  crossingFaces: 0,
};
const client = {
  ask: async (request: Asked): Promise<JobAnswer> => {
    asked.push(request);
    if (request.kind === 'readBack')
      return {
        kind: 'readBack',
        names: ['Kiln'],
        finishes: ['celadon'],
        report: { ...SOUND, ...report } as MeshReport,
      };
    const counts = { vertices: 8, faces: 12, quads: request.options?.format === 'obj' ? 6 : 0 };
    return { kind: 'written', bytes: new Uint8Array(2048), mtl: undefined, coarser: [], counts, remarks: [] };
  },
} as unknown as JobClient;

const project = (): Project => {
  const pieces = ['Title', 'Foot', 'Hidden'].map((name) => newPiece(name, name, [...name]));
  pieces[2].visible = false;
  return newProject('p', 'Kiln', pieces);
};

beforeEach(async () => {
  asked = [];
  report = {};
  renderInside(
    <HandOver
      opened
      onClose={() => undefined}
      client={client}
      project={project()}
      faces={500}
      takePicture={undefined}
    />,
  );
  await screen.findByText(/points/);
});

const last = (): Asked => asked[asked.length - 1];
const holds = (): string => screen.getByTestId('holds').textContent ?? '';

test('what the file will hold is said first, anew for each choice', async () => {
  await waitFor(() => expect(holds()).toBe('12 triangles, 8 points, 2 kB'));
  expect([last().options?.format, last().pieceIds]).toEqual(['glb', ['Title', 'Foot']]);
  await userEvent.click(screen.getByRole('radio', { name: /OBJ/ }));
  await waitFor(() => expect(holds()).toBe('12 faces, 6 of them quads, 8 points, 2 kB'));
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Unit' }), 'in');
  await userEvent.click(screen.getByRole('checkbox', { name: /triangles/ }));
  await waitFor(() => expect(last().options).toMatchObject({ format: 'obj', unit: 'in', triangles: true }));
});

test('pieces can be left; without any nothing is made', async () => {
  await userEvent.click(screen.getByRole('checkbox', { name: 'Title' }));
  await waitFor(() => expect(last().pieceIds).toEqual(['Foot']));
  await userEvent.click(screen.getByRole('checkbox', { name: 'Foot' }));
  expect(holds()).toBe('Choose a piece to hand over.');
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save the file' }).disabled).toBe(true);
});

const readBack = async (): Promise<string> => {
  await userEvent.click(await screen.findByRole('button', { name: 'Read it back' }));
  await screen.findByText('Read again, the file holds');
  return screen.getByTestId('read-back').textContent ?? '';
};

test('a file is read back and told by its contents, in its own unit', async () => {
  const text = await readBack();
  expect(last()).toMatchObject({ kind: 'readBack', format: 'glb' });
  for (const said of ['12 faces, 8 points', '1 × 2 × 3 m', 'Named: Kiln', 'Finishes: celadon', 'Closed, manifold'])
    expect(text).toContain(said);
});

test('what is wrong with it is said, not hidden', async () => {
  report = { closed: false, manifold: false, outward: false, crossingFaces: 4 };
  expect(await readBack()).toContain('Not fit for printing: open, not manifold, faces cross');
});

test('another choice makes what was read back old', async () => {
  await readBack();
  await userEvent.selectOptions(screen.getByLabelText('Nodes'), 'one for every letter');
  expect(await screen.findByRole('button', { name: 'Read it back' })).toBeTruthy();
});

test('texture coordinates and levels of detail go where a format holds them', async () => {
  await userEvent.selectOptions(screen.getByLabelText('Texture coordinates'), 'letter by letter');
  await userEvent.click(screen.getByLabelText('Tangents beside them'));
  await userEvent.selectOptions(screen.getByLabelText('Levels of detail'), '3, each with half the triangles');
  await waitFor(() =>
    expect(last().options).toMatchObject({ uv: 'letters', tangents: true, levels: 3, uvTileMm: 100 }),
  );
  await userEvent.click(screen.getByRole('radio', { name: /STL/ }));
  expect(screen.queryByLabelText('Texture coordinates')).toBeNull();
});
