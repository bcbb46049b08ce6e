export {
  calibrationSessions,
  corrected,
  correctionAt,
  daysSinceCalibration,
  insideDrift,
  NO_CORRECTION,
  toleranceOf,
  type CalibrationSession,
  type Correction,
} from './calibration';
export { disagreement, type Disagreement, type InstrumentReading } from './compare';
export { INSTRUMENTS_LIMITS } from './limits';
