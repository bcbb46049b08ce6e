/** What keeps a tank going: tasks, setting up, equipment, salt, devices, and what was decided about something due. */
import { z } from 'zod';
import { HOURS } from '../hours';
import { EQUIPMENT_KINDS, FOAMS, MAX_NAME, QUARANTINE_KIT, RODI_STAGES, SETUP_ITEMS } from '../vocabulary';
import { longId, id, time, day, nameSchema, note, amount, positive } from './parts';

/** Something planned or left open: it stands on Today from its day on until it is done. */
export const taskSchema = z.strictObject({
  id,
  waterId: id,
  day,
  title: nameSchema,
  note,
  doneAt: time.nullable(),
  /** Whom it is about. */
  animalIds: z.array(id).max(100).optional(),
  /** Comes again: by a rule of RFC 5545 counted from `from`, or so many days after it was last done. `day` is the next. */
  repeat: z
    .discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('rule'), rule: z.string().min(6).max(300), from: day }),
      z.strictObject({ kind: z.literal('after'), days: z.int().min(1).max(1000) }),
    ])
    .optional(),
  /** Of one that comes again, when it was done or left out, and why. The last hundred. */
  past: z
    .array(z.strictObject({ day, at: time, skipped: z.string().max(MAX_NAME).optional() }))
    .max(100)
    .optional(),
});

/** One point of the setting-up lists, dated when done. */
export const setupSchema = z.strictObject({
  id,
  waterId: id,
  item: z.enum([...SETUP_ITEMS, ...QUARANTINE_KIT]),
  doneDay: day,
});

export const equipmentSchema = z.strictObject({
  id,
  waterId: id,
  name: nameSchema,
  kind: z.enum(EQUIPMENT_KINDS),
  /** Of an RO/DI unit. */
  stage: z.enum(RODI_STAGES).optional(),
  where: z.string().max(MAX_NAME),
  sinceDay: day,
  price: amount(1e6).nullable(),
  /** Money a month to run it, as far as known. */
  monthly: amount(1e5).nullable(),
  watts: amount(20000).nullable(),
  breakInDays: z.int().min(0).max(365),
  serviceEveryDays: z.int().min(1).max(3650).nullable(),
  services: z.array(z.strictObject({ day, note })).max(500),
  settings: z.array(z.strictObject({ day, what: nameSchema, value: z.string().max(MAX_NAME) })).max(500),
  loan: z.strictObject({ from: nameSchema, dueDay: day, returnedDay: day.nullable() }).nullable(),
  endedDay: day.nullable(),
  /** Diary of a skimmer that breaks in: how it foams, and how high its cup stood. */
  foam: z
    .array(z.strictObject({ day, is: z.enum(FOAMS), cup: z.string().max(MAX_NAME) }))
    .max(200)
    .optional(),
  /** Its cable: where it is plugged in, what switches it, and when its drip loop was last seen. */
  plug: z
    .strictObject({
      socket: z.string().max(MAX_NAME),
      by: z.string().max(MAX_NAME),
      loopSeenDay: day.nullable(),
    })
    .optional(),
});

/** What a salt mix, or natural water, holds at a salinity of 35: off the bag, or measured. */
export const mixSchema = z.strictObject({
  id,
  name: nameSchema,
  alkalinity: amount(40),
  calcium: amount(1000),
  magnesium: amount(4000),
  potassium: amount(1000).optional(),
  from: z.enum(['label', 'measured', 'natural']),
  /** Grams of it a litre takes for 35. */
  gramsPerLitre: z.number().min(20).max(60).optional(),
  /** Grams in a bag, and its price. */
  bagGrams: positive(1e6).optional(),
  bagPrice: amount(1e6).optional(),
  openedDay: day.optional(),
});

/** What a device shows. Total and free ammonia, both as N, are different things. */
const MONITORED = ['freeAmmonia', 'totalAmmonia', 'ph', 'temperature', 'level', 'salinity'] as const;

/** A paired device. Its token is not in the file. */
export const monitorSchema = z.strictObject({
  id,
  waterId: id,
  name: nameSchema,
  pairedAt: time,
  /** How far its readings were taken: the run of the door, and the number. */
  taken: z.strictObject({ epoch: z.string().max(40), seq: z.int().min(0) }).optional(),
  revokedAt: time.nullable(),
});

/** One quantity of a device on a day of UTC, by hours; null where none came. */
export const monitorDaySchema = z.strictObject({
  id: longId,
  monitorId: id,
  waterId: id,
  what: z.enum(MONITORED),
  day,
  /** 24 hours of UTC, "count mean low high" each, with semicolons between; empty without a reading. */
  hours: z.string().max(4000).regex(HOURS, 'expected 24 hours as "count mean low high", semicolons between'),
});

/** What the person decided about something due: put off, or left out this time, and why. */
export const agendaSchema = z.strictObject({
  /** What is due, by its kind, what it is about and the day it fell due. */
  id: longId,
  waterId: id,
  /** Not shown before. */
  until: time.optional(),
  skipped: z.strictObject({ at: time, why: z.string().max(MAX_NAME) }).optional(),
});
