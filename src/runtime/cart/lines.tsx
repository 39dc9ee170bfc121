/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useRef } from 'preact/hooks';
import type { CartLineView } from '~/core/cart';
import type { CartWord } from '~/pieces/cart-surface/definition';
import { Icon } from '../kit/icons';
import type { CartShown } from './desk';
import { CartForm } from './form';

interface LinesProps {
  readonly shown: CartShown;
  readonly words: Readonly<Record<Extract<CartWord, 'remove' | 'fewer' | 'further' | 'change'>, string>>;
  readonly settings: { readonly pictures: boolean; readonly stepper: boolean; readonly dividers?: boolean };
  readonly lay?: 'table' | 'cards';
}

/** What is in the cart. */
export function Lines(props: LinesProps): VNode {
  const { shown, settings, lay = 'cards' } = props;
  return (
    <ul class={`lines${settings.dividers ? ' divided' : ''}`} data-lay={lay}>
      {shown.cart.lines.map((line) => (
        <Line key={line.id} {...props} line={line} />
      ))}
    </ul>
  );
}

function Line({ line, shown, words, settings }: LinesProps & { line: CartLineView }): VNode {
  const { desk, money } = shown;
  const editor = useRef<HTMLDivElement>(null);
  const href = `/shop/p/${line.slug}`;
  return (
    <li class={settings.pictures ? '' : 'plain'} data-line={line.id}>
      {settings.pictures &&
        (line.picture ? <img src={line.picture.src} alt="" width="96" height="96" /> : <span class="none" />)}
      <div class="text">
        <a href={href}>{line.name}</a>
        {line.choices && <small>{line.choices}</small>}
        {line.answerTexts.map((answer) => (
          <small key={answer.key}>
            {answer.label}:{' '}
            {answer.uploadId ? (
              <a href={`/api/uploads/${answer.uploadId}`} target="_blank" rel="noreferrer">
                {answer.text}
              </a>
            ) : (
              answer.text
            )}
          </small>
        ))}
        {line.problem && <p class="problem">{line.problem}</p>}
      </div>
      <strong class="sum">{money(line.totalMinor)}</strong>
      <div class="acts">
        {settings.stepper ? (
          <CartForm
            shown={shown}
            kind="set"
            lineId={line.id}
            class="steps"
            label={line.name}
            request={(fields) => ({ kind: 'set', lineId: line.id, quantity: Number(fields.get('quantity')) })}
          >
            <button name="quantity" value={line.quantity - 1} aria-label={words.fewer} disabled={line.quantity <= 1}>
              <Icon name="minus" size={16} />
            </button>
            <output aria-live="polite">{line.quantity}</output>
            <button name="quantity" value={line.quantity + 1} aria-label={words.further}>
              <Icon name="plus" size={16} />
            </button>
          </CartForm>
        ) : (
          <small>× {line.quantity}</small>
        )}
        {line.isChangeable && (
          <a
            class="act"
            data-slot="remove"
            data-word="change"
            href={`/shop/change/${line.id}?return=${encodeURIComponent(shown.returnTo)}`}
            aria-label={`${words.change}: ${line.name}`}
            onClick={(event) => desk?.edit(line, editor.current, event.currentTarget) && event.preventDefault()}
          >
            {words.change}
          </a>
        )}
        <form
          method="post"
          action="/shop/cart"
          onSubmit={(event) => {
            if (!desk) return;
            event.preventDefault();
            desk.remove(line);
          }}
        >
          <input type="hidden" name="kind" value="remove" />
          <input type="hidden" name="return" value={shown.returnTo} />
          <input type="hidden" name="lineId" value={line.id} />
          <button class="act" data-slot="remove" data-word="remove" aria-label={`${words.remove}: ${line.name}`}>
            {words.remove}
          </button>
        </form>
      </div>
      <div class="editor" ref={editor} />
    </li>
  );
}
