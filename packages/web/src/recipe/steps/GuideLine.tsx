import { LIMITS, type OntoStep } from '@fictile/core';
import { PlacesValue, Sentence } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';

const T = texts.shape;

/** The places of a line drawn on a model. */
export function GuideLine({ step, put }: { step: OntoStep; put: (step: OntoStep) => void }) {
  if (step.guide !== 'drawn') return null;
  const places = <PlacesValue label={T.labels.guideLine} shown={T.guidePlaces(step.guideMm.length)} help={T.guideHelp} faultAt={T.guideFault} places={step.guideMm} most={LIMITS.placesOfLine} onChange={(guideMm) => put({ ...step, guideMm })} />;
  return <Sentence template={T.guideLine} values={{ places }} />;
} // prettier-ignore
