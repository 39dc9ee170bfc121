/** @jsxImportSource preact */
import type { VNode } from 'preact';

interface Props {
  readonly name: string;
  readonly label: string;
  readonly value: string;
  readonly type?: 'text' | 'email';
  readonly autocomplete: string;
  readonly inputmode?: 'numeric';
  readonly problem?: string | undefined;
  /** It was changed since: what was wrong keeps its room, unseen. */
  readonly isMended?: boolean;
  readonly help?: string;
  /** Words that say it may stay open; without them it is needed. */
  readonly optional?: string;
}

/** A field of the checkout with its name, its help and what is wrong with it, tied together for screen readers. */
export function Field({
  name,
  label,
  value,
  type = 'text',
  autocomplete,
  inputmode,
  problem,
  isMended,
  help,
  optional,
}: Props): VNode {
  const isWrong = problem && !isMended;
  const described = [help && `${name}-help`, isWrong && `${name}-problem`].filter(Boolean).join(' ');
  return (
    <div class="field">
      <label for={name}>
        {label}
        {optional && <small> {optional}</small>}
      </label>
      <input
        id={name}
        name={name}
        type={type}
        data-slot="field"
        // Typed text belongs to the browser: a redraw must not restore the server's value.
        defaultValue={value}
        autoComplete={autocomplete}
        inputMode={inputmode}
        maxLength={200}
        required={!optional}
        aria-invalid={isWrong ? true : undefined}
        aria-describedby={described || undefined}
      />
      {help && <small id={`${name}-help`}>{help}</small>}
      {problem && (
        <span class="problem" id={`${name}-problem`} data-mended={isMended || undefined}>
          {problem}
        </span>
      )}
    </div>
  );
}
