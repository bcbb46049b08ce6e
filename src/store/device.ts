/** What a device sent, on its way into the storage: hours and how far it was taken in one act, so that a killed browser counts nothing twice. */
import type { Edit, MonitorDay } from '../../core/document';
import { folded, type MonitorReading } from '../../core/monitor';
import { commit, type Thunk } from './store';

/** How far a device's readings are in the storage. */
export interface Taken {
  epoch: string;
  seq: number;
}

/** Where the next readings go on; from the beginning where none were taken, or the device is gone. */
export const takenOf =
  (monitorId: string): Thunk<Taken> =>
  (_dispatch, getState) =>
    getState().document.entities.monitors[monitorId]?.taken ?? { epoch: '', seq: 0 };

/** Folds readings into what stands now. Those that were taken before are left out. @returns how far they are taken once it is stored */
export const takeReadings =
  (monitorId: string, epoch: string, readings: readonly MonitorReading[]): Thunk<Promise<Taken>> =>
  async (dispatch, getState) => {
    const { monitors, monitorDays } = getState().document.entities;
    const monitor = monitors[monitorId];
    const before = dispatch(takenOf(monitorId));
    const fresh = readings.filter((r) => before.epoch !== epoch || r.seq > before.seq);
    const last = fresh[fresh.length - 1];
    if (!monitor || !last) return before;
    const taken = { epoch, seq: last.seq };
    const days: Record<string, MonitorDay> = monitorDays;
    const edits: Edit[] = [
      ...folded(fresh, monitor, (id) => days[id]).map((entity): Edit => ({ put: 'monitorDays', entity })),
      { put: 'monitors', entity: { ...monitor, name: last.device.slice(0, 80), taken } },
    ];
    await dispatch(commit('', edits, { quiet: true }));
    return dispatch(takenOf(monitorId));
  };
