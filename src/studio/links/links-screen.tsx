import { useEffect, useState } from 'react';
import { addPiece, pieceName, type Goods, type Piece } from '~/core/lane';
import {
  addLink,
  checkoutLink,
  frameHtml,
  linkSpec,
  mailHtml,
  mailTo,
  plainHtml,
  type LinkFacts,
  type LinkSpec,
} from '~/core/links';
import { currencyOf, formatMoney } from '~/core/money';
import { definitionOf, definitions } from '~/pieces/registry';
import { ask } from '../shared/api';
import { useDraft } from '../shared/draft-store';
import { Segmented } from '../shared/segmented';
import { Shell } from '../shared/shell';
import type { ShellData } from '../shared/studio-data';
import { QrCode } from './qr-code';

const KIND = 'buy-link';

interface Output {
  readonly label: string;
  readonly help: string;
  readonly file: string;
  readonly make: (spec: LinkSpec) => string;
}

const OUTPUTS = {
  add: { label: 'Link', help: 'For a post, a message or a button you have already.', file: 'link.txt', make: addLink },
  checkout: {
    label: 'Link to the checkout',
    help: 'The same goods, and straight on to paying.',
    file: 'checkout-link.txt',
    make: checkoutLink,
  },
  html: {
    label: 'HTML without script',
    help: 'For a page of your own. It shows the price of today; make it anew when that changes.',
    file: 'buy.html',
    make: plainHtml,
  },
  mail: {
    label: 'HTML for mail',
    help: 'Tables and styles in the tags, as mail programs want them.',
    file: 'mail.html',
    make: mailHtml,
  },
  frame: {
    label: 'Frame',
    help: 'Always as your shop has it now, price and looks. Your site must be on the list below.',
    file: 'frame.html',
    make: frameHtml,
  },
} as const satisfies Readonly<Record<string, Output>>;
type OutputKey = keyof typeof OUTPUTS;

const GROUNDS = { white: '#ffffff', grey: '#d9dde0', dark: '#20262b' } as const;

interface Props {
  readonly shell: ShellData;
  /** Id of the piece that was asked for. */
  readonly chosen: string | null;
  /** Of the shop. */
  readonly origin: string;
  /** What came of each in the last days, by id; one that nobody used is not there. */
  readonly earned: Readonly<Record<string, Earned>>;
  readonly days: number;
}

interface Earned {
  readonly visits: number;
  readonly orders: number;
  readonly revenueMinor: number;
}

export function LinksScreen(props: Props) {
  return (
    <Shell data={props.shell} room="links">
      <Screen {...props} />
    </Shell>
  );
}

function Screen({ chosen, origin, earned, days }: Props) {
  const lane = useDraft((state) => state.lane);
  const change = useDraft((state) => state.change);
  const links = Object.entries(lane.pieces).filter(([, { kind }]) => kind === KIND);
  const [selected, select] = useState(chosen ?? links[0]?.[0] ?? null);
  const piece = selected === null ? undefined : lane.pieces[selected];
  function add(): void {
    let id = '';
    change((draft) => {
      id = addPiece(draft, definitionOf(KIND)!);
      draft.pieces[id]!.on = true;
      draft.pieces[id]!.where.spot = 'elsewhere';
    });
    select(id);
  }
  return (
    <div className="flex flex-col gap-4 px-7 py-6">
      <header className="flex flex-wrap items-baseline gap-4">
        <h1>Buy links</h1>
        <p className="help">Sell from any page, mail or printed sheet. Each link carries the whole choice.</p>
        <button className="btn main ms-auto" onClick={add}>
          New buy link
        </button>
      </header>
      {links.length === 0 && <p>There are none yet. Make one, and choose what it sells.</p>}
      <div className="grid gap-6 xl:grid-cols-[260px_minmax(0,1fr)]">
        <ul aria-label="Your buy links" className="flex flex-col gap-1">
          {links.map(([id, own]) => (
            <li key={id}>
              <button
                className="btn w-full justify-start text-start aria-pressed:border-basalt aria-pressed:bg-basalt aria-pressed:text-limestone"
                aria-pressed={id === selected}
                onClick={() => select(id)}
              >
                {pieceName(own, definitions)} · {(own.settings['goods'] as Goods).sku || 'nothing yet'}
              </button>
            </li>
          ))}
        </ul>
        {piece?.kind === KIND && selected !== null && (
          <div className="flex min-w-0 flex-col gap-6">
            <Outputs key={selected} id={selected} piece={piece} origin={origin} />
            <CameOfIt earned={earned[selected]} days={days} />
          </div>
        )}
      </div>
      <Sites />
    </div>
  );
}

