import { Alert, Button, Loader } from '@mantine/core';
import { covers, splitGraphemes } from '@fictile/core';
import type { FontFamilyInfo } from '@fictile/contract';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { FontSample, useFonts } from '../fonts/index.ts';
import { makeProject } from '../store/index.ts';
import { ChoiceValue, ScreenNav, Sentence, Unreached } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { scriptsOf } from './scriptsOf.ts';
import classes from './TypeCase.module.css';

const KINDS = ['all', ...Object.keys(texts.fontKinds)] as const;
const USUAL_WORDS = 'Kiln Opening';

const kindName = (kind: string): string => (texts.fontKinds as Readonly<Record<string, string>>)[kind] ?? kind;

/** All families, filtered by a sentence and set in one's own words. */
export function TypeCase() {
  const fonts = useFonts();
  const [kind, setKind] = useState<string>('all');
  const [words, setWords] = useState(USUAL_WORDS);
  const [chosen, setChosen] = useState<string>();
  const shown = words.trim() === '' ? USUAL_WORDS : words;
  const graphemes = splitGraphemes(shown).filter((g) => g.trim() !== '');
  const all = fonts.data ?? [];
  const fitting = all.filter((f) => (kind === 'all' || f.kind === kind) && graphemes.every((g) => covers(f, g)));
  const family = fitting.find((f) => f.family === chosen) ?? fitting.at(0);
  const t = texts.typeCase;
  const values = {
    kind: (
      <ChoiceValue
        label={t.kind}
        value={kind}
        choices={KINDS.map((value) => ({ value, label: value === 'all' ? t.all : kindName(value).toLowerCase() }))}
        usual="all"
        onChange={setKind}
      />
    ),
    words: (
      <input
        className={classes.words}
        aria-label={t.words}
        value={words}
        maxLength={60}
        onChange={(event) => setWords(event.currentTarget.value)}
      />
    ),
  };
  return (
    <>
      <ScreenNav at="/fonts" />
      <main className={classes.case}>
        <h1 className={classes.sentence}>
          <Sentence template={t.filter} values={values} />
          <small aria-live="polite">{fonts.data && t.count(fitting.length, all.length)}</small>
        </h1>
        {fonts.isPending && <Loader aria-label={texts.loading} />}
        {fonts.isError && <Unreached text={t.failed} onRetry={() => void fonts.refetch()} />}
        {fonts.data && fitting.length === 0 && <p>{t.none}</p>}
        <ul className={classes.drawers}>
          {fitting.map((one) => (
            <Drawer
              key={one.family}
              family={one}
              words={shown}
              isChosen={one === family}
              onChoose={() => setChosen(one.family)}
            />
          ))}
        </ul>
        {family && <Facts family={family} words={shown} />}
      </main>
    </>
  );
}

interface DrawerProps {
  family: FontFamilyInfo;
  words: string;
  isChosen: boolean;
  onChoose: () => void;
}

const heaviest = ({ styles }: FontFamilyInfo) =>
  styles.reduce((best, s) => (s.weight > best.weight && !s.italic ? s : best));

function Drawer({ family, words, isChosen, onChoose }: DrawerProps) {
  return (
    <li>
      <button type="button" className={classes.drawer} aria-pressed={isChosen} onClick={onChoose}>
        <FontSample text={words} hash={heaviest(family).hash} style={{ fontSize: 34, lineHeight: 1.25 }} />
        <span className={classes.figures}>
          <span>{family.family}</span>
          <span>{texts.typeCase.figures(family.styles.length, family.axes.length, kindName(family.kind))}</span>
        </span>
      </button>
    </li>
  );
}

/** What is known of the family at hand, and a project made in it. */
function Facts({ family, words }: { family: FontFamilyInfo; words: string }) {
  const navigate = useNavigate();
  const t = texts.typeCase;
  const make = useMutation({
    mutationFn: () => {
      const { weight, italic } = heaviest(family);
      return makeProject(words, { family: family.family, weight, italic, axes: {} });
    },
    onSuccess: (id) => navigate(`/projects/${id}`),
  });
  const axes: Readonly<Record<string, string>> = texts.axes;
  return (
    <aside className={classes.facts} aria-label={family.family}>
      <FontSample
        text={[...words].slice(0, 2).join('')}
        hash={heaviest(family).hash}
        style={{ fontSize: 76, lineHeight: 1.1, color: 'var(--clay)' }}
      />
      <h2>{family.family}</h2>
      <p>{t.scripts(scriptsOf(family))}</p>
      {family.axes.length > 0 && <p>{t.axes(family.axes.map(({ tag }) => axes[tag] ?? tag))}</p>}
      <ul>
        {family.styles.map((style) => (
          <li key={style.hash}>
            <FontSample text={style.name} hash={style.hash} style={{ fontSize: 18 }} />
          </li>
        ))}
      </ul>
      <p>{t.licence}</p>
      <Button radius="xl" loading={make.isPending} onClick={() => make.mutate()}>
        {t.use}
      </Button>
      {make.isError && <Alert color="red">{texts.rack.makeFailed}</Alert>}
    </aside>
  );
}
