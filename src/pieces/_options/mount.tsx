/** @jsxImportSource preact */
import { hydrate, render, type VNode } from 'preact';
import { dayIn } from '~/core/time/day';
import { sameAnswers, type Answers } from '~/core/options/answers';
import { evaluateOptions, type Evaluation } from '~/core/options/evaluate';
import type { ProductOption } from '~/core/options';
import type { Problem, ProblemCode } from '~/core/problems';
import { formatMoney } from '~/core/money/currency';
import type { OptionsPiece } from './shared';
import { afterPress } from '~/runtime/kit/after-press';
import { BASE_CSS, directionOf } from '~/runtime/kit/shadow';
import type { PieceHost } from '~/runtime/piece-host';
import { OptionFields } from './fields';
import { keepAnswers, keptAnswers } from './kept-answers';
import type { OptionEvents } from './shown';
import css from './options.css?inline';

export interface OptionsState {
  readonly answers: Answers;
  readonly evaluation: Evaluation;
}

interface Asked {
  readonly container: HTMLElement;
  readonly slug: string;
  readonly options: readonly ProductOption[];
  readonly answers: Answers;
  readonly uploads: Readonly<Record<string, string>>;
  readonly host: PieceHost;
  /**
   * The piece as the server drew it, where it did: in the page's own form, whose fields they must be. Elsewhere they get a
   * shadow root.
   */
  readonly drawnAs?: OptionsPiece;
  /** Begins with what was answered in this tab before. Not where a line is changed, which has answers of its own. */
  readonly remembers?: boolean;
  readonly onChange: (state: OptionsState) => void;
}

export interface MountedOptions {
  readonly state: OptionsState;
  /** As given, those not asked for at the moment among them. */
  readonly answers: Answers;
  /** Answers as given, in place of what was answered. */
  fill(answers: Answers): void;
  /** Draws anew with what the host has now. */
  update(host: PieceHost): void;
  /** Shows what is wrong and goes to the first of it; false when nothing is. */
  complain(problems?: readonly { readonly path: string; readonly message: string }[]): boolean;
  destroy(): void;
}

/** Without a connection not even what sends it comes. */
const NOT_SENT = { isKept: false, got: null };

const megabytes = (bytes: number) => Math.round(bytes / 104_857.6) / 10;

