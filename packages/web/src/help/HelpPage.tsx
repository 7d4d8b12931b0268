import { Button } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import {
  applyEdit,
  cureOf,
  exampleOf,
  toneOf,
  unwrap,
  type Project,
  type Remark,
  type RemarkCode,
} from '@fictile/core';
import { useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api } from '../api/index.ts';
import { Notes, ScreenNav } from '../ui/index.ts';
import { cureText, helpOf, remarkText, texts } from '../words/index.ts';
import classes from './Help.module.css';
import { codeOf } from './pages.ts';
import { usePictured } from './usePictured.ts';

/** Why something is told: what it says, a piece of which it is told, what it means and what helps. */
export function HelpPage() {
  const code = codeOf(useParams().page);
  return (
    <>
      <Notes />
      <ScreenNav at={undefined} />
      <main className={classes.help}>
        <Link to="/help" className={classes.back}>
          {texts.help.all}
        </Link>
        {code ? <Article key={code} code={code} /> : <h1 className={classes.title}>{texts.help.lost}</h1>}
      </main>
    </>
  );
}

function Article({ code }: { code: RemarkCode }) {
  const { name, means, helps } = helpOf(code);
  const { project, remark, cured, isBuilt, before } = useExample(code);
  const t = texts.help;
  const cure = cured && cureText(cured.cure);
  return (
    <article className={classes.page}>
      <h1 className={classes.title}>{name}</h1>
      <div className={classes.pictures}>
        <Picture alt={t.picture(name)} label={t.before} address={before.address} isDone={before.isDone} />
        {cured && cure && <After name={name} code={code} cure={cure} project={cured.project} />}
      </div>
      <section>
        <h2>{t.told}</h2>
        <p className={classes.told} data-tone={remark && toneOf(remark)} aria-busy={!isBuilt}>
          {remark ? remarkText(remark) : t.drawing}
        </p>
      </section>
      <section>
        <h2>{t.means}</h2>
        <p>{means}</p>
      </section>
      <section>
        <h2>{t.helps}</h2>
        <p>{helps}</p>
      </section>
      <OpenIt project={project} name={name} />
    </article>
  );
}

/** What is told of the example as it is built, and the example after its cure. */
function useExample(code: RemarkCode) {
  const { project, pieceId, told } = useMemo(() => exampleOf(code), [code]);
  const before = usePictured(code, project);
  const isBuilt = before.told !== undefined;
  const live = before.told?.find((one) => one.pieceId === pieceId)?.remarks;
  const remark: Remark | undefined = live?.find((one) => one.code === code) ?? told;
  const cured = useMemo(() => curedOf(project, pieceId, remark), [project, pieceId, remark]);
  return { project, before, remark, isBuilt, cured: told ? undefined : cured };
}

function curedOf(project: Project, pieceId: string, remark: Remark | undefined) {
  const around = { pieces: project.pieces, freshId: 'cure' };
  const cure = remark && cureOf(remark, project.pieces[pieceId], around);
  return cure && { cure, project: unwrap(applyEdit(project, { kind: 'many', edits: cure.edits })) };
}

interface AfterProps {
  name: string;
  code: RemarkCode;
  cure: string;
  project: Project;
}

function After({ name, code, cure, project }: AfterProps) {
  const after = usePictured(`${code} after`, project);
  const t = texts.help;
  return (
    <Picture alt={t.pictureAfter(name, cure)} label={t.after(cure)} address={after.address} isDone={after.isDone} />
  );
}

interface PictureProps {
  alt: string;
  label: string;
  address: string | undefined;
  /** no picture will come */
  isDone: boolean;
}

const Picture = ({ alt, label, address, isDone }: PictureProps) => (
  <figure className={classes.figure}>
    {address ? (
      <img src={address} alt={alt} className={classes.picture} />
    ) : (
      <span className={classes.picture}>{isDone ? texts.help.undrawn : texts.help.drawing}</span>
    )}
    <figcaption>{label}</figcaption>
  </figure>
);

/** The example as a project of one's own. */
function OpenIt({ project, name }: { project: Project; name: string }) {
  const navigate = useNavigate();
  const open = async (): Promise<void> => {
    const id = crypto.randomUUID();
    try {
      await api.createProject({ ...project, id, name }, crypto.randomUUID());
      await navigate(`/projects/${id}`);
    } catch {
      notifications.show({ color: 'var(--clay)', message: texts.help.openFailed });
    }
  };
  return (
    <Button variant="default" radius="xl" onClick={() => void open()}>
      {texts.help.open}
    </Button>
  );
}
