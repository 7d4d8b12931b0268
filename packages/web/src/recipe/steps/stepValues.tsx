import type { MeshStep } from '@fictile/core';
import type { ReactNode } from 'react';
import { choicesOf, ChoiceValue, Sentence } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { limits, number } from '../sentenceParts.tsx';

const T = texts.recipe;
const DEGREES = { kind: 'angle', unit: '°', step: 1 } as const;

/** The values of a step's sentence, by their slots. `put` takes the changed step; a key joins a drag. */
export function stepValues(step: MeshStep, put: (step: MeshStep, key?: string) => void): Record<string, ReactNode> {
  switch (step.kind) {
    case 'subdivide':
      return {
        times: number('times', { label: T.stepTimes, value: step.times, kind: 'plain', unit: T.stepTimesUnit(step.times), ...limits('subdivide', 'times'), step: 1, usual: 1 }, (times, key) => put({ ...step, times }, key)),
        way: <ChoiceValue label={T.stepWay} value={step.way} choices={choicesOf(texts.stepWays)} usual="straight" onChange={(way) => put({ ...step, way })} />,
        edges: step.way === 'rounded' && <Sentence template={T.stepEdges} values={{ edges: <ChoiceValue label={T.stepEdgesLabel} value={step.edges} choices={choicesOf(texts.stepEdges)} onChange={(edges) => put({ ...step, edges })} /> }} />,
      };
    case 'reduce':
      return {
        by: <ChoiceValue label={T.stepBy} value={step.by} choices={choicesOf(texts.reduceBy)} usual="share" onChange={(by) => put({ ...step, by })} />,
        amount:
          step.by === 'error'
            ? number('error', { label: T.stepError, value: step.errorMm, kind: 'length', unit: 'mm', ...limits('reduce', 'errorMm'), step: 0.05, usual: 0.1 }, (errorMm, key) => put({ ...step, errorMm }, key))
            : step.by === 'share'
            ? number('share', { label: T.stepShare, value: step.sharePercent, kind: 'plain', unit: '%', ...limits('reduce', 'sharePercent'), step: 5, usual: 50 }, (sharePercent, key) => put({ ...step, sharePercent }, key))
            : number('count', { label: T.stepCount, value: step.count, kind: 'plain', unit: T.stepCountUnit, ...limits('reduce', 'count'), step: 100, usual: 5000 }, (count, key) => put({ ...step, count }, key)),
      };
    case 'triangles':
      return { rule: <ChoiceValue label={T.stepRule} value={step.rule} choices={choicesOf(texts.triangleRules)} usual="short" onChange={(rule) => put({ ...step, rule })} /> };
    case 'quads':
      return { within: number('within', { ...DEGREES, ...limits('quads', 'withinDegrees'), label: T.stepWithin, value: step.withinDegrees, usual: 10 }, (withinDegrees, key) => put({ ...step, withinDegrees }, key)) };
    case 'clear':
      return { within: number('within', { ...DEGREES, ...limits('clear', 'withinDegrees'), label: T.stepWithin, value: step.withinDegrees, step: 0.1, usual: 0.1 }, (withinDegrees, key) => put({ ...step, withinDegrees }, key)) };
    case 'join':
      return { within: number('within', { label: T.stepWithin, value: step.withinMm, kind: 'length', unit: 'mm', ...limits('join', 'withinMm'), step: 0.01, usual: 0.01 }, (withinMm, key) => put({ ...step, withinMm }, key)) };
    case 'recast': {
      const mm = (field: 'sizeMm' | 'thickMm' | 'meltMm' | 'errorMm', label: string): ReactNode => number(`recast ${field}`, { label, value: step[field], kind: 'length', unit: 'mm', ...limits('recast', field), step: 0.1 }, (value, key) => put({ ...step, [field]: value }, key));
      return { size: mm('sizeMm', T.recastSize), thick: mm('thickMm', T.recastThick), melt: mm('meltMm', T.recastMelt), error: mm('errorMm', T.recastError) };
    }
    case 'crisp':
      return { from: number('from', { ...DEGREES, ...limits('crisp', 'fromDegrees'), label: T.stepFrom, value: step.fromDegrees, usual: 30 }, (fromDegrees, key) => put({ ...step, fromDegrees }, key)) };
  }
} // prettier-ignore
