/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { SayShop } from '~/core/words';
import type { ThanksPiece } from '../_thanks/shared';
import { Box, Press } from './box';
import type { ThanksShown } from '../_thanks/shown';

export function Downloads({ say, facts }: { say: SayShop; facts: ThanksShown }) {
  return (
    <Box part="downloads">
      <h2>{say('downloads')}</h2>
      <ul class="downloads">
        {facts.downloads.map(({ name, left, action }) => (
          <li key={action ?? name}>
            <span>
              <strong>{name}</strong>
              <small>{left}</small>
            </span>
            {action !== null && (
              <form method="post" action={action}>
                <button class="button" data-slot="button">
                  {say('download')}
                </button>
              </form>
            )}
          </li>
        ))}
      </ul>
    </Box>
  );
}

export function Summary({ say, facts }: { say: SayShop; facts: ThanksShown }) {
  return (
    <Box part="summary">
      <h2>{say('ordered')}</h2>
      <ul class="summary-lines">
        {facts.lines.map(({ quantity, name, notes, amount, was }, i) => (
          <li key={i}>
            <span>
              {quantity} × {name}
              {notes.map((note) => (
                <small key={note}>{note}</small>
              ))}
            </span>
            <strong>
              {was !== null && <s>{was}</s>} {amount}
            </strong>
          </li>
        ))}
      </ul>
      <dl class="totals">
        {facts.sums.map(({ kind, label, amount }) => (
          <div key={`${kind} ${label}`} class={kind === 'total' ? 'sum' : kind === 'taxWithin' ? 'tax' : undefined}>
            <dt>{label}</dt>
            <dd>{amount}</dd>
          </div>
        ))}
      </dl>
      {facts.cameOff !== null && <p class="notice">{facts.cameOff}</p>}
    </Box>
  );
}

/** Tells a friend by mail: `href` opens it. */
export function Share({ words, href }: { words: ThanksPiece['words']; href: string }) {
  return (
    <Box part="share">
      <h2 data-word="shareTitle">{words.shareTitle}</h2>
      <p>
        <a href={href} data-word="shareButton">
          {words.shareButton}
        </a>
      </p>
    </Box>
  );
}

export function Delivery({ facts, say }: { facts: ThanksShown; say: SayShop }): VNode {
  return (
    <div class="thanks-facts" data-part="delivery">
      {facts.address.length > 0 && (
        <section>
          <h2>{say('sendTo')}</h2>
          <address>
            {facts.address.map((line) => (
              <span key={line}>
                {line}
                <br />
              </span>
            ))}
          </address>
        </section>
      )}
      {facts.delivery && (
        <section>
          <h2>{say('delivery')}</h2>
          <p>
            {facts.delivery.name}
            <br />
            {facts.delivery.days}
          </p>
        </section>
      )}
      <section>
        <h2>{say('contact')}</h2>
        <p>{facts.email}</p>
      </section>
      {facts.note && (
        <section>
          <h2>{say('note')}</h2>
          <p>{facts.note}</p>
        </section>
      )}
    </div>
  );
}

interface BirthdayProps {
  readonly facts: ThanksShown;
  readonly words: ThanksPiece['words'];
  readonly say: SayShop;
  readonly months: readonly string[];
}

export function Birthday({ facts, words, say, months }: BirthdayProps): VNode {
  return (
    <Box part="birthday">
      <h2 data-word="birthdayTitle">{words.birthdayTitle}</h2>
      <p data-word="birthdayText">{words.birthdayText}</p>
      <Press action={facts.action} intent="birthday">
        <div class="thanks-day">
          <label>
            <span>{say('day')}</span>
            <select name="day">
              {Array.from({ length: 31 }, (_, i) => (
                <option key={i}>{i + 1}</option>
              ))}
            </select>
          </label>
          <label>
            <span>{say('month')}</span>
            <select name="month">
              {months.map((name, i) => (
                <option key={name} value={i + 1}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <button class="button" data-slot="button" data-word="birthdayYes">
            {words.birthdayYes}
          </button>
        </div>
      </Press>
      <Press action={facts.action} intent="no-birthday">
        <button class="button quiet" data-slot="quiet" data-word="birthdayNo">
          {words.birthdayNo}
        </button>
      </Press>
    </Box>
  );
}
