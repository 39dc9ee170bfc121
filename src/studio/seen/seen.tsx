import { useEffect, useState } from 'react';
import { servedCountries } from '~/core/delivery';
import { STRETCH_NAMES, STRETCHES } from '~/core/funnel';
import { pieceName, sightOf, wordSight, type LookedAt } from '~/core/lane';
import type { Device } from '~/core/where';
import { definitionOf, definitions } from '~/pieces/definitions';
import { ask } from '~/studio/data/api';
import { useDraft } from '~/studio/data/draft-store';
import type { ShellData } from '~/studio/data/studio-data';
import { SelectField, TextField } from '~/studio/fields/fields';
import { LanguageChoice } from '~/studio/fields/language-choice';
import { PickedProducts } from '~/studio/fields/picked-products';
import { Segmented } from '~/studio/fields/segmented';
import { Shell } from '~/studio/shell/shell';
import { lookedAt, pagesOf, pathOf, type AskedPage, type ListedCategory } from './looked-at';

const DEVICES: Readonly<Record<Device, string>> = { phone: 'Phone', tablet: 'Tablet', desktop: 'Desktop' };

interface Props {
  readonly shell: ShellData;
  readonly categories: readonly ListedCategory[];
  readonly tags: readonly string[];
}

/** For a page and who looks at it: every piece, seen or not, and the rule that decides. */
export function SeenPage(props: Props) {
  return (
    <Shell data={props.shell} room="/studio">
      <SeenScreen {...props} />
    </Shell>
  );
}

function SeenScreen({ categories, tags }: Props) {
  const { lane, token, categoryTexts } = useDraft();
  const [asked, setAsked] = useState<AskedPage>({
    page: 'home',
    device: 'phone',
    language: lane.shop.languages[0]!,
    product: null,
    isFirstOrder: true,
    country: servedCountries(lane.shop.delivery)[0] ?? '',
    total: 50,
  });
  const at = lookedAt(asked, lane, categories, categoryTexts);
  const path = pathOf(asked);
  return (
    <div className="grid gap-6 px-[18px] py-4 lg:grid-cols-[300px_minmax(0,1fr)]">
      <section className="flex flex-col gap-3">
        <h1>Who sees what</h1>
        <p className="text-gravel">A page of the shop, and who looks at it. The draft answers.</p>
        <SelectField
          label="Page"
          value={asked.page}
          options={pagesOf(lane, categories, tags)}
          onChange={(page) => setAsked({ ...asked, page })}
        />
        {(asked.page === 'product' || asked.page === 'thanks') && (
          <ProductChoice asked={asked} onProduct={(product) => setAsked({ ...asked, product })} />
        )}
        <Segmented
          label="Device"
          options={DEVICES}
          value={asked.device}
          onChange={(device) => setAsked({ ...asked, device })}
        />
        <LanguageChoice
          languages={lane.shop.languages}
          value={asked.language}
          onChange={(language) => setAsked({ ...asked, language })}
        />
        {asked.page === 'thanks' && <OrderFields asked={asked} onChange={setAsked} />}
        {path !== null && (
          <a
            className="btn self-start"
            target="_blank"
            href={`${path}${path.includes('?') ? '&' : '?'}${new URLSearchParams({ draft: token, lang: asked.language })}`}
          >
            Look at this page
          </a>
        )}
      </section>
      {at ? <Seen at={at} /> : <p className="help">Choose a product, and what is seen on its page is told here.</p>}
    </div>
  );
}

function ProductChoice({
  asked,
  onProduct,
}: {
  readonly asked: AskedPage;
  readonly onProduct: (product: AskedPage['product']) => void;
}) {
  const [slug, setSlug] = useState(asked.product?.slug ?? null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    if (slug === null) return onProduct(null);
    const stop = new AbortController();
    setProblem(null);
    void ask('GET /api/products/[slug]', { params: { slug } }, { signal: stop.signal }).then(
      onProduct,
      (error: unknown) => {
        if (!stop.signal.aborted) setProblem((error as Error).message);
      },
    );
    return () => stop.abort();
  }, [slug]);
  return (
    <>
      <PickedProducts
        label={asked.page === 'thanks' ? 'Product that was bought' : 'Product'}
        help="Type a part of its name."
        most={1}
        slugs={slug === null ? [] : [slug]}
        onChange={(slugs) => setSlug(slugs[0] ?? null)}
      />
      {problem && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
    </>
  );
}

/** What chooses among thank-you pages. */
function OrderFields({ asked, onChange }: { asked: AskedPage; onChange: (asked: AskedPage) => void }) {
  const { lane } = useDraft();
  const names = new Intl.DisplayNames(['en'], { type: 'region' });
  return (
    <>
      <Segmented
        label="Buyer"
        options={{ first: 'First order', again: 'Bought before' }}
        value={asked.isFirstOrder ? 'first' : 'again'}
        onChange={(key) => onChange({ ...asked, isFirstOrder: key === 'first' })}
      />
      <SelectField
        label="Sent to"
        value={asked.country}
        options={servedCountries(lane.shop.delivery).map((code) => [code, names.of(code) ?? code] as const)}
        onChange={(country) => onChange({ ...asked, country })}
      />
      <TextField
        label={`Total of the order, in ${lane.shop.currency}`}
        value={String(asked.total)}
        maxLength={7}
        check={(text) => (/^\d{1,7}$/.test(text) ? null : 'Type a whole number, such as 50.')}
        onChange={(text) => onChange({ ...asked, total: Number(text) })}
      />
    </>
  );
}

function Seen({ at }: { at: LookedAt }) {
  const { lane } = useDraft();
  const sights = Object.keys(lane.pieces).map((id) => ({ id, sight: sightOf(lane, id, definitions, at) }));
  const seen = sights.filter(({ sight }) => sight.isSeen).length;
  return (
    <section aria-label="Pieces" className="flex max-w-[820px] flex-col gap-3">
      <p role="status" className="font-semibold">
        {seen === 0 ? 'No piece is seen here.' : `${seen} of ${sights.length} pieces are seen here.`}
      </p>
      {STRETCHES.map((stretch) => {
        const here = sights
          .filter(({ id }) => definitionOf(lane.pieces[id]!.kind)?.stretch === stretch)
          .sort((a, b) => Number(b.sight.isSeen) - Number(a.sight.isSeen));
        return (
          here.length > 0 && (
            <section key={stretch} aria-label={STRETCH_NAMES[stretch]}>
              <h2 className="mb-1.5">{STRETCH_NAMES[stretch]}</h2>
              <ul className="panel divide-y divide-mortar">
                {here.map(({ id, sight }) => (
                  <li key={id} className="flex items-baseline gap-3 px-4 py-2">
                    <span
                      aria-hidden
                      className={`size-2.5 flex-none rounded-full ${sight.isSeen ? 'bg-moss' : 'border border-gravel'}`}
                    />
                    <a href={`/studio/bench/${id}?task=where`} className="w-44 flex-none font-semibold">
                      {pieceName(lane.pieces[id]!, definitions)}
                    </a>
                    <span className="w-20 flex-none">{sight.isSeen ? 'seen' : 'not seen'}</span>
                    <span className="text-gravel">{wordSight(sight, lane, id, definitions)}</span>
                  </li>
                ))}
              </ul>
            </section>
          )
        );
      })}
    </section>
  );
}
