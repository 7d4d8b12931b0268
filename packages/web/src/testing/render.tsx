import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, type RenderResult } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';

/** What Mantine asks of a browser and jsdom lacks. */
function completeBrowser(): void {
  window.matchMedia ??= ((query: string) => ({
    matches: false,
    media: query,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
    addListener: () => undefined,
    removeListener: () => undefined,
  })) as unknown as typeof window.matchMedia;
  if (!('fonts' in document)) Object.assign(document, { fonts: new EventTarget() });
  window.ResizeObserver ??= class {
    observe(): void {}
    unobserve(): void {}
    disconnect(): void {}
  };
}

/** Renders inside everything that the application's parts expect around them. */
export function renderInside(ui: ReactNode, path = '/'): RenderResult {
  completeBrowser();
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <MantineProvider env="test">
      <QueryClientProvider client={queries}>
        <MemoryRouter initialEntries={[path]}>{ui}</MemoryRouter>
      </QueryClientProvider>
    </MantineProvider>,
  );
}

/** Answers requests by "METHOD path"; what is not named is not found. */
export function serve(routes: Readonly<Record<string, (body: unknown) => { status?: number; body: unknown }>>): void {
  globalThis.fetch = (async (path: string, init?: RequestInit) => {
    const route = routes[`${init?.method ?? 'GET'} ${path}`];
    const { status = 200, body } = route?.(typeof init?.body === 'string' ? JSON.parse(init.body) : undefined) ?? {
      status: 404,
      body: {},
    };
    return { ok: status < 300, status, json: async () => body };
  }) as unknown as typeof fetch;
}
