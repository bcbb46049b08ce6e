export type { GateId, Word } from './gates';
export type {
  RiskCode,
  CannotCode,
  CauseCode,
  DoseCode,
  Said,
  Statement,
  StatementCode,
  StatementFacts,
  StatementOf,
  StepCode,
  CompanyCode,
  WarningCode,
} from './statement';