/** Asks a product's options, evaluates them with every answer, and sends files as they are chosen. */
export function mountOptions({
  container,
  slug,
  options,
  uploads,
  drawnAs,
  remembers = false,
  onChange,
  ...asked
}: Asked): MountedOptions {
  const isInForm = drawnAs !== undefined;
  let { host } = asked;
  const today = () => dayIn(host.timeZone, host.now());
  const names: Record<string, string> = { ...uploads };
  const sending = new Set<string>();
  let problems: Record<string, string> = {};
  let answers: Answers = asked.answers;
  let evaluation = evaluateOptions(options, answers, today());
  const sheet = new CSSStyleSheet();
  const root = isInForm ? container : (container.shadowRoot ?? container.attachShadow({ mode: 'open' }));
  const piece = () => host.withRole('options') as OptionsPiece | undefined;
  if (root instanceof ShadowRoot) root.adoptedStyleSheets = [sheet];
  else {
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
  }
  container.dataset['plPiece'] ??= piece()?.id ?? '';

  function take(next: Answers): void {
    answers = next;
    if (remembers && !host.isPreview) keepAnswers(slug, { answers, uploads: names });
    evaluation = evaluateOptions(options, answers, today());
    draw();
    onChange({ answers: evaluation.answers, evaluation });
  }

  function answer(key: string, value: string | readonly string[]): void {
    const next: Record<string, string | readonly string[]> = { ...answers, [key]: value };
    if (value.length === 0) delete next[key];
    if (sameAnswers(next, answers)) return;
    delete problems[key];
    take(next);
  }

  async function complainOf(key: string, code: ProblemCode, facts: NonNullable<Problem['facts']>): Promise<void> {
    const { wordProblem } = await import('~/core/problems/wording');
    problems = { ...problems, [key]: wordProblem({ code, facts }, host.language) };
    draw();
  }

  async function upload(key: string, file: File): Promise<void> {
    const option = options.find((candidate) => candidate.key === key);
    // Checked before sending: on a slow line a refusal would take minutes.
    if (option?.kind === 'file' && file.size > option.mostBytes)
      return complainOf(key, 'option-file-large', { label: option.label, limit: `${megabytes(option.mostBytes)} MB` });
    sending.add(key);
    draw();
    const { isKept, got } = await import('./send-file')
      .then(({ sendFile }) => sendFile(host, { product: slug, option: key, name: file.name }, file))
      .catch(() => NOT_SENT);
    sending.delete(key);
    if (isKept && got?.id) {
      names[got.id] = got.name ?? file.name;
      return answer(key, got.id);
    }
    const [why] = got?.problems ?? [];
    if (!why) return complainOf(key, 'upload-unsent', { name: file.name });
    problems = { ...problems, [key]: why.message };
    draw();
  }

  /** Error sentences are fetched when needed: most shoppers never see one. */
  async function sayWhy(): Promise<void> {
    const { wordProblem } = await import('~/core/problems/wording');
    problems = Object.fromEntries(
      evaluation.problems.map((problem) => [problem.path, wordProblem(problem, host.language)]),
    );
    draw();
  }

  /** The server did not know the device, and could not listen to events. */
  function fieldsBy(shownBy: OptionsPiece, on: OptionEvents | null): VNode {
    return (
      <OptionFields
        options={options}
        answers={answers}
        evaluation={evaluation}
        problems={problems}
        uploads={names}
        piece={shownBy}
        device={on && host.device}
        today={today()}
        money={(amount) => formatMoney(amount, host.currency, host.locale)}
        language={host.language}
        idPrefix={`po-${slug}${isInForm ? '' : '-over'}`}
        on={on}
      />
    );
  }

  function draw(): void {
    afterPress(drawNow);
  }

  function drawNow(): void {
    const shownBy = piece();
    if (!shownBy) return;
    const rules = css + shownBy.css;
    sheet.replaceSync(
      isInForm ? `[data-pl-options]{${rules}}` : `${BASE_CSS}${host.themeCss}:host{display:block}${rules}`,
    );
    if (!isInForm) (root as ShadowRoot).host.setAttribute('dir', directionOf(host.language));
    render(fieldsBy(shownBy, { answer, upload: (key, file) => void upload(key, file), sending }), root);
  }

  // The first drawing must equal the server's, whatever was answered since: later drawings then change only what differs.
  if (drawnAs) hydrate(fieldsBy(drawnAs, null), root);
  const before = remembers && !host.isPreview ? keptAnswers(slug) : null;
  Object.assign(names, before?.uploads);
  if (before && Object.keys(before.answers).length > 0) take({ ...before.answers, ...answers });
  drawNow();
  return {
    get state() {
      return { answers: evaluation.answers, evaluation };
    },
    get answers() {
      return answers;
    },
    fill: take,
    update(next) {
      host = next;
      draw();
    },
    complain(given) {
      const wrong = given ?? evaluation.problems.map((problem) => ({ path: problem.path, message: '' }));
      problems = Object.fromEntries(wrong.map(({ path, message }) => [path.replace(/^option:/, ''), message]));
      const [first] = Object.keys(problems);
      if (first === undefined) return false;
      drawNow();
      if (!given) void sayWhy();
      const field = root.querySelector<HTMLElement>(`[data-option="${first}"] :is(input,select,textarea)`);
      field?.focus({ preventScroll: true });
      field?.closest('[data-option]')?.scrollIntoView({ block: 'center' });
      return true;
    },
    destroy() {
      render(null, root);
      if (isInForm) document.adoptedStyleSheets = document.adoptedStyleSheets.filter((other) => other !== sheet);
    },
  };
}
