/** @jsxImportSource preact */
import { Fragment, type VNode } from 'preact';
import { useEffect, useRef } from 'preact/hooks';
import { MOST_PER_LINE } from '~/core/limits';
import type { LineView } from '~/core/cart';
import { fill } from '~/core/words/fill';
import type { CartWord } from './words';
import { Icon } from '~/runtime/kit/icons';
import type { CartShown } from './cart-controller';
import { CartForm } from './form';
import { SaidLine } from './said';

export interface LinesProps {
  readonly shown: CartShown;
  readonly words: Readonly<
    Record<
      Extract<
        CartWord,
        'remove' | 'undo' | 'fewer' | 'further' | 'quantity' | 'change' | 'moreAnswers' | 'deliveryFree'
      >,
      string
    >
  >;
  readonly settings: { readonly pictures: boolean; readonly stepper: boolean; readonly dividers?: boolean };
  readonly lay?: 'table' | 'cards';
  /** What stands below a line. */
  readonly below?: (line: LineView) => VNode | null;
}

/** The quantity a form asks for: the number in its field, and the step of the button that was pressed. */
function wanted(fields: FormData, before: number): number {
  const typed = Math.round(Number(fields.get('quantity'))) || before;
  return Math.max(1, Math.min(MOST_PER_LINE, typed + Number(fields.get('step') ?? 0)));
}

/** What is in the cart. */
export function Lines(props: LinesProps): VNode {
  const { shown, settings, lay = 'cards' } = props;
  return (
    <ul class={`lines${settings.dividers ? ' divided' : ''}`} data-lay={lay}>
      {shown.cart.lines.map((line, i) => (
        <Fragment key={line.id}>
          <Removed {...props} at={i} />
          <Line {...props} line={line} />
        </Fragment>
      ))}
      <Removed {...props} at={shown.cart.lines.length} />
      {shown.cart.gifts.map(({ offerId, offer, name, choices, picture, quantity, valueMinor, gone }) => (
        <li key={offerId} class={settings.pictures ? '' : 'plain'}>
          {settings.pictures && <Picture src={picture?.src} />}
          <div class="text">
            {quantity} × {name} {choices}
            <small>{offer}</small>
            {gone && <p class="problem">{gone}</p>}
          </div>
          {!gone && <Sum money={shown.money} now={0} was={valueMinor} free={props.words.deliveryFree} />}
        </li>
      ))}
    </ul>
  );
}

/** In the place of a removed line: what was done, and the button that undoes it. */
function Removed({ shown, words, at }: LinesProps & { at: number }): VNode | null {
  if (shown.controller?.said?.at !== at) return null;
  return (
    <li class="removed">
      <SaidLine controller={shown.controller} undo={words.undo} at={at} />
    </li>
  );
}

/** More answers than these fold. */
const MOST_ANSWERS = 2;

function AnswerLines({
  line,
  words,
  language,
}: {
  line: LineView;
  words: LinesProps['words'];
  language: string;
}): VNode {
  const lines = line.answerTexts.map((answer) => (
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
  ));
  if (lines.length <= MOST_ANSWERS + 1) return <>{lines}</>;
  return (
    <>
      {lines.slice(0, MOST_ANSWERS)}
      <details class="folded">
        <summary>{fill(words.moreAnswers, { count: lines.length - MOST_ANSWERS }, language)}</summary>
        {lines.slice(MOST_ANSWERS)}
      </details>
    </>
  );
}

function Picture({ src }: { src: string | undefined }): VNode {
  return src ? <img src={src} alt="" width="96" height="96" /> : <span class="none" />;
}

function Sum(props: { money: CartShown['money']; now: number; was: number; free: string }): VNode {
  const { money, now, was, free } = props;
  return (
    <strong class="sum">
      {now < was && <s>{money(was)}</s>} {now < was && now === 0 ? free : money(now)}
    </strong>
  );
}

function Line({ line, shown, words, settings, below }: LinesProps & { line: LineView }): VNode {
  const { controller, money } = shown;
  const editor = useRef<HTMLDivElement>(null);
  const href = `/shop/p/${line.slug}`;
  const self = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (controller?.takeFocus(line.id))
      self.current?.querySelector<HTMLElement>('.acts :is(input, button, a)')?.focus();
  }, []);
  return (
    <li ref={self} class={settings.pictures ? '' : 'plain'} data-line={line.id}>
      {settings.pictures && <Picture src={line.picture?.src} />}
      <div class="text">
        <a href={href}>{line.name}</a>
        {line.choices && <small>{line.choices}</small>}
        <AnswerLines line={line} words={words} language={shown.language} />
        {line.arrival && <small>{line.arrival}</small>}
        {line.problem && <p class="problem">{line.problem}</p>}
      </div>
      <Sum money={money} now={line.lineMinor} was={line.fullMinor} free={words.deliveryFree} />
      <div class="acts">
        {settings.stepper ? (
          <CartForm
            shown={shown}
            kind="set"
            lineId={line.id}
            class="steps"
            label={line.name}
            request={(fields) => ({ kind: 'set', lineId: line.id, quantity: wanted(fields, line.quantity) })}
          >
            {/* Enter in the field presses the first button of the form: one that does not step. */}
            <button class="enter" tabIndex={-1} aria-hidden="true" />
            <button name="step" value="-1" aria-label={words.fewer} disabled={line.quantity <= 1}>
              <Icon name="minus" size={16} />
            </button>
            <input
              type="number"
              name="quantity"
              min="1"
              max={MOST_PER_LINE}
              inputMode="numeric"
              aria-label={words.quantity}
              value={line.quantity}
              onChange={(event) => controller && event.currentTarget.form?.requestSubmit()}
            />
            <button name="step" value="1" aria-label={words.further}>
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
            onClick={(event) => controller?.edit(line, editor.current, event.currentTarget) && event.preventDefault()}
          >
            {words.change}
          </a>
        )}
        <form
          method="post"
          action="/shop/cart"
          onSubmit={(event) => {
            if (!controller) return;
            event.preventDefault();
            controller.remove(line);
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
      {below?.(line)}
      <div class="editor" ref={editor} />
    </li>
  );
}
