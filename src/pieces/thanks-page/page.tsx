/** @jsxImportSource preact */
import { Downloads, Summary, Share, Delivery, Birthday } from './parts';
import type { VNode } from 'preact';
import type { SayShop } from '~/core/words';
import { fill } from '~/core/words/fill';
import type { ThanksPiece } from '../_thanks/shared';
import { Box, Press } from './box';
import type { ThanksShown } from '../_thanks/shown';
import { TimedOffer } from './offer';

interface Props {
  readonly piece: ThanksPiece;
  readonly facts: ThanksShown;
  readonly say: SayShop;
  readonly language: string;
  /** In the bench: a part that has nothing to show for this order says so. */
  readonly isShaped: boolean;
}

/** The page that thanks for an order, as the server draws it: everything works without script. */
export function ThanksPage({ piece, facts, say, language, isShaped }: Props): VNode {
  const { columns, width } = piece.settings;
  const keys = piece.parts.map(({ key }) => key);
  const at = keys.indexOf('side');
  const [main, side] = at < 0 || columns === 'one' ? [keys, []] : [keys.slice(0, at), keys.slice(at + 1)];
  const part = (key: string) => (
    <Part key={key} part={key} piece={piece} facts={facts} say={say} language={language} isShaped={isShaped} />
  );
  return (
    <div class="thanks" data-columns={side.length > 0 ? columns : 'one'} data-set={columns} data-width={width}>
      {facts.said !== null && (
        <p class="notice" role="status">
          {facts.said}
        </p>
      )}
      <div class="thanks-main">{main.filter((key) => key !== 'side').map(part)}</div>
      {side.length > 0 && (
        <div class="thanks-side" data-part="side">
          {side.map(part)}
        </div>
      )}
    </div>
  );
}

export type PartProps = Props & { readonly part: string };

function Part(props: PartProps): VNode | null {
  const drawn = draw(props);
  if (drawn !== null || !props.isShaped) return drawn;
  return (
    <p class="lead" data-part={props.part} lang="en">
      {EMPTY[props.part] ?? 'Nothing to show for this order.'}
    </p>
  );
}

/** What the owner is told in the bench of a part that has nothing to show. */
const EMPTY: Readonly<Record<string, string>> = {
  offer:
    'The offer: choose what is offered. It is not shown when it is over, packed, sold out or in the order already.',
  downloads: 'Downloads: this order has none.',
  coupon: 'A code for next time: choose which offer. Orders from then on get one.',
  birthday: 'The birthday: this buyer has answered already.',
  voices: 'Words of buyers: nobody has said anything good of what was bought yet.',
  share: 'Telling others: what was bought is not sold any more.',
  reorder: 'Ordering again: what was bought is not sold any more.',
};

function draw({ part, piece, facts, say, language, isShaped }: PartProps): VNode | null {
  const { words, settings } = piece;
  const { action } = facts;
  switch (part) {
    case 'thanks':
      return (
        <header
          class="thanks-head"
          data-part="thanks"
          data-shopper={settings.shopper}
          data-from={settings.fromTotal}
          data-to={settings.countries}
        >
          <h1>{say('thanks', { name: facts.name })}</h1>
          {facts.states.map((state) => (
            <p key={state} class="lead">
              {state}
            </p>
          ))}
          <p>
            <strong>{facts.number}</strong> · {facts.orderedOn}
          </p>
        </header>
      );
    case 'message':
      return (
        <section class="thanks-message" data-part="message">
          {settings.picture && <img src={settings.picture} alt="" />}
          <div class="rich" data-word="message" dangerouslySetInnerHTML={{ __html: facts.messageHtml }} />
        </section>
      );
    case 'offer':
      return facts.added !== null ? (
        <Box part="offer" slot="offer">
          <p role="status" data-word="offerDone">
            {fill(words.offerDone, { price: facts.added }, language)}
          </p>
        </Box>
      ) : facts.offer === null ? null : (
        <TimedOffer offer={facts.offer} action={facts.action} piece={piece} language={language} isShaped={isShaped} />
      );
    case 'downloads':
      return facts.downloads.length === 0 ? null : <Downloads say={say} facts={facts} />;
    case 'summary':
      return <Summary say={say} facts={facts} />;
    case 'delivery':
      return <Delivery facts={facts} say={say} />;
    case 'next':
      return (
        <section class="rich" data-part="next" data-word="next" dangerouslySetInnerHTML={{ __html: facts.nextHtml }} />
      );
    case 'coupon':
      return facts.code === null ? null : (
        <Box part="coupon">
          <h2 data-word="couponTitle">{words.couponTitle}</h2>
          <p class="thanks-code">
            <bdi>{facts.code}</bdi>
          </p>
          <p data-word="couponText">{words.couponText}</p>
        </Box>
      );
    case 'reorder':
      return !facts.canReorder ? null : (
        <Box part="reorder" id="reorder">
          <h2 data-word="reorderTitle">{words.reorderTitle}</h2>
          {facts.reorderOff !== null && (
            <p data-word="reorderOff">{fill(words.reorderOff, { off: facts.reorderOff })}</p>
          )}
          <Press action={action} intent="reorder">
            <button class="button" data-slot="button" data-word="reorderButton">
              {words.reorderButton}
            </button>
          </Press>
        </Box>
      );
    case 'birthday':
      return facts.months === null ? null : <Birthday facts={facts} words={words} say={say} months={facts.months} />;
    case 'share':
      return facts.mail === null ? null : <Share words={words} href={facts.mail} />;
    case 'voices':
      return facts.voices.length === 0 ? null : (
        <section class="thanks-voices" data-part="voices">
          <h2 data-word="voicesTitle">{words.voicesTitle}</h2>
          {facts.voices.map(({ text, author, product, href }) => (
            <blockquote key={text}>
              <p>{text}</p>
              <footer>
                {author} · <a href={href}>{product}</a>
              </footer>
            </blockquote>
          ))}
        </section>
      );
    case 'back':
      return (
        <p data-part="back">
          <a class="button quiet" data-slot="quiet" href={facts.backHref}>
            {say('backToShop')}
          </a>
        </p>
      );
    default:
      return null;
  }
}
