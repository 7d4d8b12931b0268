/** @jest-environment jsdom */
import { newForm, newPiece, newProject, usualForms, type Piece } from '@fictile/core';
import { waitFor } from '@testing-library/react';
import { alsoOf, ranked, type Command } from '../commands/index.ts';
import { Recipe } from '../recipe/index.ts';
import { ProjectStore } from '../store/index.ts';
import { placeIn } from '../testing/placing.ts';
import { renderInside, serve } from '../testing/render.tsx';
import { Offers, OffersAt } from '../ui/index.ts';
import { workshopCommands } from './workshopCommands.ts';

// What practitioners type, and what of ours it has to find first or second: the beginning of its label.

const WANTED: readonly (readonly [query: string, label: string])[] = [
  ['extrude', 'Raise'],
  ['depth', 'Raise'],
  ['thickness', 'Raise'],
  ['bevel', 'Front edge'],
  ['fillet', 'Front edge'],
  ['chamfer', 'Front edge'],
  ['bevel width', 'Front edge, in'],
  ['edge width', 'Front edge, in'],
  ['bevel depth', 'Front edge, deep'],
  ['segments', 'Front edge, steps'],
  ['back bevel', 'Back edge'],
  ['profile', 'Draw the section'],
  ['bevel profile', 'Draw the section'],
  ['hollow', 'Letters drawn'],
  ['neon', 'Letters drawn'],
  ['offset', 'Outline offset'],
  ['embolden', 'Outline offset'],
  ['font', 'Font'],
  ['typeface', 'Font'],
  ['font: pacifico', 'Font: Pacifico'],
  ['lobster', 'Font: Lobster'],
  ['size', 'Size'],
  ['font size', 'Size'],
  ['point size', 'Size'],
  ['tracking', 'Tracking'],
  ['letter spacing', 'Tracking'],
  ['kerning', 'Kerning'],
  ['kern', 'Kerning'],
  ['leading', 'Leading'],
  ['line height', 'Leading'],
  ['align', 'Lines'],
  ['justify', 'Lines'],
  ['italic', 'Slant'],
  ['all caps', 'Letters as'],
  ['small caps', 'Letters as'],
  ['ligatures', 'Features'],
  ['opentype', 'Features'],
  ['rtl', 'Direction'],
  ['text on circle', 'Set'],
  ['fit to width', 'Fitted'],
  ['merge letters', 'Touching letters'],
  ['topology', 'Faces'],
  ['quads', 'Faces'],
  ['polygon size', 'Faces'],
  ['curve resolution', 'Curves within'],
  ['holding edges', 'Support loops'],
  ['inflate', 'Add: bulge'],
  ['bend', 'Add: bend'],
  ['arc', 'Add: bend'],
  ['twist', 'Add: twist'],
  ['taper', 'Add: taper'],
  ['narrow', 'Add: taper'],
  ['shear', 'Add: shear'],
  ['skew', 'Add: shear'],
  ['stretch', 'Add: stretch'],
  ['squash', 'Add: stretch'],
  ['pinch', 'Add: pinch'],
  ['bulge', 'Add: bulge'],
  ['spherize', 'Add: bulge'],
  ['wave', 'Add: waves'],
  ['ripple', 'Add: waves'],
  ['noise', 'Add: noise'],
  ['displace', 'Add: noise'],
  ['turbulence', 'Add: noise'],
  ['displacement map', 'Add: picture as height'],
  ['height map', 'Add: picture as height'],
  ['path', 'Add: along a path'],
  ['spline', 'Add: along a path'],
  ['text on path', 'Add: along a path'],
  ['array', 'Add: repeat'],
  ['cloner', 'Add: repeat'],
  ['random', 'Add: place letters'],
  ['explode', 'Add: place letters'],
  ['subdivide', 'Add: subdivide'],
  ['subdivision', 'Add: subdivide'],
  ['catmull clark', 'Add: subdivide'],
  ['decimate', 'Add: reduce'],
  ['low poly', 'Add: reduce'],
  ['polygon reduction', 'Add: reduce'],
  ['triangulate', 'Add: triangulate'],
  ['weld', 'Add: merge points'],
  ['remove doubles', 'Add: merge points'],
  ['dissolve', 'Add: clear flat faces'],
  ['hard edges', 'Add: crisp edges'],
  ['smoothing groups', 'Add: crisp edges'],
  ['remesh', 'Add: remesh'],
  ['voxel', 'Add: remesh'],
  ['retopology', 'Add: re'],
  ['emboss', 'Emboss'],
  ['deboss', 'Engrave'],
  ['engrave', 'Engrave'],
  ['carve', 'Engrave'],
  ['boolean', 'Subtract'],
  ['subtract', 'Subtract'],
  ['union', 'Join'],
  ['intersect', 'Intersect'],
  ['cut', 'Cut right through'],
  ['stencil', 'Cut right through'],
  ['wrap', 'Put on a body'],
  ['shrinkwrap', 'Put on a body'],
  ['conform', 'Put on a body'],
  ['imprint', 'Draw into'],
  ['material', 'Finish of front'],
  ['color', 'Finish of front'],
  ['side material', 'Finish of walls'],
  ['position', 'Across'],
  ['move', 'Across'],
  ['rotate', 'Turned'],
  ['pivot', 'Turned about'],
  ['origin', 'At zero'],
  ['reset transform', 'Put the piece to zero'],
  ['drop to floor', 'Put the piece onto the table'],
  ['wireframe', 'Show polygon edges'],
  ['flat shading', 'Shade flat'],
  ['frame', 'Fit the view'],
  ['ruler', 'Show the measure grid'],
  ['dark mode', 'Light or dark'],
  ['export', 'Hand over'],
  ['obj', 'Hand over'],
  ['save', 'Versions'],
  ['glb', 'Hand over'],
  ['import', 'Bring in'],
  ['svg', 'Bring in a drawing'],
  ['undo', 'Undo'],
  ['redo', 'Redo'],
  ['ctrl z', 'Undo'],
  ['clone', 'Duplicate'],
  ['delete', 'Remove'],
  ['select all', 'Choose all'],
  ['history', 'Versions'],
  ['shortcuts', 'Switch single keys'],
  ['hotkeys', 'Switch single keys'],
  ['cylinder', 'Add a form: cylinder'],
  ['box', 'Add a form: slab'],
  ['sphere', 'Add a form: ball'],
];

