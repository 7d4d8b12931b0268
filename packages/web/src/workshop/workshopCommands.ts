import { isLettering, isWords, RECIPE_CHAPTERS, type Edit, type Item, type Piece, type PutWay } from '@fictile/core';
import type { Command, SingleKeys } from '../commands/index.ts';
import type { PieceActions, FormName, ShapeKind } from '../pieces/index.ts';
import { pasteRecipe, putRecipe, type ChapterName, type PutActs } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';
import type { Chosen } from '../pieces/index.ts';
import { named, SURROUNDINGS, VIEWS, wishFor, withSecond, type ViewSettings } from '../views/index.ts';

interface CommandBench {
  store: ProjectStore;
  actions: PieceActions;
  chosen: Chosen;
  view: ViewSettings;
  setView: (view: ViewSettings) => void;
  goTo: (chapter: ChapterName) => void;
  rest: () => void;
  openHandOver: () => void;
  openSection: () => void;
  openVersions: () => void;
  openFigures: () => void;
  type: (pieceId: string) => void;
  toggleLight: () => void;
  singleKeys: SingleKeys;
  toRack: () => void;
  toTypeCase: () => void;
  /** a drawing */
  bringIn: () => void;
  bringModel: () => void;
  /** the words at work into the flat place they lie on; undefined where they lie on none */
  fit: (() => void) | undefined;
  putOn: PutActs['start'];
}

/**
 * Everything that can be done in the workshop without a value. Keys are initials of our own words, and chapter numbers.
 */
export function workshopCommands(bench: CommandBench): Command[] {
  const { chosen, openHandOver, toggleLight, toRack, singleKeys } = bench;
  const t = texts.commands;
  const lead = chosen.ids.length > 0 ? chosen.ids[0] : undefined;
  return [
    ...historyCommands(bench),
    { id: 'hand', label: t.hand, keys: 'H', run: openHandOver },
    {
      id: 'type',
      label: t.type,
      keys: 'Enter',
      isPossible: lead !== undefined && !chosen.pieces[0].locked && isWords(chosen.pieces[0]),
      run: () => lead !== undefined && bench.type(lead),
    },
    ...RECIPE_CHAPTERS.map((chapter, i) => ({
      id: `chapter ${chapter}`,
      label: chapter === 'place' ? t.place : t.chapter(texts.chapters[chapter]),
      keys: String(i + 1),
      isPossible: lead !== undefined,
      run: () => bench.goTo(chapter),
    })),
    {
      id: 'section',
      label: t.section,
      keys: 'D',
      isPossible: lead !== undefined && !chosen.pieces[0].locked,
      run: bench.openSection,
    },
    { id: 'fit', label: texts.shape.fit, isPossible: bench.fit !== undefined, run: () => bench.fit?.() },
    { id: 'rest', label: t.rest, keys: 'Escape', run: bench.rest },
    ...pieceCommands(bench),
    ...putCommands(bench),
    ...alignCommands(bench),
    ...viewCommands(bench),
    ...sceneCommands(bench),
    { id: 'versions', label: t.versions, run: bench.openVersions },
    { id: 'figures', label: texts.figures.title, run: bench.openFigures },
    { id: 'light', label: t.light, run: toggleLight },
    { id: 'keys', label: singleKeys.areOn ? t.keysOff : t.keysOn, run: singleKeys.toggle },
    { id: 'rack', label: t.rack, run: toRack },
    { id: 'type case', label: t.typeCase, run: bench.toTypeCase },
  ];
}

function historyCommands({ store }: CommandBench): Command[] {
  const { past, future } = store.state.history;
  const redo = { isPossible: future.length > 0, run: () => store.redo() };
  return [
    {
      id: 'undo',
      label: texts.workshop.undo(lastEdit(store)),
      keys: 'mod+Z',
      isPossible: past.length > 0,
      run: () => store.undo(),
    },
    { id: 'redo', label: texts.workshop.redo(nextEdit(store)), keys: 'mod+shift+Z', ...redo },
    { id: 'redo-too', label: texts.workshop.redo(nextEdit(store)), keys: 'mod+Y', ...redo },
  ];
}

