import type { ReactNode } from 'react';

/** What the control of a setting is given: what is declared, what it holds, and its label to be named by. */
export interface ControlProps<Spec, Value> {
  readonly spec: Spec;
  readonly value: Value;
  readonly labelId: string;
  readonly onChange: (value: Value) => void;
}

export type Control<Spec, Value> = (props: ControlProps<Spec, Value>) => ReactNode;
