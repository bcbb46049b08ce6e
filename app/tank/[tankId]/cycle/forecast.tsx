import { ForecastScreen } from '../../../../src/features/forecast';

export default function Route() {
  return <ForecastScreen />;
}
