import type { CutStep } from '@fictile/core';
import type { ReactNode } from 'react';
import { Sentence } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { type FieldTools, stepNodes } from '../../fields/index.ts';
import type { EditKey } from '../../ui/index.ts';

const T = texts.cut;

type Put = (step: CutStep, key?: EditKey) => void;

/** What lets a piece into another, by the slots of the sentence; with what stands in it only for some ways. */
export function cutNodes(step: CutStep, put: Put, tools: FieldTools): Record<string, ReactNode> {
  const { operation } = step;
  const nodes = stepNodes(step, put, tools);
  const rest = step.softMm > 0 ? <Sentence template={T.softRest} values={nodes} /> : null;
  const rim = operation in T.softEnd ? T.softEnd[operation as keyof typeof T.softEnd] : undefined;
  return {
    ...nodes,
    rim: rim ? <Sentence template={rim} values={{ ...nodes, rest }} /> : null,
    parts: LOOSE.includes(operation) ? <Sentence template={T.looseEnd} values={nodes} /> : null,
  };
}

/** Operations after which parts may hang on nothing. */
const LOOSE: readonly CutStep['operation'][] = ['engrave', 'through', 'subtract'];
