/** The icons of the app by what they mean, from one open set. Each stands beside its words, never for them. */
import Search from 'lucide-react-native/icons/search';
import CalendarRange from 'lucide-react-native/icons/calendar-range';
import Check from 'lucide-react-native/icons/check';
import Download from 'lucide-react-native/icons/download';
import Droplets from 'lucide-react-native/icons/droplets';
import Eye from 'lucide-react-native/icons/eye';
import Fish from 'lucide-react-native/icons/fish';
import FolderOpen from 'lucide-react-native/icons/folder-open';
import GripVertical from 'lucide-react-native/icons/grip-vertical';
import Printer from 'lucide-react-native/icons/printer';
import Layers from 'lucide-react-native/icons/layers';
import Pencil from 'lucide-react-native/icons/pencil';
import Plus from 'lucide-react-native/icons/plus';
import Ruler from 'lucide-react-native/icons/ruler';
import Sunrise from 'lucide-react-native/icons/sunrise';
import TestTube from 'lucide-react-native/icons/test-tube';
import Trash from 'lucide-react-native/icons/trash';
import Undo from 'lucide-react-native/icons/undo-2';

export const ICONS = {
  today: Sunrise,
  log: TestTube,
  cycle: Layers,
  stock: Fish,
  bench: Ruler,
  add: Plus,
  keep: Check,
  edit: Pencil,
  remove: Trash,
  undo: Undo,
  find: Search,
  drag: GripVertical,
  print: Printer,
  look: Eye,
  drip: Droplets,
  forecast: CalendarRange,
  exported: Download,
  opened: FolderOpen,
} as const;

export type IconName = keyof typeof ICONS;
