import { createBrowserRouter } from 'react-router';
import { Rack } from '../rack/Rack.tsx';
import { Loading, Lost, Mishap } from './Notices.tsx';

export const router = createBrowserRouter([
  { path: '/', element: <Rack />, errorElement: <Mishap /> },
  {
    path: '/projects/:id',
    lazy: async () => ({ Component: (await import('../workshop/Workshop.tsx')).Workshop }),
    HydrateFallback: Loading,
    errorElement: <Mishap />,
  },
  { path: '*', element: <Lost /> },
]);
