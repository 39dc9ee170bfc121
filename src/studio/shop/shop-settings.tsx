import { useState, type ComponentType } from 'react';
import { hasSteps, useDraft } from '~/studio/data/draft-store';
import { Shell } from '~/studio/shell/shell';
import type { ShellData } from '~/studio/data/studio-data';
import { useFoundRow } from '~/studio/data/use-found-row';
import { AboutSection } from './about-section';
import { DeliverySection } from './delivery-section';
import { LegalSection } from './legal-section';
import { LookSection } from './look-section';
import { SamplePage } from './sample-page';
import { PagesSection } from './pages-section';
import type { SectionProps } from './section';
import { TaxSection } from './tax-section';
import { WordsSection } from './words-section';

export const SECTIONS = ['about', 'look', 'tax', 'delivery', 'words', 'pages', 'legal'] as const;
export type Section = (typeof SECTIONS)[number];

const ROOM: Readonly<Record<Section, { readonly label: string; readonly body: ComponentType<SectionProps> }>> = {
  about: { label: 'Shop', body: AboutSection },
  look: { label: 'Look', body: LookSection },
  tax: { label: 'Tax', body: TaxSection },
  delivery: { label: 'Delivery', body: DeliverySection },
  words: { label: 'Words', body: WordsSection },
  pages: { label: 'Pages', body: PagesSection },
  legal: { label: 'Legal pages', body: LegalSection },
};

interface Props {
  readonly shell: ShellData;
  readonly start: Section;
  /** A product to show the look on; null while there is none. */
  readonly product: string | null;
}

export function ShopSettings(props: Props) {
  return (
    <Shell data={props.shell} room="/studio/shop">
      <Screen {...props} />
    </Shell>
  );
}

function Screen({ start, product }: Props) {
  const [section, setSection] = useState(start);
  const { lane, change, undo, past } = useDraft();
  const [path, setPath] = useState<string | null>(null);
  const { body: Body } = ROOM[section];
  useFoundRow();
  return (
    <div className="grid min-h-0 grid-cols-[minmax(340px,420px)_minmax(0,1fr)] lg:grid-cols-[minmax(420px,520px)_minmax(0,1fr)]">
      <div className="flex min-w-0 flex-col gap-4 px-[18px] py-4">
        <header className="flex items-start justify-between gap-3">
          <div>
            <h1>Set up your shop</h1>
            <p className="text-gravel">Kept in the draft; shoppers see it when you publish.</p>
          </div>
          <button className="btn" disabled={!hasSteps(past)} onClick={undo}>
            Undo
          </button>
        </header>
        <nav aria-label="Settings" className="flex flex-wrap gap-1">
          {SECTIONS.map((key) => (
            <a
              key={key}
              href={`?section=${key}`}
              aria-current={section === key ? 'page' : undefined}
              className="rounded-stone border border-mortar bg-white px-3 py-1.5 no-underline hover:border-gravel aria-[current]:border-basalt aria-[current]:bg-basalt aria-[current]:text-limestone"
              onClick={(event) => {
                event.preventDefault();
                history.replaceState(null, '', `?section=${key}`);
                setSection(key);
              }}
            >
              {ROOM[key].label}
            </a>
          ))}
        </nav>
        <div className="flex flex-col gap-4" key={section}>
          <Body lane={lane} change={change} hasProducts={product !== null} onShow={setPath} />
        </div>
      </div>
      <SamplePage product={product} path={section === 'pages' ? path : null} />
    </div>
  );
}
