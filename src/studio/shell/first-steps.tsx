import { FIRST_BENCH } from './first-bench';
import Check from 'lucide-react/icons/check';
import { useState } from 'react';
import type { FirstStep, StepsView } from '~/core/first-steps';
import { ask } from '~/studio/data/api';
import { useDraft } from '~/studio/data/draft-store';

const STEPS: Readonly<Record<FirstStep, { readonly label: string; readonly help: string; readonly href: string }>> = {
  shop: {
    label: 'Your shop',
    help: 'Its name, currency, tax and languages.',
    href: '/studio/shop',
  },
  catalogue: {
    label: 'Your products',
    help: 'Import a file, or begin with a few examples.',
    href: '/studio/catalogue/import',
  },
  pieces: {
    label: 'The first pieces',
    help: 'Quick view, cart button and cart panel, on your own products.',
    href: FIRST_BENCH,
  },
  publish: {
    label: 'Open the shop',
    help: 'Until then shoppers read that it opens soon.',
    href: '/studio',
  },
};

/** The way of a new owner, above every room until the shop is open. Each step is a room; any can be skipped and come back to. */
export function FirstSteps({ initial, onPublish }: { initial: StepsView; onPublish: () => void }) {
  const [{ steps, current }, setView] = useState(initial);
  const say = useDraft((state) => state.say);

  async function settle(step: FirstStep, state: 'done' | 'skipped'): Promise<void> {
    try {
      const answer = await ask('POST /api/studio/first-steps', { body: { step, state } });
      if (!answer.steps) return;
      setView(answer.steps);
      location.assign(STEPS[answer.steps.current].href);
    } catch (error) {
      say((error as Error).message);
    }
  }

  const { help } = STEPS[current];
  return (
    <nav
      aria-label="First steps"
      className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b-4 border-paint bg-slab px-[18px] py-2.5"
    >
      <ol className="flex flex-wrap items-center gap-x-4 gap-y-1">
        {steps.map(({ key, state }, i) => (
          <li key={key} className="flex items-center gap-2">
            <span
              aria-hidden="true"
              className={`grid size-6 place-items-center rounded-full text-[13px] font-semibold ${
                state === 'done' ? 'bg-moss text-limestone' : key === current ? 'bg-paint text-basalt' : 'bg-mortar'
              }`}
            >
              {state === 'done' ? <Check size={14} strokeWidth={2.5} /> : i + 1}
            </span>
            <a
              href={STEPS[key].href}
              aria-current={key === current ? 'step' : undefined}
              className="no-underline hover:underline aria-[current]:font-semibold"
            >
              {STEPS[key].label}
            </a>
            {state !== 'open' && (
              <span className="text-[12.5px] text-gravel">{state === 'done' ? 'done' : 'skipped'}</span>
            )}
          </li>
        ))}
      </ol>
      <p className="help min-w-0 flex-1">{help}</p>
      {current === 'publish' ? (
        <button className="btn btn-go" onClick={onPublish}>
          Open the shop …
        </button>
      ) : (
        <span className="flex gap-2">
          <button className="btn" onClick={() => void settle(current, 'skipped')}>
            Skip
          </button>
          <button className="btn btn-go" onClick={() => void settle(current, 'done')}>
            Done, next
          </button>
        </span>
      )}
    </nav>
  );
}
