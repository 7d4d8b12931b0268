import { Extension, type Node, type WriterContext } from '@gltf-transform/core';
import { z } from 'zod';
import type { GltfNode } from './glbBounds.ts';

const NAME = 'MSFT_lod';

/** MSFT_lod, a vendor extension of glTF 2.0: a node names those that stand for it farther away, finer ones first. */
export class LinkedLevels extends Extension {
  static override readonly EXTENSION_NAME = NAME;
  override readonly extensionName = NAME;
  readonly #coarser = new Map<Node, Node[]>();

  link(finest: Node, coarser: Node): void {
    this.#coarser.set(finest, [...(this.#coarser.get(finest) ?? []), coarser]);
  }

  // files are read without it (glbScene.ts)
  read(): this {
    return this;
  }

  write({ jsonDoc, nodeIndexMap }: WriterContext): this {
    for (const [finest, coarser] of this.#coarser) {
      const node = jsonDoc.json.nodes?.[nodeIndexMap.get(finest) ?? -1];
      if (node) node.extensions = { ...node.extensions, [NAME]: { ids: coarser.map((one) => nodeIndexMap.get(one)) } };
    }
    return this;
  }
}

const linkSchema = z.looseObject({ ids: z.array(z.int().nonnegative()) });

/** Numbers of the nodes that stand for this one farther away; none where the file says something else there. */
export function coarserOf({ extensions }: GltfNode): readonly number[] {
  const link = linkSchema.safeParse(extensions?.[NAME]);
  return link.success ? link.data.ids : [];
}
