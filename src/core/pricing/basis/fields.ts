import { z } from 'zod';
import { MOST_MINOR } from '~/core/money';

export const key = z.string().min(1).max(120);
export const names = z.array(key).max(500);
/** Minor units. */
export const sum = z.number().int().min(0).max(MOST_MINOR);
export const count = z.number().int().min(1).max(10_000);
export const basisPoints = z.number().int().min(0).max(10_000);
/** Absent and null mean the same. */
export const maybe = <T extends z.ZodType>(type: T) => type.nullable().default(null);