/** What came of a link, and no more than is known. */
function CameOfIt({ earned, days }: { earned: Earned | undefined; days: number }) {
  const { currency, locale } = useDraft((state) => state.lane.shop);
  const money = (amount: number) => formatMoney(amount, currencyOf(currency), locale);
  return (
    <section aria-label="What came of it" className="flex flex-col gap-1 border-s-[3px] border-mortar ps-3">
      <h3 className="font-semibold">What came of it in {days} days</h3>
      {earned ? (
        <p>
          Used in {earned.visits} {earned.visits === 1 ? 'visit' : 'visits'}, with {earned.orders}{' '}
          {earned.orders === 1 ? 'order' : 'orders'} for {money(earned.revenueMinor)} in all.
        </p>
      ) : (
        <p>Nobody has used it yet.</p>
      )}
      <p className="help">
        Counts visits in which what it sells was put into the cart from it, and everything ordered in them. Visits of
        people who ask not to be recorded are not counted.
      </p>
    </section>
  );
}

/** The sites that may show the shop's pieces in a frame; one a line. */
function Sites() {
  const sites = useDraft((state) => state.lane.shop.sites);
  const change = useDraft((state) => state.change);
  const [problem, setProblem] = useState('');
  function take(typed: string): void {
    const wanted = typed.split(/\s+/).filter(Boolean);
    const read = wanted.map((one) => (URL.canParse(one) ? new URL(one).origin : null));
    const wrong = wanted.find((_, i) => !/^https?:/.test(read[i] ?? ''));
    setProblem(wrong ? `“${wrong}” is no address of a site. Write it as https://blog.example.` : '');
    if (!wrong) change((draft) => void (draft.shop.sites = [...new Set(read as string[])]));
  }
  return (
    <label className="flex max-w-xl flex-col gap-1">
      <span className="font-semibold">Sites that may show a frame</span>
      <span className="help">One a line, such as https://blog.example. Links and HTML work on every site.</span>
      <textarea
        key={sites.join()}
        className="field"
        rows={3}
        defaultValue={sites.join('\n')}
        onBlur={(event) => take(event.target.value)}
      />
      {problem && (
        <span role="alert" className="text-brick">
          {problem}
        </span>
      )}
    </label>
  );
}

