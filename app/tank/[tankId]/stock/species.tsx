import { SpeciesListScreen } from '../../../../src/features/stock';

export default function Route() {
  return <SpeciesListScreen />;
}
