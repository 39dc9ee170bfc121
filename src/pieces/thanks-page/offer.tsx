/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { fill } from '~/core/words/fill';
import { timeLeft } from '~/core/words/time-left';
import type { ThanksPagePiece } from './definition';
import { Box, Press } from './box';

export interface OfferFacts {
  readonly name: string;
  /** What its options are answered with: “Printing: None”. */
  readonly answers: readonly string[];
  readonly picture: { readonly src: string; readonly alt: string } | null;
  readonly full: string;
  readonly price: string;
  readonly isLess: boolean;
  /** As a clock of the shop says it, and for machines (ISO 8601). */
  readonly time: string;
  readonly until: string;
  /** Milliseconds, when the page was drawn. */
  readonly leftMs: number;
  readonly totalMinor: number;
  /** By its number; the popup is shown once for each. */
  readonly order: string;
}

interface Props {
  readonly piece: ThanksPagePiece;
  readonly offer: OfferFacts;
  /** Where its form is sent. */
  readonly action: string;
  readonly language: string;
  /** In the bench it stands in its place, so that all of the page can be shaped. */
  readonly isShaped: boolean;
}

/** What can be added to the order by one press. */
export function TimedOffer({ piece, offer, action, language, isShaped }: Props): VNode {
  const { words, settings } = piece;
  const isPopup = settings.offerStands === 'popup' && !isShaped;
  const [width, height] = settings.offerPicture === 'large' ? [480, 480] : [120, 120];
  return (
    <Box
      part="offer"
      slot="offer"
      data-pl-left={offer.leftMs}
      data-pl-stands={isPopup ? 'popup' : 'page'}
      data-pl-motion={settings.offerMotion}
      data-pl-once={`pl_offer_${offer.order}`}
    >
      <h2 data-word="offerTitle">{words.offerTitle}</h2>
      <div class="thanks-offer" data-picture={settings.offerPicture}>
        {offer.picture && <img src={offer.picture.src} alt={offer.picture.alt} width={width} height={height} />}
        <div>
          <p>
            <strong>{offer.name}</strong>
            {offer.answers.map((answer) => (
              <small key={answer}>{answer}</small>
            ))}
          </p>
          <p class="price">
            {offer.isLess && <s>{offer.full}</s>} <strong>{offer.price}</strong>
          </p>
        </div>
      </div>
      <p data-word="offerText">
        <time dateTime={offer.until}>{fill(words.offerText, { time: offer.time }, language)}</time>
      </p>
      <p class="thanks-left" role="timer" data-pl-clock={words.offerLeft} data-word="offerLeft" hidden={!isShaped}>
        {fill(words.offerLeft, { time: timeLeft(offer.leftMs) }, language)}
      </p>
      <div class="thanks-presses">
        <Press action={action} intent="add-after">
          <input type="hidden" name="total" value={offer.totalMinor} />
          <button class="button" data-slot="button" data-word="offerButton">
            {fill(words.offerButton, { price: offer.price }, language)}
          </button>
        </Press>
        <button
          type="button"
          class="button quiet"
          data-slot="quiet"
          data-pl-close
          data-word="offerNo"
          hidden={!isShaped || settings.offerStands === 'page'}
        >
          {words.offerNo}
        </button>
      </div>
    </Box>
  );
}