const editName = (edit: Edit | undefined): string | undefined => edit && texts.edits[kindOf(edit)];
export const lastEdit = (store: ProjectStore): string | undefined => editName(store.state.history.past.at(-1)?.edit);
export const nextEdit = (store: ProjectStore): string | undefined => editName(store.state.history.future.at(0)?.edit);

/** Several of one kind are called by that kind. */
function kindOf(edit: Edit): Edit['kind'] {
  if (edit.kind !== 'many') return edit.kind;
  const kinds = new Set(edit.edits.map(kindOf));
  return kinds.size === 1 ? [...kinds][0] : 'many';
}

const FORMS = Object.entries(texts.form.names) as [FormName, string][];
const SHAPES = Object.entries(texts.drawing.shapes) as [ShapeKind, string][];

function pieceCommands({ store, actions, chosen, bringIn, bringModel }: CommandBench): Command[] {
  const t = texts.commands;
  const order = store.project.pieceOrder;
  const next = (): void => chosen.choose(order[(order.indexOf(chosen.ids[0]) + 1) % order.length]);
  const forChosen = (run: (pieces: readonly Piece[]) => void): Possible => ({
    isPossible: chosen.pieces.length > 0,
    run: () => run(chosen.pieces),
  });
  const forItems = (run: (items: readonly Item[]) => void): Possible => ({
    isPossible: chosen.items.length > 0,
    run: () => run(chosen.items),
  });
  return [
    { id: 'add', label: t.add, keys: 'N', run: () => chosen.choose(actions.add()) },
    { id: 'add drawing', label: t.addDrawing, run: bringIn },
    { id: 'add model', label: texts.form.fileCommand, run: bringModel },
    ...SHAPES.map(([kind, label]) => ({
      id: `add ${kind}`,
      label: t.addShape(label),
      run: () => chosen.choose(actions.addShape(kind)),
    })),
    ...FORMS.map(([name, label]) => ({
      id: `add ${name}`,
      label: texts.form.add(label),
      run: () => chosen.choose(actions.addForm(name)),
    })),
    { id: 'next', label: t.next, keys: 'J', isPossible: order.length > 1, run: next },
    {
      id: 'everything',
      label: t.everything,
      keys: 'mod+A',
      isPossible: order.length > 1,
      run: () => chosen.chooseThese(order),
    },
    {
      id: 'duplicate',
      label: t.duplicate,
      keys: 'mod+D',
      ...forItems((items) => chosen.chooseThese(actions.duplicate(items))),
    },
    { id: 'copy', label: t.copy, keys: 'mod+C', ...forChosen(([p]) => putRecipe(p, RECIPE_CHAPTERS)) },
    { id: 'paste', label: t.paste, keys: 'mod+V', hasOwnEvent: true, ...forChosen((p) => pasteRecipe(store, p)) },
    { id: 'hide', label: t.hide, keys: 'S', ...forItems((items) => actions.show(items, !items[0].visible)) },
    { id: 'all', label: t.all, run: () => actions.showAll() },
    { id: 'zero', label: t.zero, ...forItems(actions.toZero) },
    { id: 'table', label: t.table, ...forItems(actions.ontoTable) },
    { id: 'remove', label: t.remove, keys: 'Delete', ...forItems(actions.remove) },
    ...togetherCommands({ actions, chosen }),
  ];
}

type Possible = Pick<Command, 'isPossible' | 'run'>;

