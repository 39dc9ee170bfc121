/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { fill } from '~/core/words/fill';
import { timeLeft } from '~/core/words/time-left';
import type { ThanksPiece } from '../_thanks/shared';
import type { AfterOfferShown } from '../_thanks/shown';
import { Box, Press } from './box';

interface Props {
  readonly piece: ThanksPiece;
  readonly offer: AfterOfferShown;
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
