import { documentSchema, sectionFileSchema } from '@fictile/core';
import { z } from 'zod';
import { say } from '../console.ts';
import { flagSchema } from '../flagKinds.ts';
import { ALL_FLAGS } from '../flags.ts';
import { fault } from '../messages.ts';

/** The JSON Schema of a file that this program reads. */
export function schema(row: readonly string[]): void {
  const [name = 'project'] = row;
  if (name === 'project') say(JSON.stringify(z.toJSONSchema(documentSchema, { unrepresentable: 'any' }), null, 2));
  else if (name === 'case') say(JSON.stringify(caseSchema(), null, 2));
  else if (name === 'section') say(JSON.stringify(z.toJSONSchema(sectionFileSchema), null, 2));
  else throw fault('COMMAND_UNKNOWN', `There is no schema "${name}". There are: project, case, section.`);
}

export function caseSchema(): object {
  const properties = Object.fromEntries(
    Object.entries(ALL_FLAGS).map(([name, kind]) => [
      name.replace(/-(.)/g, (_, letter: string) => letter.toUpperCase()),
      flagSchema(kind),
    ]),
  );
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    type: 'object',
    properties,
    required: ['out'],
    anyOf: [{ required: ['text'] }, { required: ['svg'] }],
    additionalProperties: false,
  };
}
