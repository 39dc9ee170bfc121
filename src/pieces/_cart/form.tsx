/** @jsxImportSource preact */
import type { ComponentChildren, VNode } from 'preact';
import type { CartChangeRequest } from '~/runtime/cart-change';
import type { CartShown } from './cart-controller';

interface Props {
  readonly shown: CartShown;
  readonly kind: CartChangeRequest['kind'];
  readonly lineId?: string;
  readonly class?: string;
  /** Reads the request from the form's fields and the button pressed. */
  readonly request: (fields: FormData) => CartChangeRequest;
  readonly label?: string;
  readonly children: ComponentChildren;
}

/** A form that changes the cart: by itself without script, without leaving the page with it. */
export function CartForm({ shown, kind, lineId, request, label, children, ...rest }: Props): VNode {
  const { controller, returnTo } = shown;
  return (
    <form
      class={rest.class}
      method="post"
      action="/shop/cart"
      aria-label={label}
      onSubmit={(event) => {
        if (!controller) return;
        event.preventDefault();
        void controller.change(request(new FormData(event.currentTarget, event.submitter)));
      }}
    >
      <input type="hidden" name="kind" value={kind} />
      <input type="hidden" name="return" value={returnTo} />
      {lineId && <input type="hidden" name="lineId" value={lineId} />}
      {children}
    </form>
  );
}
