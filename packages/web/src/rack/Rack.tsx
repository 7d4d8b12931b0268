import { Alert, Anchor, Box, Button, Container, Group, Loader, Text, TextInput, Title } from '@mantine/core';
import { nameOf, newPiece, newProject, splitGraphemes } from '@fictile/core';
import type { ProjectCard } from '@fictile/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { api } from '../api/index.ts';
import { texts } from '../words/index.ts';
import classes from './Rack.module.css';

/** All projects, and the field that makes a new one. */
export function Rack() {
  return (
    <Container size={1136} py="xl">
      <Text className={classes.product}>{texts.product}</Text>
      <WordsField />
      <Title order={2} size="h3" mt={40} mb="sm">
        {texts.rack.heading}
      </Title>
      <Projects />
    </Container>
  );
}

function WordsField() {
  const [words, setWords] = useState('');
  const navigate = useNavigate();
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: async (text: string) => {
      const name = nameOf(text);
      const project = newProject(crypto.randomUUID(), name, [newPiece('title', name, splitGraphemes(text))]);
      await api.createProject(project, crypto.randomUUID());
      return project.id;
    },
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
        <Button type="submit" loading={make.isPending} disabled={words.trim() === ''}>
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

function Projects() {
  const list = useQuery({ queryKey: ['projects'], queryFn: api.listProjects });
  if (list.isPending) return <Loader aria-label={texts.loading} />;
  if (list.isError) {
    return (
      <Alert color="red">
        {texts.rack.failed}{' '}
        <Anchor component="button" onClick={() => void list.refetch()}>
          {texts.rack.retry}
        </Anchor>
      </Alert>
    );
  }
  if (list.data.length === 0) return <Text>{texts.rack.none}</Text>;
  return (
    <Box component="ul" className={classes.list}>
      {list.data.map((card) => (
        <ProjectRow key={card.id} card={card} />
      ))}
    </Box>
  );
}

function ProjectRow({ card }: { card: ProjectCard }) {
  const when = new Date(card.updatedAt).toLocaleString('en', { dateStyle: 'medium', timeStyle: 'short' });
  return (
    <li>
      <Link to={`/projects/${card.id}`} className={classes.row}>
        <span className={classes.name}>{card.name}</span>
        <span className={classes.figures}>
          {texts.rack.pieces(card.pieces)} · {texts.rack.revision(card.revision)} · {when}
        </span>
      </Link>
    </li>
  );
}
