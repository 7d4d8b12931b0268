import { isNewer, applyEdit, packProject, unpackProject, usedFamilies, usedModels, type Project } from '@fictile/core';
import { api } from '../api/index.ts';
import { bringFont } from '../fonts/index.ts';
import { saveFile } from '../ui/index.ts';
import { failureText, texts } from '../words/index.ts';

/** A document as a new project: with an id of its own. */
async function keepAsNew(project: Project, name: string): Promise<string> {
  const made = { ...project, id: crypto.randomUUID(), name: name.slice(0, 200) };
  await api.createProject(made, crypto.randomUUID());
  return made.id;
}

export async function duplicateProject(id: string): Promise<string> {
  const { project } = await api.readProject(id);
  return keepAsNew(project, texts.saving.copyOf(project.name));
}

export async function renameProject(id: string, name: string): Promise<void> {
  const { project, revision } = await api.readProject(id);
  const renamed = applyEdit(project, { kind: 'renameProject', name });
  if (!renamed.ok) throw new Error(failureText(renamed.error));
  const saved = await api.saveProject(renamed.value, revision, crypto.randomUUID());
  if (saved.kind === 'conflict') throw new Error('it was saved by somebody else meanwhile');
}

/** The project as one file of its own. */
export async function saveProjectFile(id: string): Promise<void> {
  const { project } = await api.readProject(id);
  saveFile(
    packProject({ project, assets: new Map([...(await ownFonts(project)), ...(await ownModels(project))]) }),
    `${project.name.trim() || texts.pieces.newWords}.fictile`,
  );
}

/** Files of the families that were brought in and that the project is set in: elsewhere nobody has them. */
async function ownFonts(project: Project): Promise<Map<string, Uint8Array>> {
  const used = new Set(usedFamilies(project).map((name) => name.toLowerCase()));
  const families = (await api.listFonts()).filter((f) => f.kind === 'own' && used.has(f.family.toLowerCase()));
  const hashes = families.flatMap((family) => family.styles.map((style) => style.hash));
  return new Map(await Promise.all(hashes.map(async (hash) => [hash, await api.readFont(hash)] as const)));
}

const ownModels = (project: Project): Promise<[string, Uint8Array][]> =>
  Promise.all(
    usedModels(project).map(async ({ asset }) => [asset, await api.readModel(asset)] as [string, Uint8Array]),
  );

const LARGEST_FILE = 256 * 1024 * 1024;

/** Brings a project file in as a new project. Gives its id, or what is wrong with the file. */
export async function bringIn(file: File): Promise<{ id: string } | { fault: string }> {
  if (file.size > LARGEST_FILE) return { fault: texts.rack.fileTooLarge };
  const read = unpackProject(new Uint8Array(await file.arrayBuffer()));
  if (read.ok) {
    const models = new Map(usedModels(read.value.project).map((model) => [model.asset, model]));
    for (const [hash, bytes] of read.value.assets) {
      const blob = new Blob([bytes as Uint8Array<ArrayBuffer>]);
      const model = models.get(hash);
      await (model ? api.putModel(model, blob) : bringFont(hash, blob));
    }
    return { id: await keepAsNew(read.value.project, read.value.project.name) };
  }
  if (isNewer(read.error)) return { fault: texts.rack.fileNewer };
  return { fault: texts.rack.fileBroken(file.name) };
}
