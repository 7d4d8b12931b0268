import { useLocalStorage } from '@mantine/hooks';
import { ChoiceValue } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import classes from './Checks.module.css';
import type { Aim } from './definition.ts';

const AIMS = Object.entries(texts.checks.aims).map(([value, label]) => ({ value: value as Aim, label }));

/** What meshes are meant for, as this browser was told last. */
export function useAim(): [Aim, (aim: Aim) => void] {
  const [aim, setAim] = useLocalStorage<Aim>({
    key: 'fictile aim',
    defaultValue: 'print',
    getInitialValueInEffect: false,
  });
  return [AIMS.some(({ value }) => value === aim) ? aim : 'print', setAim];
}

export function AimSentence({ aim, onAim }: { aim: Aim; onAim: (aim: Aim) => void }) {
  const t = texts.checks;
  return (
    <div className={classes.aim}>
      {t.aim} <ChoiceValue label={t.aim} value={aim} choices={AIMS} onChange={onAim} />
    </div>
  );
}
