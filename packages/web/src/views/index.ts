export { CameraLink } from './cameraLink.ts';
export { comparedProject, stateLabel, STATES } from './comparing.ts';
export type { Comparing } from './comparing.ts';
export { named, SURROUNDINGS, USUAL_VIEW, VIEWS, wishFor, withSecond } from './viewSettings.ts';
export type { ViewSettings } from './viewSettings.ts';
