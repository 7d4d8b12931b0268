import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { Notes, ScreenNav } from '../ui/index.ts';
import { helpOf, texts } from '../words/index.ts';
import classes from './Help.module.css';
import { addressOf, helpGroups, type HelpGroup } from './pages.ts';

/** Everything that may be told, by chapter. */
export function Help() {
  const [query, setQuery] = useState('');
  const groups = helpGroups(query);
  const t = texts.help;
  return (
    <>
      <Notes />
      <ScreenNav at="/help" />
      <main className={classes.help}>
        <h1 className={classes.title}>{t.heading}</h1>
        <p className={classes.lead}>{t.lead}</p>
        <TextInput
          className={classes.find}
          label={t.find}
          value={query}
          onChange={(event) => setQuery(event.currentTarget.value)}
          autoFocus
        />
        {groups.length === 0 && <p>{t.none}</p>}
        <div className={classes.groups}>
          {groups.map((group) => (
            <Group key={group.chapter} group={group} />
          ))}
        </div>
      </main>
    </>
  );
}

const Group = ({ group: { chapter, codes } }: { group: HelpGroup }) => (
  <section>
    <h2>{texts.chapters[chapter]}</h2>
    <ul>
      {codes.map((code) => (
        <li key={code}>
          <Link to={addressOf(code)}>{helpOf(code).name}</Link>
        </li>
      ))}
    </ul>
  </section>
);
