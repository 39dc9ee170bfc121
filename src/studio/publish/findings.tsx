import type { DraftView } from '~/contract/studio/draft';
import { fixFinding, wordFinding, type Fix, type Lane } from '~/core/lane';
import { definitions } from '~/pieces/definitions';

interface Props {
  readonly checked: DraftView;
  readonly lane: Lane;
  readonly isFirst: boolean;
  readonly onMend: (fix: Fix) => void;
}

/** What is to be said of a draft before it goes out: what does not fit, and what is not real yet. */
export function Findings({ checked: { lint, cautions }, lane, isFirst, onMend }: Props) {
  return (
    <>
      {lint.map((finding, i) => {
        const fix = fixFinding(finding);
        return (
          <p
            key={i}
            className={`border-s-4 ps-3 ${finding.level === 'error' ? 'border-brick text-brick' : 'border-paint'}`}
          >
            {wordFinding(finding, lane, definitions)}{' '}
            {fix && (
              <button className="underline" onClick={() => onMend(fix)}>
                {fix.label}
              </button>
            )}
          </p>
        );
      })}
      {cautions.length > 0 && (
        <section>
          {isFirst && <h3 className="mb-1">Not real yet</h3>}
          <ul className="flex flex-col gap-1.5">
            {cautions.map(({ text, at }) => (
              <li key={text} className="border-s-4 border-paint ps-3">
                {text}{' '}
                {at && (
                  <a href={at === 'catalogue' ? '/studio/catalogue' : `/studio/shop?section=${at}`}>
                    {at === 'catalogue' ? 'Catalogue' : 'Settings'}
                  </a>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
