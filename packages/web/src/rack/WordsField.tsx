import { Alert, Button, Group, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { makeProject } from '../store/index.ts';
import { texts } from '../words/index.ts';
import classes from './Rack.module.css';

/** The big field: words and Enter make a project and open it. */
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
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (words.trim() !== '' && !make.isPending) make.mutate(words);
  };
  return (
    <form onSubmit={submit}>
      <Group align="end" wrap="nowrap" className={classes.field}>
        <TextInput
          className={classes.grow}
          classNames={{ input: classes.words, label: classes.prompt }}
          variant="unstyled"
          label={texts.rack.prompt}
          value={words}
          onChange={(event) => setWords(event.currentTarget.value)}
          autoFocus
        />
        <Button type="submit" radius="xl" loading={make.isPending} disabled={words.trim() === ''}>
          {texts.rack.make}
        </Button>
      </Group>
      {make.isError && (
        <Alert color="red" mt="sm">
          {texts.rack.makeFailed}
        </Alert>
      )}
    </form>
  );
}
