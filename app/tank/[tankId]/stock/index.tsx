import { StockScreen } from '../../../../src/features/stock';

export default function Route() {
  return <StockScreen />;
}
