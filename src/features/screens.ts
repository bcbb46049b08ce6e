/** Every screen but the first with the way to its code, which is fetched when the screen is first wanted. Routes name screens from here. */
import { sentence } from '../../core/words';
import { part, screen } from './shell';

/** Reminders of what is due, where the person has asked for them. */
export const Reminder = part(
  () => import('./agenda/Reminder').then((m) => m.Reminder),
  () => null,
);
/** Takes what a paired device sends. */
export const MonitorLink = part(
  () => import('./monitor/MonitorLink').then((m) => m.MonitorLink),
  () => null,
);
export const MonitorScreen = screen(() => import('./monitor/MonitorScreen').then((m) => m.MonitorScreen));
export const CarerScreen = screen(() => import('./agenda/CarerScreen').then((m) => m.CarerScreen));
export const AgendaScreen = screen(() => import('./agenda/AgendaScreen').then((m) => m.AgendaScreen));
export const SampleScreen = screen(() => import('./log/SampleScreen').then((m) => m.SampleScreen));
export const ArrivalScreen = screen(() => import('./stock/ArrivalScreen').then((m) => m.ArrivalScreen));
export const CompanyScreen = screen(() => import('./stock/CompanyScreen').then((m) => m.CompanyScreen));
export const MonthScreen = screen(() => import('./month/MonthScreen').then((m) => m.MonthScreen));
export const GlossaryScreen = screen(() => import('./glossary/GlossaryScreen').then((m) => m.GlossaryScreen));
export const MoneyScreen = screen(() => import('./stock/MoneyScreen').then((m) => m.MoneyScreen));
export const BoardScreen = screen(() => import('./stock/BoardScreen').then((m) => m.BoardScreen));
export const UpgradeScreen = screen(() => import('./stock/UpgradeScreen').then((m) => m.UpgradeScreen));
export const KindScreen = screen(() => import('./stock/KindScreen').then((m) => m.KindScreen));
export const ReportScreen = screen(() => import('./report/ReportScreen').then((m) => m.ReportScreen));
export const PhotosScreen = screen(() => import('./photos/PhotosScreen').then((m) => m.PhotosScreen));
export const PracticeScreen = screen(() => import('./practice/PracticeScreen').then((m) => m.PracticeScreen));
export const PlanScreen = screen(() => import('./stock/PlanScreen').then((m) => m.PlanScreen));
export const BuyScreen = screen(() => import('./stock/BuyScreen').then((m) => m.BuyScreen));
export const CycleScreen = screen(() => import('./cycle/CycleScreen').then((m) => m.CycleScreen));
export const StockScreen = screen(() => import('./stock/StockScreen').then((m) => m.StockScreen));
export const BenchScreen = screen(() => import('./bench/BenchScreen').then((m) => m.BenchScreen));
export const AddAnimalScreen = screen(() => import('./stock/AddAnimalScreen').then((m) => m.AddAnimalScreen));
export const AfterScreen = screen(() => import('./after/AfterScreen').then((m) => m.AfterScreen));
export const AnimalScreen = screen(() => import('./stock/AnimalScreen').then((m) => m.AnimalScreen));
export const DoseScreen = screen(() => import('./cycle/DoseScreen').then((m) => m.DoseScreen));
export const DripScreen = screen(() => import('./acclimation/DripScreen').then((m) => m.DripScreen));
export const EditWaterScreen = screen(() =>
  import('./waters/WaterFormScreen').then((m) => m.EditWaterScreen),
);
export const EquipmentScreen = screen(() =>
  import('./upkeep/EquipmentScreens').then((m) => m.EquipmentScreen),
);
export const EventScreen = screen(() => import('./log/EventScreen').then((m) => m.EventScreen));
export const FilesScreen = screen(() => import('./files/FilesScreen').then((m) => m.FilesScreen));
export const ForecastScreen = screen(() => import('./forecast/ForecastScreen').then((m) => m.ForecastScreen));
export const GalleryScreen = screen(() => import('./gallery/GalleryScreen').then((m) => m.GalleryScreen));
export const HistoryScreen = screen(() => import('./log/History').then((m) => m.HistoryScreen));
export const KeysScreen = screen(() => import('./settings/SettingsScreens').then((m) => m.KeysScreen));
export const CardScreen = screen(() => import('./log/vial/CardScreen').then((m) => m.CardScreen));
export const KitScreen = screen(() => import('./log/KitsScreens').then((m) => m.KitScreen));
export const KitsScreen = screen(() => import('./log/KitsScreens').then((m) => m.KitsScreen));
export const LoneBenchScreen = screen(() => import('./bench/BenchScreen').then((m) => m.LoneBenchScreen));
export const LoneToolScreen = screen(() => import('./bench/ToolScreen').then((m) => m.LoneToolScreen));
export const LostScreen = screen(() => import('./settings/SettingsScreens').then((m) => m.LostScreen));
export const NewDripScreen = screen(() => import('./acclimation/NewDripScreen').then((m) => m.NewDripScreen));
export const NewWaterScreen = screen(() => import('./waters/WaterFormScreen').then((m) => m.NewWaterScreen));
export const ParametersScreen = screen(() =>
  import('./readings/ParametersScreen').then((m) => m.ParametersScreen),
);
export const PartScreen = screen(() => import('./upkeep/EquipmentScreens').then((m) => m.PartScreen));
export const ReadingsScreen = screen(() => import('./readings/ReadingsScreen').then((m) => m.ReadingsScreen));
export const SchoolScreen = screen(() => import('./waters/SchoolScreen').then((m) => m.SchoolScreen));
export const SettingsScreen = screen(() =>
  import('./settings/SettingsScreens').then((m) => m.SettingsScreen),
);
export const SetupScreen = screen(() => import('./upkeep/SetupScreen').then((m) => m.SetupScreen));
export const SpeciesListScreen = screen(() =>
  import('./stock/SpeciesListScreen').then((m) => m.SpeciesListScreen),
);
export const SwitcherScreen = screen(() => import('./waters/SwitcherScreen').then((m) => m.SwitcherScreen));
export const WaterToolScreen = screen(() => import('./bench/ToolScreen').then((m) => m.WaterToolScreen));

/** Fetches the code of the places one tap away, and makes the judgement's words ready where the page opened without them, so that the tap
 *  finds both there. */
export const prefetchPlaces = (): void => {
  [SampleScreen, CycleScreen, StockScreen, BenchScreen].forEach((place) => place.prefetch());
  // Naming them is what makes them.
  void sentence;
};
