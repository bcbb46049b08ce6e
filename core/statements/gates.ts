/** The vocabulary of judging: gates and words. */
export type GateId =
  | 'seaWater'
  | 'ammoniaFalling'
  | 'nitriteFalling'
  | 'bothClear'
  | 'settle'
  | 'film'
  | 'transfer'
  | 'dailyClear'
  | 'bacteria'
  | 'proof'
  | 'reset'
  | 'firstAnimals'
  | 'nextStep';

export type Word = 'wait' | 'test' | 'goSmall' | 'go' | 'actNow' | 'watch' | 'steady';
