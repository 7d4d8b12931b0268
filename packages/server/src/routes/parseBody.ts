import type { z } from 'zod';
import { httpFault } from '../services/faults.ts';

export function parseBody<T>(schema: z.ZodType<T>, body: unknown): T {
  const parsed = schema.safeParse(body);
  if (parsed.success) return parsed.data;
  const issue = parsed.error.issues[0];
  throw httpFault('REQUEST_BROKEN', { path: issue.path.map(String).join('.') || 'body', why: issue.message });
}
