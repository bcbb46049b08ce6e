export { glassOf, hasRoom, type Glass } from './glass';
export {
  netVolume,
  ROCK_KG_PER_L,
  SAND_KG_PER_L,
  type NetVolume,
  type VolumeLine,
  type VolumeInput,
  type WaterSize,
} from './netVolume';
export {
  combineVolumes,
  volumeFromDose,
  volumeFromProduction,
  volumeFromSalt,
  type CombinedVolume,
  type VolumeEstimate,
} from './combine';
export { VOLUME, VOLUME_LIMITS } from './limits';
