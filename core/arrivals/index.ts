export { admissionRisks, isCopperDeath, type Newcomer, type Risk } from './guard';
export { admit, withRisks, type Admission, type Admitted } from './admit';
