import { CaretTool } from './CaretTool.tsx';
import { CarryTool } from './CarryTool.tsx';
import { CurveTool } from './CurveTool.tsx';
import { LiftTool } from './LiftTool.tsx';
import { MarksTool } from './MarksTool.tsx';
import { PickedTool } from './PickedTool.tsx';
import { PivotTool } from './PivotTool.tsx';
import { PlaceTool } from './PlaceTool.tsx';
import { SolidTool } from './SolidTool.tsx';
import { StepTool } from './StepTool.tsx';

/** What is drawn in the view for the hands; each knows by itself when it is wanted. A new one is entered here only. */
export const TOOLS = [
  CaretTool,
  PickedTool,
  CurveTool,
  SolidTool,
  StepTool,
  CarryTool,
  PlaceTool,
  PivotTool,
  MarksTool,
  LiftTool,
] as const;

export { HandsContext } from './handsContext.ts';
export { useHands } from './useHands.ts';
