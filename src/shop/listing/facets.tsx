/** @jsxImportSource preact */
import type { VNode } from 'preact';
import type { Chosen, Facet } from '~/core/catalogue';
import type { SayShop } from '~/core/words';

interface Props {
  readonly facets: readonly Facet[];
  readonly say: SayShop;
  readonly at: 'row' | 'column';
}

/** What a listing can be narrowed by, as fields of its form. Folded on phones. */
export function Facets({ facets, say, at }: Props): VNode | null {
  if (facets.length === 0) return null;
  return (
    <details class="facets" data-at={at}>
      <summary>{say('moreFilters')}</summary>
      <div class="facet-row">
        {facets.map((facet) => (
          <fieldset key={`${facet.kind} ${facet.key}`} class="facet">
            <legend>{titleOf(facet, say)}</legend>
            {facet.kind === 'range' ? (
              <span class="span">
                {(['from', 'to'] as const).map((end) => (
                  <label key={end} class="short">
                    {say(end === 'from' ? 'rangeFrom' : 'rangeTo')}
                    <input
                      type="number"
                      name={`n.${facet.key}.${end}`}
                      min={facet.least}
                      max={facet.most}
                      step="any"
                      inputMode="decimal"
                      placeholder={String(end === 'from' ? facet.least : facet.most)}
                      value={facet.range[end] ?? ''}
                      data-typed
                    />
                  </label>
                ))}
              </span>
            ) : (
              <ul>
                {facet.values.map(({ value, count, isChosen }) => (
                  <li key={value}>
                    <label class="tick">
                      <input
                        type={facet.kind === 'rating' ? 'radio' : 'checkbox'}
                        name={nameOf(facet)}
                        value={value}
                        checked={isChosen}
                      />
                      {facet.kind === 'rating' ? say('starsUp', { stars: value }) : value} <small>{count}</small>
                    </label>
                  </li>
                ))}
              </ul>
            )}
          </fieldset>
        ))}
      </div>
    </details>
  );
}

/** What is chosen, each part with the way to take it back. */
export function ChosenMarks({
  chosen,
  say,
  href,
}: {
  chosen: Chosen;
  say: SayShop;
  href: (search: (search: URLSearchParams) => void) => string;
}): VNode | null {
  const without = (name: string, value?: string) =>
    href((search) => {
      search.delete(name, value);
      search.delete('page');
      search.delete('shown');
    });
  const marks = [
    ...Object.entries(chosen.attributes).flatMap(([key, values]) =>
      values.map((value) => ({ text: `${key}: ${value}`, href: without(`a.${key}`, value) })),
    ),
    ...Object.entries(chosen.axes).flatMap(([key, values]) =>
      values.map((value) => ({ text: `${key}: ${value}`, href: without(`v.${key}`, value) })),
    ),
    ...Object.entries(chosen.ranges).flatMap(([key, range]) =>
      (['from', 'to'] as const).flatMap((end) =>
        range[end] === null
          ? []
          : [
              {
                text: `${key} ${say(end === 'from' ? 'rangeFrom' : 'rangeTo')} ${range[end]}`,
                href: without(`n.${key}.${end}`),
              },
            ],
      ),
    ),
    ...chosen.tags.map((tag) => ({ text: tag, href: without('tag', tag) })),
    ...(chosen.rating === null ? [] : [{ text: say('starsUp', { stars: chosen.rating }), href: without('rating') }]),
  ];
  if (marks.length === 0) return null;
  return (
    <ul class="marks" aria-label={say('chosenFilters')}>
      {marks.map((mark) => (
        <li key={mark.text}>
          <a href={mark.href} aria-label={say('removeFilter', { name: mark.text })}>
            {mark.text} <span aria-hidden="true">×</span>
          </a>
        </li>
      ))}
    </ul>
  );
}

/** The fields of the form that a facet holds: names of its own, and values of names that others share. */
export function fieldsOf(facet: Facet): string[] {
  if (facet.kind === 'range') return [`n.${facet.key}.from`, `n.${facet.key}.to`];
  return facet.values.map(({ value }) => `${nameOf(facet)} ${value}`);
}

function titleOf(facet: Facet, say: SayShop): string {
  if (facet.kind === 'tag') return say('filterTags');
  if (facet.kind === 'rating') return say('filterRating');
  return facet.kind === 'range' && facet.unit ? `${facet.key} (${facet.unit})` : facet.key;
}

function nameOf({ kind, key }: Facet): string {
  if (kind === 'tag' || kind === 'rating') return kind;
  return `${kind === 'axis' ? 'v' : 'a'}.${key}`;
}
