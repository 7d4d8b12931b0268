import { projectSchema, sectionFileSchema } from '@fictile/core';
import { z } from 'zod';
import { say } from '../console.ts';
import type { FlagKind } from '../flagKinds.ts';
import { ALL_FLAGS } from '../flags.ts';
import { fault } from '../messages.ts';

/** The JSON Schema of a file that this program reads. */
export function schema(row: readonly string[]): void {
  const [name = 'project'] = row;
  if (name === 'project') say(JSON.stringify(z.toJSONSchema(projectSchema, { unrepresentable: 'any' }), null, 2));
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

function flagSchema(kind: FlagKind): object {
  switch (kind.kind) {
    case 'text':
    case 'file':
    case 'font':
      return { type: 'string' };
    case 'pair':
      return { type: 'string', description: 'two lengths: 4mm,-2mm' };
    case 'point':
      return { type: 'string', description: 'three lengths: 0,20mm,-5mm' };
    case 'angles':
      return { type: 'string', description: 'three angles: 0,0,12' };
    case 'size':
      return { anyOf: [{ const: 'auto' }, { type: 'number' }, { type: 'string', description: 'a length: 4mm' }] };
    case 'amount':
      return {
        anyOf: [
          { type: 'integer', minimum: 4 },
          { type: 'string', pattern: '^[0-9.]+(%|mm|cm|m|in)?$' },
        ],
      };
    case 'shape':
      return {
        anyOf: [{ enum: kind.of }, { type: 'string', pattern: '\\.json$', description: 'a file of a drawn one' }],
      };
    case 'switch':
      return { const: true };
    case 'choice':
      return { enum: kind.of };
    case 'number':
      return { type: kind.whole ? 'integer' : 'number', minimum: kind.min, maximum: kind.max };
    case 'length':
      return {
        anyOf: [
          { type: 'number', minimum: kind.min, maximum: kind.max },
          { type: 'string', description: 'a length: 18mm, 1.8cm, 0.7in' },
        ],
      };
  }
}
