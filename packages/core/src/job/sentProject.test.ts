import { unwrap } from '../base/index.ts';
import { applyEdit, newPiece, newProject, sameDocument, type Edit, type Project } from '../document/index.ts';
import type { JobRequest } from './messages.ts';
import { ProjectSender, ProjectTaker } from './sentProject.ts';

const asked = (project: Project): JobRequest => ({ version: 0, serial: 0, kind: 'evaluate', project, known: [] });
const run = (project: Project, ...edits: Edit[]): Project => unwrap(applyEdit(project, { kind: 'many', edits }));

test('what was sent arrives, and what did not change is the object that it was', () => {
  const [sender, taker] = [new ProjectSender(), new ProjectTaker()];
  const send = (project: Project): { project: Project; size: number } => {
    const text = JSON.stringify(sender.send(asked(project)));
    const taken = taker.take(JSON.parse(text) as never);
    if (!('project' in taken)) throw new Error('no project');
    expect(sameDocument(taken.project, project)).toBe(true);
    return { project: taken.project, size: text.length };
  };
  const kiln = newPiece('kiln', 'Kiln', [...'Kiln']);
  const other = newPiece('other', 'Row', [...'Row']);
  const start = run(newProject('p', 'Row', [kiln, other]), {
    kind: 'addPiece',
    piece: { ...kiln, id: 'copy', copyOf: 'kiln' },
  });
  const first = send(start);
  const typed = run(start, { kind: 'spliceWords', pieceId: 'kiln', at: 4, remove: 0, insert: ['s'] });
  const second = send(typed);
  expect(second.project.pieces.other).toBe(first.project.pieces.other);
  expect(second.project.pieces.copy.source).toBe(second.project.pieces.kiln.source);
  expect(second.size).toBeLessThan(first.size / 4);
  expect(send(typed).project).toBe(second.project);
  expect(send(start).project.pieces.other).toBe(first.project.pieces.other);
  const elsewhere = newProject('q', 'Row', [other]);
  send(elsewhere);
  send(typed);
});

test('what names no project goes as it is; changes of nothing are a fault', () => {
  const request: JobRequest = { version: 0, serial: 0, kind: 'readDrawing', bytes: new Uint8Array(1) };
  expect(new ProjectTaker().take(new ProjectSender().send(request))).toBe(request);
  expect(() =>
    new ProjectTaker().take({ ...asked(newProject('p', '', [])), project: { patches: [] } } as never),
  ).toThrow();
});
