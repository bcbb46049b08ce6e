/** What goes in and out: tables, photos, colour cards, and that something was deleted. */
import { z } from 'zod';
import { COLLECTION_NAMES, COLUMN_ROLES, DATE_ORDERS, MAX_NAME, PARAMETERS, SEPARATORS } from '../vocabulary';
import { longId, id, time, note, amount } from './parts';

/** One column: its role, and of values the unit and basis they are in where the table says neither. */
export const columnSchema = z.strictObject({
  as: z.enum(COLUMN_ROLES),
  parameter: z.enum(PARAMETERS).optional(),
  unit: z.string().max(40).optional(),
  basis: z.enum(['N', 'ion', 'NH3']).optional(),
});

/** How the columns of a table are read, kept by the names of its columns. */
export const mappingSchema = z.strictObject({
  id,
  /** The names of the columns, in the order of the table. */
  header: z.array(z.string().max(200)).min(1).max(200),
  separator: z.enum(SEPARATORS),
  decimal: z.enum(['.', ',']),
  dateOrder: z.enum(DATE_ORDERS).nullable(),
  columns: z.array(columnSchema).min(1).max(200),
  /** The water of readings that name none. */
  waterId: id.nullable(),
});

/** A picture; the picture itself lies beside the document, by this id. */
export const photoSchema = z.strictObject({
  id,
  waterId: id,
  at: time,
  note,
  /** Whom or what it shows: an animal, a sitting, a look, an entry; nothing more where it is absent. */
  of: z
    .discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('animal'), id }),
      z.strictObject({ kind: z.literal('sample'), id }),
      z.strictObject({ kind: z.literal('look'), id }),
      z.strictObject({ kind: z.literal('event'), id }),
    ])
    .optional(),
  /** Pictures from one place bear one name: they are laid over each other. */
  view: z.string().max(MAX_NAME),
  /** How the light was set: colours tell nothing without it. */
  light: z.string().max(MAX_NAME),
  width: z.int().min(1).max(20000),
  height: z.int().min(1).max(20000),
  bytes: z.int().min(0).max(1e9),
});

const level = z.number().min(0).max(255);

const share = z.number().min(0).max(1);

/** A kit's own card as the person photographed it: each square's value as printed, its colour (8-bit sRGB) and where it lies, as shares of the
 *  card's width and height from its upper left corner. */
export const cardSchema = z.strictObject({
  id,
  kitId: id,
  at: time,
  squares: z
    .array(
      z.strictObject({
        value: amount(100000),
        rgb: z.tuple([level, level, level]),
        place: z.tuple([share, share]),
      }),
    )
    .min(3)
    .max(16)
    .refine((s) => s.every((x, i) => i === 0 || x.value > (s[i - 1]?.value ?? 0)), 'expected rising values'),
});

/** That something was deleted: another device's copy of it must not bring it back. */
export const tombstoneSchema = z.strictObject({
  id: longId,
  collection: z.enum(COLLECTION_NAMES).exclude(['tombstones']),
  of: longId,
  /** The revision that was deleted; empty where none was known. */
  revision: z.string().max(400),
  at: time,
});
