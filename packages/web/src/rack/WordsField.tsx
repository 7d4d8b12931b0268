import { Alert, Button, TextInput, UnstyledButton } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { makeProject, useProjects } from '../store/index.ts';
import { texts } from '../words/index.ts';
import classes from './Rack.module.css';
import { useFirstSolid } from './useFirstSolid.ts';

/** The big field: words and Enter make a project and open it. While one types, they stand beside it in clay. */
export function WordsField() {
  const [words, setWords] = useState('');
  const navigate = useNavigate();
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: (text: string) => makeProject(text),
    onSuccess: async (id) => {
      await queries.invalidateQueries({ queryKey: ['projects'] });
      await navigate(`/projects/${id}`);
    },
  });
  const solid = useFirstSolid(make.isPending ? '' : words);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (words.trim() !== '' && !make.isPending) make.mutate(words);
  };
  return (
    <form onSubmit={submit}>
      <div className={classes.field}>
        <TextInput
          className={classes.grow}
          classNames={{ input: classes.words, label: classes.prompt }}
          variant="unstyled"
          label={texts.rack.prompt}
          placeholder={texts.rack.example}
          value={words}
          onChange={(event) => setWords(event.currentTarget.value)}
          autoFocus
        />
        {solid && <img className={classes.first} src={solid} alt={texts.rack.firstSolid(words)} />}
        <Button type="submit" radius="xl" loading={make.isPending} disabled={words.trim() === ''}>
          {texts.rack.make}
        </Button>
      </div>
      <FirstWords onTake={setWords} />
      {make.isError && (
        <Alert color="red" mt="sm">
          {texts.rack.makeFailed}
        </Alert>
      )}
    </form>
  );
}

/** On an empty rack: words to begin with. */
function FirstWords({ onTake }: { onTake: (words: string) => void }) {
  const list = useProjects();
  if (list.data?.length !== 0) return null;
  return (
    <p className={classes.invite}>
      {texts.rack.invite}{' '}
      {texts.rack.inviting.map((words) => (
        <UnstyledButton key={words} className={classes.inviting} onClick={() => onTake(words)}>
          {words}
        </UnstyledButton>
      ))}
    </p>
  );
}
