import { z } from 'zod';
import { minor } from '~/core/money';

type Plain = string | number | boolean | bigint | symbol | null | undefined | File;
/** A type as whoever was told something may only read it. */
export type ReadOnly<T> = unknown extends T ? T : T extends Plain ? T : { readonly [Key in keyof T]: ReadOnly<T[Key]> };

/** What a schema's answer is to those who read it. */
export type Told<Schema extends z.ZodType> = ReadOnly<z.output<Schema>>;

/**
 * Holds a schema to a type of the core: `same<Pair>()(schema)` compiles while both say the same, so that neither changes alone.
 * `id` is its name in docs/openapi.json, for what stands in several answers.
 */
export function same<T>(id?: string) {
  return <Schema extends z.ZodType<T>>(
    schema: Schema & (ReadOnly<T> extends Told<Schema> ? unknown : 'The type has what the schema has not.'),
  ): z.ZodType<T, z.input<Schema>> => (id ? schema.meta({ id }) : schema) as z.ZodType<T, z.input<Schema>>;
}

/** Whole minor units of a currency. */
export const minorSchema = z.number().int().transform(minor);
