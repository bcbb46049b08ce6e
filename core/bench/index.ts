/** The bench: calculators as data. One function stands behind the screen and the command. */
export {
  reckonsOtherwise,
  shownText,
  unitOf,
  workTool,
  type Choices,
  type Figure,
  type Result,
  type Tool,
  type ToolContext,
  type ToolField,
} from './tool';
export { TOOL_GROUPS, TOOLS } from './tools';
export { needsOf, type Need } from './needs';
