import type { Dispatch, SetStateAction } from 'react';
import type { Lane } from '~/core/lane';
import { useState } from 'react';
import type { Goods, Piece } from '~/core/lane';
import {
  addLink,
  checkoutLink,
  frameHtml,
  linkSpec,
  mailHtml,
  mailTo,
  plainHtml,
  scriptHtml,
  type LinkSpec,
} from '~/core/links';
import { definitionWithRole } from '~/pieces/definitions';
import { useAnswer } from '~/studio/data/query';
import { useDraft } from '~/studio/data/draft-store';
import { Segmented } from '~/studio/fields/segmented';
import { QrCode } from './qr-code';
import { SAMPLE_MARGIN, WidthHandle } from './width-handle';

const LINK = definitionWithRole('link');

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
  script: {
    label: 'HTML and script',
    help: 'Bought on the spot: the cart opens on your page. Without the script it works as a form. Your site must be on the list below.',
    file: 'buy-here.html',
    make: scriptHtml,
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

/** Which edge of a card moves, where its other one stands at a side. */
const EDGE = {
  start: { ltr: 'right', rtl: 'left' },
  center: { ltr: 'center', rtl: 'center' },
  end: { ltr: 'left', rtl: 'right' },
} as const;

const GROUNDS = { white: '#ffffff', grey: '#d9dde0', dark: '#20262b' } as const;

/** What stands in the way of buying goods by one press. */
const STOPS = {
  'sold-out': 'It is sold out now. Shoppers are told so, on the page the link leads to.',
  'too-few': 'There are fewer left than the link sells. Shoppers are told how many.',
  'needs-answers': 'Something is still to be chosen, so shoppers are led to the product first. Answer it under Where.',
} as const;

/** What a buy link can be pasted as, each with how it looks. */
export function Outputs({ id, piece, origin }: { id: string; piece: Piece; origin: string }) {
  const lane = useDraft((state) => state.lane);
  const isLive = useDraft((state) => Object.hasOwn(state.live.lane.pieces, id) && state.live.lane.pieces[id]!.on);
  const change = useDraft((state) => state.change);
  const say = useDraft((state) => state.say);
  const token = useDraft((state) => state.token);
  const goods = piece.settings['goods'] as Goods;
  const asks = piece.parts.some(({ key, on }) => key === 'variants' && on);
  /** While it is being dragged. */
  const [dragged, setDragged] = useState<number | null>(null);
  const [key, setKey] = useState<OutputKey>('add');
  const [ground, setGround] = useState<keyof typeof GROUNDS>('white');
  const [language, setLanguage] = useState(lane.shop.languages[0]!);
  const { sku, quantity, code, answers } = goods;
  const query = { sku, code, quantity, answers: JSON.stringify(answers), asks: asks ? '1' : null };
  const told = useAnswer('GET /api/studio/links', sku === '' ? null : { query });
  const facts = told.answer;
  const problem = told.problem ? `“${sku}” is not sold any more. Shape this link and choose another product.` : '';
  const shape = (
    <a className="btn" href={`/studio/bench/${id}`}>
      Shape it
    </a>
  );
  if (goods.sku === '') return <NothingSold id={id} />;
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
  const made = linkSpec(lane, LINK, { id, piece, facts, origin, language });
  const spec = dragged === null ? made : { ...made, width: dragged };
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
      {facts.problem !== null && (
        <p role="status" className="border-s-4 border-paint ps-3">
          {STOPS[facts.problem]}
        </p>
      )}
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
      {lane.shop.languages.length > 1 && (key === 'script' || key === 'html' || key === 'mail') && (
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
          <OutputPreview
            ground={ground}
            setGround={setGround}
            spec={spec}
            seen={seen}
            key={key}
            setDragged={setDragged}
            change={change}
            id={id}
          />
        )}
      </div>
    </section>
  );
}

function NothingSold({ id }: { id: string }) {
  return (
    <section className="flex flex-col items-start gap-3">
      <p>This link sells nothing yet: choose the product under Where.</p>
      <a className="btn main" href={`/studio/bench/${id}?task=where`}>
        Choose the product
      </a>
    </section>
  );
}

function OutputPreview({
  ground,
  setGround,
  spec,
  seen,
  key,
  setDragged,
  change,
  id,
}: {
  ground: 'white' | 'grey' | 'dark';
  setGround: Dispatch<SetStateAction<'white' | 'grey' | 'dark'>>;
  spec: LinkSpec;
  seen: string;
  key: 'script' | 'html' | 'mail' | 'frame';
  setDragged: Dispatch<SetStateAction<number | null>>;
  change: (recipe: (lane: Lane) => void, key?: string) => void;
  id: string;
}) {
  return (
    <div className="flex flex-col gap-2">
      <Segmented
        label="Seen on"
        options={{ white: 'White', grey: 'Grey', dark: 'Dark' }}
        value={ground}
        onChange={setGround}
      />
      <div className="relative">
        <iframe
          title="How it looks"
          sandbox="allow-same-origin"
          className="block min-h-[420px] w-full rounded-stone border border-mortar"
          onLoad={({ currentTarget }) => {
            const { body } = currentTarget.contentDocument!;
            // A whole page is as high as its window.
            if (spec.shape !== 'page') currentTarget.style.height = `${body.scrollHeight + 2 * SAMPLE_MARGIN}px`;
          }}
          srcDoc={`<body style="margin:${SAMPLE_MARGIN}px;background:${GROUNDS[ground]};color:${ground === 'dark' ? '#fff' : '#111'}">${seen}</body>`}
        />
        {spec.shape === 'card' && key !== 'frame' && (
          <WidthHandle
            width={spec.width}
            edge={EDGE[spec.align][spec.direction]}
            onDrag={setDragged}
            onDrop={(width) => {
              setDragged(null);
              change((draft) => void (draft.pieces[id]!.settings['width'] = width));
            }}
          />
        )}
      </div>
      {spec.shape === 'card' && key !== 'frame' && (
        <p className="help">Drag the yellow edge: {spec.width} pixels wide.</p>
      )}
    </div>
  );
}
