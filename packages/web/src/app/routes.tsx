import type { ComponentType } from 'react';
import { createBrowserRouter, type RouteObject } from 'react-router';
import { Rack } from '../rack/Rack.tsx';
import { Loading } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Lost, Mishap } from './Notices.tsx';

/** A screen whose code is loaded when somebody goes there. */
const screen = (path: string, load: () => Promise<ComponentType>): RouteObject => ({
  path,
  lazy: async () => ({ Component: await load() }),
  HydrateFallback: () => <Loading label={texts.loading} />,
  errorElement: <Mishap />,
});

export const router = createBrowserRouter([
  { path: '/', element: <Rack />, errorElement: <Mishap /> },
  screen('/projects/:id', async () => (await import('../workshop/Workshop.tsx')).Workshop),
  screen('/fonts', async () => (await import('../typecase/TypeCase.tsx')).TypeCase),
  screen('/help', async () => (await import('../help/index.ts')).Help),
  screen('/help/:page', async () => (await import('../help/index.ts')).HelpPage),
  { path: '*', element: <Lost /> },
]);
