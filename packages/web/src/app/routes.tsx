import { createBrowserRouter } from 'react-router';
import { Rack } from '../rack/Rack.tsx';
import { Loading } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Lost, Mishap } from './Notices.tsx';

export const router = createBrowserRouter([
  { path: '/', element: <Rack />, errorElement: <Mishap /> },
  {
    path: '/projects/:id',
    lazy: async () => ({ Component: (await import('../workshop/Workshop.tsx')).Workshop }),
    HydrateFallback: () => <Loading label={texts.loading} />,
    errorElement: <Mishap />,
  },
  {
    path: '/fonts',
    lazy: async () => ({ Component: (await import('../typecase/TypeCase.tsx')).TypeCase }),
    HydrateFallback: () => <Loading label={texts.loading} />,
    errorElement: <Mishap />,
  },
  {
    path: '/help',
    lazy: async () => ({ Component: (await import('../help/index.ts')).Help }),
    HydrateFallback: () => <Loading label={texts.loading} />,
    errorElement: <Mishap />,
  },
  {
    path: '/help/:page',
    lazy: async () => ({ Component: (await import('../help/index.ts')).HelpPage }),
    HydrateFallback: () => <Loading label={texts.loading} />,
    errorElement: <Mishap />,
  },
  { path: '*', element: <Lost /> },
]);
