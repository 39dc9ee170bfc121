/** @jsxImportSource preact */
import type { ManifestPiece } from '~/core/lane';
import { effectSums } from '~/core/options/effects';
import { readAnswers, type Answers } from '~/core/options/answers';
import { mountOptions, type MountedOptions, type OptionsState } from '~/pieces/_options/mount';
import type { MountedPiece, PieceHost } from '~/runtime/piece-host';
import type { OptionsPiece } from '~/pieces/_options/shared';

interface Given {
  readonly piece: OptionsPiece;
  readonly answers: Answers;
  readonly uploads: Readonly<Record<string, string>>;
}

/** Takes over the options in the page's own product form: what is asked follows every answer, and so does the price. */
export function mount(_piece: ManifestPiece, initialHost: PieceHost): MountedPiece {
  let host = initialHost;
  let mounted: MountedOptions | null = null;
  const container = document.querySelector<HTMLElement>('[data-pl-options]');
  const form = container?.closest('form');
  const slug = container?.dataset['plOptions'] ?? '';

  /** Tells the form what the answers add and whether some are open; bars and prices read it there. */
  function tell({ evaluation }: OptionsState): void {
    if (!form) return;
    const { unitMinor, onceMinor } = effectSums(evaluation.effects);
    form.dataset['plExtra'] = String(unitMinor);
    form.dataset['plOnce'] = String(onceMinor);
    form.dataset['plOpen'] = String(evaluation.problems.length > 0);
    form.dispatchEvent(new Event('pl-options'));
  }

  /** In the bench everything that depends on an answer is to be seen. */
  async function showAll(): Promise<void> {
    const { sampleAnswers } = await import('~/core/options/sample-answers');
    const product = host.products.known(slug);
    if (product) mounted?.fill(sampleAnswers(product.options));
  }

  /** Problems the browser can find are shown at once; the server still decides. */
  function onSubmit(event: Event): void {
    if (event.target !== form || !mounted?.complain()) return;
    event.preventDefault();
    event.stopPropagation();
  }

  function onRefused(event: Event): void {
    const { detail } = event as CustomEvent<{ path: string; message: string }[]>;
    const own = detail.filter((problem) => problem.path.startsWith('option:'));
    if (own.length > 0 && mounted?.complain(own)) event.preventDefault();
  }

  if (container && form)
    void host.products.fetch(slug).then((product) => {
      if (!product) return;
      // What was answered before the script was there; the fields begin as the server drew them.
      const before = readAnswers(new FormData(form));
      const given = JSON.parse(container.dataset['plGiven'] ?? '{}') as Given;
      mounted = mountOptions({
        container,
        slug,
        options: product.options,
        answers: given.answers,
        uploads: given.uploads,
        drawnAs: given.piece,
        remembers: !form.elements.namedItem('lineId'),
        host,
        onChange: tell,
      });
      mounted.fill({ ...mounted.answers, ...before });
      if (host.isPreview) void showAll();
      document.addEventListener('submit', onSubmit, true);
      form.addEventListener('pl-refused', onRefused);
    });

  return {
    update(_next, nextHost) {
      host = nextHost;
      mounted?.update(host);
    },
    destroy() {
      document.removeEventListener('submit', onSubmit, true);
      form?.removeEventListener('pl-refused', onRefused);
      mounted?.destroy();
    },
  };
}
