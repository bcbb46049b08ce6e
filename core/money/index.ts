export {
  consumed,
  animalMoney,
  jumpersWithoutLid,
  monthMoney,
  setUpMoney,
  type AnimalMoney,
  type MonthMoney,
  type SetUpMoney,
} from './money';
