import { treeFault } from './placeGraph.ts';
import { treelessSchema } from './schema.ts';

/** A whole document. */
export const projectSchema = treelessSchema.superRefine((project, context) => {
  const why = treeFault(project);
  if (why !== undefined) context.addIssue({ code: 'custom', path: ['groups'], message: why });
});
