/** @jsxImportSource preact */
import type { ComponentChildren, VNode } from 'preact';
import { useEffect, useRef, useState } from 'preact/hooks';
import type { LineView } from '~/core/cart';
import { isSoldOut, resolveVariant, valuesOf, type Choices } from '~/core/catalogue/choose';
import type { Product } from '~/core/catalogue';
import { priceChoice } from '~/core/pricing/receipt/price-choice';
import type { Answers } from '~/core/options/answers';
import { effectSums } from '~/core/options/effects';
import { fill } from '~/core/words/fill';
import { Icon } from '~/runtime/kit/icons';
import { directionOf } from '~/runtime/kit/shadow';
import { mountOptions, type MountedOptions } from '~/pieces/_options/mount';
import type { PieceHost } from '~/runtime/piece-host';
import type { LineEditorPiece } from './definition';

interface Props {
  readonly line: LineView;
  /** undefined while it is fetched, null when it is gone. */
  readonly product: Product | null | undefined;
  readonly piece: LineEditorPiece;
  readonly host: PieceHost;
  readonly isDialog: boolean;
  readonly refusal: string;
  readonly money: (amountMinor: number) => string;
  readonly onSave: (variantId: number, answers: Answers) => void;
  readonly onLeave: () => void;
}

export function Editor(props: Props): VNode {
  const { product, piece, host, isDialog, line, onLeave } = props;
  const { words, settings } = piece;
  const heading = fill(words.heading, { name: line.name });
  const hasHeading = piece.parts.some((part) => part.key === 'heading' && !part.hideOn.includes(host.device));
  const common = {
    class: 'ed',
    'data-slot': 'panel',
    'data-part': '',
    'data-form': settings.form,
    dir: directionOf(host.language),
    lang: host.language,
    'aria-label': heading,
  };
  const inside: ComponentChildren = (
    <>
      {isDialog && (
        <div class="head">
          {hasHeading && (
            <div data-part="heading">
              <h2 data-word="heading">{heading}</h2>
            </div>
          )}
          <button type="button" class="close" aria-label={words.close} onClick={onLeave}>
            <Icon name="close" />
          </button>
        </div>
      )}
      {product ? (
        <Body key={line.id} {...props} product={product} heading={heading} />
      ) : (
        <p role="status">{product === null ? words.gone : words.loading}</p>
      )}
    </>
  );
  if (!isDialog) return <section {...common}>{inside}</section>;
  return (
    <dialog {...common} tabIndex={-1} style={{ '--width': `${settings.width}px` }}>
      {inside}
    </dialog>
  );
}

function Body(props: Props & { product: Product; heading: string }): VNode {
  const { product, line, piece, host, money, refusal, heading, isDialog, onSave, onLeave } = props;
  const { words } = piece;
  const [choices, choose] = useState<Choices>(
    () => product.variants.find((variant) => variant.id === line.variantId)?.choices ?? {},
  );
  const [extra, setExtra] = useState({ unitMinor: 0, onceMinor: 0 });
  const options = useRef<MountedOptions | null>(null);
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!place.current || product.options.length === 0) return undefined;
    const uploads = Object.fromEntries(
      line.answerTexts.flatMap((answer) => (answer.uploadId ? [[answer.uploadId, answer.text]] : [])),
    );
    const sum = (mounted: Pick<MountedOptions, 'state'>['state']) => effectSums(mounted.evaluation.effects);
    const mounted = mountOptions({
      container: place.current,
      slug: product.slug,
      options: product.options,
      answers: line.answers,
      uploads,
      host,
      onChange: (state) => setExtra(sum(state)),
    });
    options.current = mounted;
    setExtra(sum(mounted.state));
    return () => mounted.destroy();
  }, []);
  useEffect(() => options.current?.update(host));
  const found = resolveVariant(product, choices);
  const variant = found.ok ? found.value : null;
  // What stands in the cart already may be kept, however little is left.
  const soldOut = variant !== null && variant.id !== line.variantId && isSoldOut(variant);
  const { quantity } = line;
  const now = priceChoice({
    priceMinor: Math.min(variant?.listMinor ?? variant?.priceMinor ?? 0, line.instead?.unitMinor ?? Infinity),
    wasMinor: null,
    quantity,
    extra,
  }).totalMinor;
  const isSame = now === line.fullMinor;
  const save = () => {
    if (!variant || soldOut || options.current?.complain()) return;
    onSave(variant.id, options.current?.state.answers ?? {});
  };
  const draw = (key: LineEditorPiece['parts'][number]['key']): ComponentChildren => {
    switch (key) {
      case 'heading':
        return <h2 data-word="heading">{heading}</h2>;
      case 'choices':
        return product.axes.map((axis) => (
          <fieldset key={axis}>
            <legend>{axis}</legend>
            <div class="values">
              {valuesOf(product, axis, { ...choices, [axis]: '' }).map(({ value, availability }) => (
                <label key={value} class={`value${availability === 'available' ? '' : ' gone'}`}>
                  <input
                    type="radio"
                    name={`${line.id}-${axis}`}
                    checked={choices[axis] === value}
                    onChange={() => choose({ ...choices, [axis]: value })}
                  />
                  <span>{value}</span>
                </label>
              ))}
            </div>
          </fieldset>
        ));
      case 'options':
        return product.options.length > 0 ? <div ref={place} /> : null;
      case 'price':
        return (
          <p class="price" aria-live="polite" data-word={isSame ? 'samePrice' : 'price'}>
            {fill(words[isSame ? 'samePrice' : 'price'], { amount: money(now), before: money(line.fullMinor) })}
          </p>
        );
      case 'buttons':
        return (
          <div class="buttons">
            <button type="button" data-slot="save" data-word="save" disabled={!variant || soldOut} onClick={save}>
              {soldOut ? words.soldOut : words.save}
            </button>
            <button type="button" class="leave" data-slot="second" data-word="cancel" onClick={onLeave}>
              {words.cancel}
            </button>
          </div>
        );
    }
  };
  return (
    <>
      {piece.parts
        .filter((part) => !part.hideOn.includes(host.device) && (part.key !== 'heading' || !isDialog))
        .map(({ key }) => (
          <div key={key} data-part={key}>
            {draw(key)}
          </div>
        ))}
      {refusal && (
        <p class="bad" role="alert">
          {refusal}
        </p>
      )}
    </>
  );
}
