import type { Tool } from '../tool';
import { flowTool, heatTool, lightTool, mediaTool, powerTool, sandTool, weightTool } from './putUp';
import { mineralsTool } from './minerals';
import { nitrogenTool } from './nitrogen';
import { evaporationTool, rodiTool } from './supply';
import { salinityTool } from './salinity';
import { volumeTool } from './volume';
import { changeTool, saltTool } from './water';

export const TOOL_GROUPS: readonly { title: string; tools: readonly Tool[] }[] = [
  { title: 'Water', tools: [volumeTool, salinityTool, saltTool, changeTool, evaporationTool, rodiTool] },
  { title: 'What is dissolved', tools: [mineralsTool, nitrogenTool] },
  { title: 'Putting up', tools: [heatTool, flowTool, sandTool, mediaTool, powerTool, weightTool, lightTool] },
];
export const TOOLS: readonly Tool[] = TOOL_GROUPS.flatMap((g) => g.tools);