/** Groups, and what things hang on. */
function togetherCommands({ actions, chosen }: Pick<CommandBench, 'actions' | 'chosen'>): Command[] {
  const t = texts.commands;
  const { items, group } = chosen;
  const take = (): void => {
    const id = actions.group(items, texts.pieces.newGroup);
    if (id !== undefined) chosen.choose(id);
  };
  return [
    { id: 'group', label: t.group, keys: 'B', isPossible: items.length > 0, run: take },
    {
      id: 'dissolve',
      label: texts.pieces.dissolve,
      isPossible: group !== undefined,
      run: () => group && actions.dissolve(group.id),
    },
    {
      id: 'take off',
      label: t.takeOff,
      isPossible: items.some(({ hung }) => hung),
      run: () => actions.takeOff(items),
    },
  ];
}

/** Of words that are chosen, or of a body; both where both are. */
function putCommands({ chosen, putOn }: CommandBench): Command[] {
  const t = texts.put.act;
  const free = chosen.pieces.filter(({ locked }) => !locked);
  const letters = free.find(isLettering);
  const body = free.find((piece) => !isLettering(piece));
  const isPossible = free.length > 0;
  const from = { pieceId: letters?.id, bodyId: body?.id };
  return [
    ...(Object.entries(t.search) as [PutWay, string][]).map(([way, label]) => ({
      id: `put ${way}`,
      label,
      isPossible,
      run: () => putOn({ ...from, way }),
    })),
    { id: 'put words', label: t.words, isPossible: body !== undefined, run: () => putOn({ bodyId: body?.id }) },
  ];
}

/** With many pieces the menus of the pieces have them; a search would drown in them. */
const MOST_OTHERS = 20;

function alignCommands({ store, actions, chosen }: CommandBench): Command[] {
  const t = texts.commands;
  const others = store.project.pieceOrder.filter((id) => !chosen.ids.includes(id)).slice(0, MOST_OTHERS);
  return others.flatMap((id) => {
    const other = store.project.pieces[id];
    return [
      { id: `centre ${id}`, label: t.centre(other.name), run: () => actions.centreOn(chosen.items, other) },
      { id: `beside ${id}`, label: t.beside(other.name), run: () => actions.beside(chosen.items, other) },
    ];
  });
}

function viewCommands({ store, view, setView }: CommandBench): Command[] {
  const t = texts.commands;
  return [
    ...VIEWS.map((name) => ({
      id: `view ${name}`,
      label: t.view(texts.view[name]),
      run: () => setView(wishFor(view, name)),
    })),
    ...store.project.view.kept.map((kept) => ({
      id: `kept ${kept.name}`,
      label: t.view(kept.name),
      run: () => setView(wishFor(view, kept)),
    })),
    { id: 'fit view', label: t.fit, keys: 'V', run: () => setView(wishFor(view, named(view.wish))) },
    { id: 'edges', label: t.edges, keys: 'P', run: () => setView({ ...view, showEdges: !view.showEdges }) },
    { id: 'parts', label: t.parts, run: () => setView({ ...view, mode: { ...view.mode, parts: !view.mode.parts } }) },
    { id: 'flat', label: t.flat, run: () => setView({ ...view, mode: { ...view.mode, flat: !view.mode.flat } }) },
    { id: 'grid', label: t.grid, keys: 'G', run: () => setView({ ...view, showGrid: !view.showGrid }) },
    { id: 'second', label: t.second, run: () => setView(withSecond(view)) },
    { id: 'follow', label: t.follow, run: () => setView({ ...view, follows: !view.follows }) },
  ];
}

function sceneCommands({ store }: CommandBench): Command[] {
  const t = texts.commands;
  return [
    ...SURROUNDINGS.map((surroundings) => ({
      id: `light ${surroundings}`,
      label: t.surroundings(texts.view.surroundings[surroundings]),
      run: () => store.edit({ kind: 'setView', values: { surroundings } }),
    })),
    {
      id: 'ground',
      label: t.ground,
      run: () => store.edit({ kind: 'setView', values: { ground: !store.project.view.ground } }),
    },
  ];
}