const style = (name: string, weight: number) => ({ name, weight, italic: false, hash: name });
const family = (name: string) => ({
  ...{ family: name, kind: 'script', licence: '', axes: [], covers: '' },
  styles: [style('Regular', 400)],
});

let all: Command[];

beforeAll(async () => {
  const words: Piece = newPiece('words', 'IL', ['I', 'L']);
  const solid = {
    ...words.body.solid,
    front: { ...words.body.solid.front, kind: 'round', inMm: 2, deepMm: 2, steps: 4 },
  };
  const lead = { ...words, body: { ...words.body, solid } } as Piece;
  const project = newProject('p', 'Row', [lead, newForm('body', 'Slab', usualForms().block)]);
  const store = new ProjectStore({ project, revision: 1, updatedAt: '2026-11-25T12:00:00Z' });
  serve({ 'GET /api/fonts': () => ({ body: { families: [family('Pacifico'), family('Lobster')] } }) });
  const offers = new Offers();
  const nothing = (): undefined => undefined;
  renderInside(
    <OffersAt offers={offers}>
      <Recipe
        {...{ store, pieces: [lead], shown: undefined, milliseconds: 0, atWork: undefined, picked: [] }}
        {...{ onWork: nothing, onStep: nothing, onPick: nothing, onSection: nothing }}
        readCurve={async () => undefined}
        place={placeIn(store, lead)}
        others={[{ id: 'body', name: 'Slab', isBody: true, kind: 'form', flat: undefined, steps: [] }]}
      />
    </OffersAt>,
  );
  await waitFor(() => expect(offers.list().some(({ label }) => label.startsWith('Font: Lobster'))).toBe(true));
  const ordered = project.pieceOrder.map((id) => project.pieces[id]);
  const bench = {
    store,
    ...{ actions: {}, view: {}, singleKeys: { areOn: true }, fit: nothing },
    chosen: { ids: ['words', 'body'], pieces: ordered, items: ordered },
  };
  const commands = workshopCommands(bench as unknown as Parameters<typeof workshopCommands>[0]);
  all = [...commands, ...offers.list()].map((command) => ({ ...command, also: alsoOf(command) }));
});

test.each(WANTED)('%s finds %s', (query, label) => {
  const [first, second] = ranked(query, all).map((command) => command.label);
  expect([first, second].filter(Boolean).map((found) => found.startsWith(label))).toContain(true);
});

test('what was taken more often comes first among equals, and never before what fits better', () => {
  const rows = ['Show edges', 'Show faces', 'Edges'].map((label) => ({ id: label, label }));
  expect(ranked('show', rows, { 'Show faces': 9 }).map(({ id }) => id)).toEqual(['Show faces', 'Show edges']);
  expect(ranked('edges', rows, { 'Show edges': 1 })[0].id).toBe('Edges');
  expect(ranked('nowhere', rows)).toEqual([]);
  const far = { id: 'far', label: 'Edges', isFar: true };
  expect(ranked('edges', [far, ...rows]).at(-1)?.id).toBe('far');
});
