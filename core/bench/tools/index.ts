import type { Tool } from '../tool';
import { nutrientsTool, supplyTool } from './feeding';
import { grainTool, rockTool } from './ground';
import { mineralsTool } from './minerals';
import { mixTool, stagedTool } from './mixing';
import { nitrogenTool } from './nitrogen';
import { reorderTool, startTool } from './planning';
import { heatTool, lightTool } from './climate';
import { carbonTool, mediaTool } from './filters';
import { flowTool, partsTool, pumpTool } from './pipes';
import { floatTool, powerTool, skimmerTool } from './sump';
import { sandTool, weightTool } from './putUp';
import { salinityTool } from './salinity';
import { fillTool, sourcesTool, stagesTool } from './sources';
import { evaporationTool, rodiTool } from './supply';
import { volumeTool } from './volume';
import { changeTool, saltTool } from './water';

export const TOOL_GROUPS: readonly { title: string; tools: readonly Tool[] }[] = [
  { title: 'Before you begin', tools: [startTool, sourcesTool, weightTool, reorderTool] },
  {
    title: 'Water',
    tools: [volumeTool, salinityTool, saltTool, stagedTool, mixTool, changeTool, evaporationTool],
  },
  { title: 'RO/DI', tools: [rodiTool, stagesTool, fillTool] },
  { title: 'What is dissolved', tools: [mineralsTool, supplyTool, nutrientsTool, nitrogenTool] },
  { title: 'Rock and sand', tools: [rockTool, sandTool, grainTool] },
  {
    title: 'Equipment',
    tools: [
      heatTool,
      pumpTool,
      flowTool,
      skimmerTool,
      floatTool,
      powerTool,
      mediaTool,
      carbonTool,
      lightTool,
      partsTool,
    ],
  },
];
export const TOOLS: readonly Tool[] = TOOL_GROUPS.flatMap((g) => g.tools);
