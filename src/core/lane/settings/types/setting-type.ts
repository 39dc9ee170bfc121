import type { z } from 'zod';
import type { Described } from '~/core/words';
import type { Naming } from '../shop-names';

/** The task of the bench a setting belongs to. */
export type Task = 'where' | 'parts' | 'words' | 'look';

/** What a setting of whatever type says of itself. */
export interface Placed extends Described {
  readonly task: Task;
  /** The part this belongs to; without one it belongs to the whole piece. */
  readonly part?: string;
}

/** What a builder is given: all but the type, which it adds. */
export type Without<Spec, Key extends string = never> = Omit<Spec, 'type' | Key>;

/** A type of setting: what it may hold, and how it reads. Its control in the studio stands under the same name. */
export interface SettingType<Spec, Value> {
  /** Of a value; a missing one takes the default, so that documents from before it stay valid. */
  readonly schema: (spec: Spec) => z.ZodType<Value>;
  /** What it holds, where that is no text, number or tick. */
  readonly held?: z.ZodType<Value>;
  /** A value as it stands in a difference. */
  readonly text: (spec: Spec, value: Value, naming: Naming) => string;
}
