/** The scenarios that come with the app, each a file of its own. */
import { scenarioFrom, type Scenario } from '../scenario';
import patientDryRock from './patient-dry-rock.json';
import deadBottle from './dead-bottle.json';
import overdosed from './overdosed.json';
import alkalinityGone from './alkalinity-gone.json';
import transfer from './transfer.json';
import fishOnTheFirstDay from './fish-on-the-first-day.json';
import aDateToKeep from './a-date-to-keep.json';
import quarantineFlaresUp from './quarantine-flares-up.json';
import aFortnightAway from './a-fortnight-away.json';

export const SCENARIOS: readonly Scenario[] = [
  patientDryRock,
  deadBottle,
  overdosed,
  alkalinityGone,
  transfer,
  fishOnTheFirstDay,
  aDateToKeep,
  quarantineFlaresUp,
  aFortnightAway,
].map(scenarioFrom);
