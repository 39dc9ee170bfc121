import { z } from 'zod';
import { LETTERS } from '~/core/limits';

/** What several routes ask for. */
export const slug = z.string().min(1).max(LETTERS.slug);
export const email = z.string().trim().toLowerCase().pipe(z.email().max(LETTERS.email));
export const quantity = z.coerce.number().int().min(1);
/** The number an order, a change or a layout is kept under, in an address. */
export const idInAddress = z
  .string()
  .regex(/^\d{1,12}$/)
  .transform(Number);
/** Counts the changes of a draft or a product, so that a stale one is known. */
export const edit = z.number().int().min(1);
/** An id under which a change is made once. */
export const changeId = z.string().regex(/^[\w-]{6,60}$/);
/** Answers to options, by the option's key. */
export const answers = z
  .record(z.string().regex(/^[a-z0-9-]{1,40}$/), z.union([z.string().max(600), z.array(z.string().max(120)).max(60)]))
  .default({});
/** Pages of an owner's list, from 1. */
export const slugName = z.strictObject({ slug: z.string(), name: z.string() });
export const DONE = z.null();
