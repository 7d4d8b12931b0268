import { createHash } from 'node:crypto';
import { describeFont, unpackFonts } from '@fictile/core';
import { loadKernels, unpackWoff2 } from '@fictile/kernels';
import { answerParent } from './answerParent.ts';
import type { Verdict } from './limitedChild.ts';
import type { FontWork, ReadFont } from './readFonts.ts';

async function verdict({ name, bytes }: FontWork): Promise<Verdict<ReadFont[]>> {
  const unpacked = await unpackFonts(bytes, name, unpackWoff2);
  if (!unpacked.ok) return unpacked;
  const kernels = await loadKernels();
  const fonts: ReadFont[] = [];
  for (const face of unpacked.value) {
    const hash = createHash('sha256').update(face).digest('hex');
    const description = describeFont(kernels, { bytes: face, hash, fallback: name.replace(/\.[a-z0-9]+$/i, '') });
    if (!description.ok) return description;
    fonts.push({ bytes: face, description: description.value });
  }
  return { ok: true, value: fonts };
}

answerParent(verdict);
