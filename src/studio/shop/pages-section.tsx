import { useEffect, useState } from 'react';
import { LETTERS } from '~/core/limits';
import { movePage, pageSlug, textPage } from '~/core/lane';
import { directionOf } from '~/core/words';
import { piecesInTexts } from '../text/pieces-in-texts';
import { RichField } from '../text/rich-field';
import { Tick } from '~/studio/fields/tick';
import { TextField } from '~/studio/fields/fields';
import { LanguageChoice } from '~/studio/fields/language-choice';
import type { SectionProps } from './section';

/** Pages of the owner's own, such as a guide: texts with live facts, and pieces that stand in them. */
export function PagesSection({ lane, change, onShow }: SectionProps) {
  const [language, setLanguage] = useState(lane.shop.languages[0]!);
  const [chosen, choose] = useState<string | null>(() => Object.keys(lane.pages)[0] ?? null);
  const page = chosen === null ? undefined : lane.pages[chosen];
  const titleOf = (slug: string) => textPage(lane, lane.pages[slug]!, language).title || slug;
  useEffect(() => onShow?.(page ? `/shop/pages/${chosen}` : null), [chosen, page === undefined]);

  function add(): void {
    const slug = pageSlug('New page', Object.keys(lane.pages));
    change((draft) => {
      const [first] = draft.shop.languages;
      draft.pages[slug] = { on: true, inFooter: true, formerly: [], title: { [first!]: 'New page' }, text: {} };
    });
    choose(slug);
  }

  /** The address follows the title while the page is new to shoppers: it is the owner's to choose. */
  function rename(slug: string, wanted: string): void {
    const next = pageSlug(
      wanted,
      Object.keys(lane.pages).filter((other) => other !== slug),
    );
    if (next === slug) return;
    change((draft) => movePage(draft, slug, next));
    choose(next);
  }

  return (
    <>
      <p className="help">
        A page for a guide, a size table, a story. In its text stand live facts of products, and pieces whose place
        under Where is “Only where a text names it”.
      </p>
      <div className="flex flex-wrap gap-1">
        {Object.keys(lane.pages).map((slug) => (
          <button key={slug} className="btn" aria-pressed={slug === chosen} onClick={() => choose(slug)}>
            {titleOf(slug)}
          </button>
        ))}
        <button className="btn" onClick={add}>
          New page
        </button>
      </div>
      {page && chosen !== null && (
        <section aria-label={titleOf(chosen)} className="flex flex-col gap-4" key={`${chosen} ${language}`}>
          <LanguageChoice languages={lane.shop.languages} value={language} onChange={setLanguage} />
          <TextField
            label="Title"
            maxLength={LETTERS.pageTitle}
            dir={directionOf(language)}
            value={page.title[language] ?? ''}
            onChange={(title) =>
              change((draft) => void (draft.pages[chosen]!.title[language] = title), `page ${chosen} title ${language}`)
            }
          />
          <div className="flex items-end gap-2">
            <p className="min-w-0 flex-1">
              Address: <code>/shop/pages/{chosen}</code>
            </p>
            <button className="btn" onClick={() => rename(chosen, page.title[lane.shop.languages[0]!] ?? chosen)}>
              Take it from the title
            </button>
          </div>
          <RichField
            label="Text"
            help="What a product fact says is always as the catalogue has it."
            rows={14}
            most={40_000}
            dir={directionOf(language)}
            pieces={piecesInTexts(lane)}
            value={page.text[language] ?? ''}
            onChange={(text) =>
              change((draft) => void (draft.pages[chosen]!.text[language] = text), `page ${chosen} text ${language}`)
            }
          />
          <Tick
            label="Shoppers can see it"
            checked={page.on}
            onChange={(on) => change((draft) => void (draft.pages[chosen]!.on = on))}
          />
          <Tick
            label="Linked at the foot of every page"
            checked={page.inFooter}
            onChange={(inFooter) => change((draft) => void (draft.pages[chosen]!.inFooter = inFooter))}
          />
          <button
            className="btn self-start text-brick"
            onClick={() => {
              change((draft) => void delete draft.pages[chosen]);
              choose(Object.keys(lane.pages).find((slug) => slug !== chosen) ?? null);
            }}
          >
            Delete this page
          </button>
        </section>
      )}
    </>
  );
}