function Outputs({ id, piece, origin }: { id: string; piece: Piece; origin: string }) {
  const lane = useDraft((state) => state.lane);
  const isLive = useDraft((state) => Object.hasOwn(state.live.lane.pieces, id) && state.live.lane.pieces[id]!.on);
  const say = useDraft((state) => state.say);
  const token = useDraft((state) => state.token);
  const goods = piece.settings['goods'] as Goods;
  const [facts, setFacts] = useState<LinkFacts | null>(null);
  const [problem, setProblem] = useState('');
  const [key, setKey] = useState<OutputKey>('add');
  const [ground, setGround] = useState<keyof typeof GROUNDS>('white');
  const [language, setLanguage] = useState(lane.shop.languages[0]!);
  useEffect(() => {
    setFacts(null);
    setProblem('');
    if (goods.sku === '') return;
    const query = new URLSearchParams({ sku: goods.sku, quantity: String(goods.quantity), code: goods.code });
    ask<LinkFacts>(`/api/studio/links?${query}`).then(setFacts, () =>
      setProblem(`“${goods.sku}” is not sold any more. Shape this link and choose another product.`),
    );
  }, [goods.sku, goods.quantity, goods.code]);
  const shape = (
    <a className="btn" href={`/studio/bench/${id}`}>
      Shape it
    </a>
  );
  if (goods.sku === '')
    return (
      <section className="flex flex-col items-start gap-3">
        <p>This link sells nothing yet: choose the product under Where.</p>
        <a className="btn main" href={`/studio/bench/${id}?task=where`}>
          Choose the product
        </a>
      </section>
    );
  if (problem)
    return (
      <section className="flex flex-col items-start gap-3">
        <p role="alert" className="text-brick">
          {problem}
        </p>
        {shape}
      </section>
    );
  if (!facts) return <p role="status">Reading the catalogue …</p>;
  const spec = linkSpec(lane, definitionOf(KIND)!, { id, piece, facts, origin, language });
  const output: Output = OUTPUTS[key];
  const text = output.make(spec);
  // A frame is seen here as the draft has it; on other sites it is as the shop has it.
  const seen = text.replace(`/shop/embed?piece=${id}"`, `/shop/embed?draft=${token}&shape=${id}"`);
  return (
    <section aria-label={`${facts.name} elsewhere`} className="flex min-w-0 flex-col gap-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2>{facts.name}</h2>
        <span>{facts.price}</span>
        {shape}
        {!isLive && (
          <p role="status" className="border-s-4 border-paint ps-3">
            Not published yet. Links work at once; a frame is seen by others when you have published.
          </p>
        )}
      </div>
      <div role="group" aria-label="What you need" className="flex flex-wrap gap-1">
        {(Object.entries(OUTPUTS) as [OutputKey, Output][]).map(([name, { label }]) => (
          <button
            key={name}
            className="btn aria-pressed:border-basalt aria-pressed:bg-basalt aria-pressed:text-limestone"
            aria-pressed={name === key}
            onClick={() => setKey(name)}
          >
            {label}
          </button>
        ))}
      </div>
      <p className="help">{output.help}</p>
      {lane.shop.languages.length > 1 && (key === 'html' || key === 'mail') && (
        <label className="flex items-center gap-2">
          Words in
          <select className="field" value={language} onChange={(event) => setLanguage(event.target.value)}>
            {lane.shop.languages.map((code) => (
              <option key={code} value={code}>
                {new Intl.DisplayNames(['en'], { type: 'language' }).of(code)}
              </option>
            ))}
          </select>
        </label>
      )}
      <div className="grid gap-4 xl:grid-cols-2">
        <div className="flex min-w-0 flex-col gap-2">
          <textarea
            readOnly
            aria-label={output.label}
            className="field w-full font-mono text-[13px]"
            rows={text.includes('\n') ? 14 : 3}
            value={text}
            onFocus={(event) => event.currentTarget.select()}
          />
          <div className="flex flex-wrap gap-2">
            <button
              className="btn main"
              onClick={() =>
                void navigator.clipboard.writeText(text).then(
                  () => say('Copied.'),
                  () => say('Your browser does not let us copy. Press in the text and copy it from there.'),
                )
              }
            >
              Copy
            </button>
            <a
              className="btn"
              download={output.file}
              href={`data:text/plain;charset=utf-8,${encodeURIComponent(text)}`}
            >
              Download
            </a>
            {(key === 'add' || key === 'checkout') && (
              <>
                <a className="btn" href={mailTo(spec)}>
                  Send by mail
                </a>
                {'share' in navigator && (
                  <button className="btn" onClick={() => void navigator.share({ title: facts.name, url: text })}>
                    Share …
                  </button>
                )}
              </>
            )}
          </div>
        </div>
        {key === 'add' || key === 'checkout' ? (
          <QrCode text={text} name={goods.sku} />
        ) : (
          <div className="flex flex-col gap-2">
            <Segmented
              label="Seen on"
              options={{ white: 'White', grey: 'Grey', dark: 'Dark' }}
              value={ground}
              onChange={setGround}
            />
            <iframe
              title="How it looks"
              sandbox="allow-same-origin"
              className="min-h-[420px] w-full rounded-stone border border-mortar"
              srcDoc={`<body style="margin:16px;background:${GROUNDS[ground]};color:${ground === 'dark' ? '#fff' : '#111'}">${seen}</body>`}
            />
          </div>
        )}
      </div>
    </section>
  );
}
