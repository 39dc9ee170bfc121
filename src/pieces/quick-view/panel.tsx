/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { useRef, useState } from 'preact/hooks';
import { firstChoices, resolveVariant } from '~/core/catalogue/choose';
import type { Product } from '~/core/catalogue';
import { directionOf } from '~/runtime/kit/shadow';
import { Icon } from '~/runtime/kit/icons';
import type { MountedOptions, OptionsState } from '~/pieces/_options/mount';
import type { PieceHost } from '~/runtime/piece-host';
import type { QuickViewPiece } from './definition';
import { Gallery } from './gallery';
import { Part } from './parts';

interface Props {
  readonly slug: string | null;
  /** undefined while it is fetched, null when that failed. */
  readonly product: Product | null | undefined;
  readonly piece: QuickViewPiece;
  readonly host: PieceHost;
  readonly previous: (() => void) | null;
  readonly next: (() => void) | null;
}

export function Panel({ slug, product, piece, host, previous, next }: Props): VNode {
  const { settings, words } = piece;
  const columns = [settings.pictureShare, 100 - settings.pictureShare];
  if (settings.layout === 'right') columns.reverse();
  const style = {
    '--width': `${settings.width}px`,
    '--backdrop': String(settings.backdrop / 100),
    '--blur': `${settings.blur}px`,
    '--columns': columns.map((share) => `minmax(0, ${share}fr)`).join(' '),
  };
  return (
    <dialog
      tabIndex={-1}
      data-slot="panel"
      data-part=""
      dir={directionOf(host.language)}
      lang={host.language}
      aria-label={product?.name ?? words.open}
      data-motion={settings.motion}
      data-after-add={settings.afterAdd}
      data-phone-full={settings.phoneFull || undefined}
      style={style}
    >
      <div class="bar">
        {settings.neighbours && (previous || next) && (
          <>
            <button class="round turn" aria-label={words.previous} disabled={!previous} onClick={() => previous?.()}>
              <Icon name="back" />
            </button>
            <button class="round turn" aria-label={words.next} disabled={!next} onClick={() => next?.()}>
              <Icon name="forth" />
            </button>
          </>
        )}
        {(settings.cross || (settings.phoneFull && host.device === 'phone')) && (
          <button class="round" data-slot="close" aria-label={words.close} onClick={host.surfaces.close}>
            <Icon name="close" />
          </button>
        )}
      </div>
      {product ? (
        <Body key={product.slug} product={product} piece={piece} host={host} />
      ) : (
        <Waiting slug={slug} failed={product === null} piece={piece} />
      )}
    </dialog>
  );
}

function Waiting({ slug, failed, piece }: { slug: string | null; failed: boolean; piece: QuickViewPiece }): VNode {
  const word = failed ? 'failed' : 'loading';
  return (
    <div class="wait" role="status">
      <p data-word={word}>{piece.words[word]}</p>
      {failed && (
        <a class="link" href={`/shop/p/${slug}`}>
          {piece.words.link}
        </a>
      )}
    </div>
  );
}

function Body({ product, piece, host }: { product: Product; piece: QuickViewPiece; host: PieceHost }): VNode {
  const [choices, choose] = useState(() => firstChoices(product));
  const [quantity, setQuantity] = useState(1);
  const [answered, onAnswer] = useState<OptionsState | null>(null);
  const options = useRef<MountedOptions | null>(null);
  const found = resolveVariant(product, choices);
  const variant = found.ok ? found.value : null;
  const { shows, layout } = piece.settings;
  const parts = piece.parts.filter((part) => !part.hideOn.includes(host.device));
  return (
    <div class="body" data-layout={layout} data-shows={shows}>
      {shows !== 'details' && <Gallery product={product} chosen={variant?.picture?.src ?? null} piece={piece} />}
      {shows !== 'picture' && (
        <div class="details">
          {parts.map((part) => (
            <Part
              key={part.key}
              name={part.key}
              product={product}
              variant={variant}
              choices={choices}
              choose={choose}
              quantity={quantity}
              setQuantity={setQuantity}
              answered={answered}
              onAnswer={onAnswer}
              options={options}
              piece={piece}
              host={host}
            />
          ))}
        </div>
      )}
    </div>
  );
}
