export { canClose, type Cure, type CureCode, type CureParams } from './cure.ts';
export { cureOf } from './cureOf.ts';
