/** What volumes are reckoned with. Each number with its unit and where it comes from; docs/limits.md is written from here. */
import { limit, valuesOf, type LimitTable } from '../limits';

export const VOLUME_LIMITS = {
  waterOfGlass: limit(
    0.9,
    'share',
    'of its nominal volume a glass is filled with at most',
    'common practice',
  ),
  rockKgPerL: limit(
    2.4,
    'kg/L',
    'dry reef rock for each litre it displaces; solid aragonite is 2.93, closed pores bring it down',
    'common practice',
  ),
  sandKgPerL: limit(2.8, 'kg/L', 'sand grains for each litre they displace', 'common practice'),
  tapeSd: limit(
    0.03,
    'share',
    'doubt of a volume from a tape measure and a guessed water line',
    'our estimate',
  ),
  labelSd: limit(0.06, 'share', 'doubt of a volume off a label', 'our estimate'),
  sumpSd: limit(0.1, 'share', 'doubt of the water in a sump', 'our estimate'),
  rockSd: limit(0.15, 'share', 'doubt of what rock displaces', 'our estimate'),
  sandSd: limit(0.05, 'share', 'doubt of what sand displaces', 'our estimate'),
  rockUnsaid: limit(0.07, 'share of the glass', 'taken off for rock nobody has weighed yet', 'our estimate'),
  sandUnsaid: limit(0.03, 'share of the glass', 'taken off for sand nobody has weighed yet', 'our estimate'),
  unsaidSd: limit(0.6, 'share of it', 'doubt of what is taken off unweighed', 'our estimate'),
  productionSd: limit(0.07, 'share', 'doubt of litres from a flow and its time', 'our estimate'),
  salinitySd: limit(
    0.015,
    'share',
    'doubt of a salinity reading where litres come from salt',
    'our estimate',
  ),
  doseSd: limit(0.15, 'share', 'doubt of a kit where litres come from a dose', 'our estimate'),
  doseSdMgN: limit(0.08, 'mg N/L', 'and its smallest doubt', 'our estimate'),
  outlierSigma: limit(
    2.5,
    'standard deviations',
    'an estimate this far from the others is left out',
    'common statistics',
  ),
} as const satisfies LimitTable;

export const VOLUME = valuesOf(VOLUME_LIMITS);
