export { AddAnimalScreen } from './AddAnimalScreen';
export { AnimalScreen } from './AnimalScreen';
export { NewQuarantineScreen, QuarantineScreen } from './QuarantineScreens';
export { SpeciesListScreen } from './SpeciesListScreen';
export { StockScreen } from './StockScreen';
