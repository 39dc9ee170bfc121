/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { CartWord } from '../words';
import type { CartShown } from '../cart-controller';
import { CartForm } from '../form';

interface Props {
  readonly shown: CartShown;
  readonly words: Readonly<Record<Extract<CartWord, 'noteLabel' | 'noteKeep'>, string>>;
}

/** A few words of the shopper, kept when the field is left. */
export function Note({ shown, words }: Props): VNode {
  const { cart, controller } = shown;
  return (
    <CartForm
      shown={shown}
      kind="note"
      class="note"
      request={(fields) => ({ kind: 'note', note: String(fields.get('note') ?? '') })}
    >
      <label class="field">
        <span data-word="noteLabel">{words.noteLabel}</span>
        <textarea
          name="note"
          rows={2}
          maxLength={500}
          defaultValue={cart.note}
          onBlur={(event) => {
            const { form, value } = event.currentTarget;
            if (controller && value.trim() !== cart.note) form?.requestSubmit();
          }}
        />
      </label>
      <button class="second" data-slot="second" data-word="noteKeep">
        {words.noteKeep}
      </button>
    </CartForm>
  );
}
