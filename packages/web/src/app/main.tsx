import '@fontsource-variable/instrument-sans';
import '@fontsource-variable/source-serif-4';
import '@mantine/core/styles.css';
import './tokens.css';
import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { StyleChoiceDialog } from '../fonts/index.ts';
import { router } from './routes.tsx';
import { theme } from './theme.ts';

const queries = new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 5_000 } } });
const root = document.getElementById('root');
if (!root) throw new Error('the page has no root element');

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <MantineProvider theme={theme} defaultColorScheme="auto">
        <RouterProvider router={router} />
        <StyleChoiceDialog />
      </MantineProvider>
    </QueryClientProvider>
  </StrictMode>,
);
