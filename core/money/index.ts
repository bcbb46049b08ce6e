export {
  consumed,
  animalMoney,
  jumpersWithoutLid,
  monthMoney,
  type AnimalMoney,
  type MonthMoney,
} from './money';
