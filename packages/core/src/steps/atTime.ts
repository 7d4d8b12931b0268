import { stepOf, type Step } from './registry.ts';

/** A step as it stands at a time: what a second brings has come that many times. Steps themselves know of no time. */
export function atTime<S extends Step>(step: S, seconds: number): S {
  const { fields } = stepOf(step.kind);
  const values = step as unknown as Readonly<Record<string, number>>;
  const passed = Object.entries(fields).flatMap(([name, { perSecond }]) =>
    perSecond ? [[name, values[name] * seconds]] : [],
  );
  return passed.length === 0 ? step : { ...step, ...Object.fromEntries(passed) };
}
