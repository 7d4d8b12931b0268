import { createSafeContext } from '@mantine/core';
import type { Hands } from '../viewport/index.ts';

/** What presses mean in a view, for the tools that are out in it. */
export const [HandsContext, useHandsHere] = createSafeContext<Hands>('no hands here');
