export { BeadLanes, type BeadLane } from './BeadLanes';
export { ConvergeChart } from './ConvergeChart';
export { LoadStair } from './LoadStair';
export { NitrogenStrips, type StripPoint, type StripSeries } from './NitrogenStrips';
export { StrataChart } from './StrataChart';
export { TideStaff, type StaffMark } from './TideStaff';
