import { isSoldOut, resolveVariant, valuesOf, type Product } from '~/core/catalogue';
import { formatMoney, type Currency } from '~/core/money';
import { ownPage } from '~/runtime/host-page';
import { quoteChoice } from '~/runtime/quote';
import { fill } from '~/core/words';

interface Facts extends Pick<Product, 'axes' | 'variants'> {
  readonly currency: Currency;
  readonly locale: string;
  readonly language: string;
  readonly verb: string;
  readonly isChange: boolean;
  readonly isOffered: boolean;
  /** Of the line that is changed. */
  readonly quantity: number;
  readonly words: Readonly<
    Record<'soldOut' | 'chooseAnother' | 'fewLeft' | 'priceParts' | 'priceTimes' | 'lowestPrice', string>
  >;
}

const page = ownPage('');

/** Keeps price, picture, stock and the open choices in step with what is chosen. */
function follow(form: HTMLFormElement): void {
  const facts = JSON.parse(form.dataset['productForm']!) as Facts;
  const { words, language } = facts;
  const part = <T extends HTMLElement>(name: string) => form.querySelector<T>(`[data-${name}]`)!;
  const money = (amount: number) => formatMoney(amount, facts.currency, facts.locale);
  const field = form.querySelector<HTMLInputElement>('input[name=quantity]');
  const quantityOf = () =>
    field ? Math.min(Math.max(1, Math.round(Number(field.value) || 1)), Number(field.max)) : facts.quantity;

  function show(): void {
    const entries = new FormData(form);
    const choices = Object.fromEntries(facts.axes.map((axis) => [axis, String(entries.get(`choice:${axis}`) ?? '')]));
    for (const axis of facts.axes) {
      for (const { value, availability } of valuesOf(facts, axis, choices)) {
        const input = [...form.querySelectorAll<HTMLInputElement>('input[type=radio]')].find(
          (radio) => radio.name === `choice:${axis}` && radio.value === value,
        );
        input?.parentElement?.classList.toggle('gone', availability !== 'available');
      }
    }
    const found = resolveVariant(facts, choices);
    const add = part<HTMLButtonElement>('add');
    add.disabled = !found.ok || (!facts.isChange && isSoldOut(found.value));
    add.textContent = found.ok ? (add.disabled ? words.soldOut : facts.verb) : words.chooseAnother;
    if (!found.ok) return;
    const { stock, picture } = found.value;
    // What the answers to options add; the piece that asks them says so here.
    const extra = {
      unitMinor: Number(form.dataset['plExtra'] ?? 0),
      onceMinor: Number(form.dataset['plOnce'] ?? 0),
    };
    const quantity = quantityOf();
    const { isOffered } = facts;
    const price = quoteChoice(page, { ...found.value, isOffered, quantity, extra }, show);
    const told = { count: quantity, each: money(price.eachMinor), once: money(price.onceMinor) };
    part('price').textContent = money(price.totalMinor);
    part('was').hidden = price.wasTotalMinor === null;
    part('was').textContent = price.wasTotalMinor === null ? '' : money(price.wasTotalMinor);
    const { lowMinor } = found.value;
    part('low').hidden = price.wasTotalMinor === null || !lowMinor;
    part('low').textContent = lowMinor ? fill(words.lowestPrice, { amount: money(lowMinor) }, language) : '';
    part('parts').textContent = price.hasParts
      ? fill(price.onceMinor === 0 ? words.priceTimes : words.priceParts, told, language)
      : '';
    part('stock').textContent =
      stock !== null && stock > 0 && stock <= 5 ? fill(words.fewLeft, { count: stock }, language) : '';
    if (picture) showPicture(picture.src);
  }

  for (const button of form.querySelectorAll<HTMLButtonElement>('[data-step]'))
    button.addEventListener('click', () => {
      if (!field) return;
      field.value = String(Math.min(Math.max(1, quantityOf() + Number(button.dataset['step'])), Number(field.max)));
      field.dispatchEvent(new Event('change', { bubbles: true }));
    });
  for (const step of form.querySelectorAll<HTMLAnchorElement>('[data-take]'))
    step.addEventListener('click', (event) => {
      if (!field) return;
      event.preventDefault();
      field.value = step.dataset['take']!;
      field.dispatchEvent(new Event('change', { bubbles: true }));
    });
  form.addEventListener('change', show);
  field?.addEventListener('input', show);
  form.addEventListener('pl-options', show);
  show();
}

/** Brings a picture of the gallery into view; one that is not among them takes the place of the first. */
function showPicture(src: string, behavior: ScrollBehavior = 'auto'): void {
  const strip = document.querySelector<HTMLElement>('[data-gallery]');
  if (!strip) return;
  const pictures = [...strip.querySelectorAll<HTMLImageElement>('img')];
  const known = pictures.find((picture) => picture.getAttribute('src') === src);
  const target = known ?? pictures[0];
  if (!target) return;
  if (!known) target.src = src;
  const slide = target.closest<HTMLElement>('[data-slide]') ?? target;
  strip.scrollTo({ left: slide.offsetLeft - strip.offsetLeft, behavior });
}

const calm = matchMedia('(prefers-reduced-motion: reduce)');
document.querySelectorAll<HTMLFormElement>('[data-product-form]').forEach(follow);
document.querySelectorAll<HTMLAnchorElement>('[data-thumb]').forEach((thumb) =>
  thumb.addEventListener('click', (event) => {
    event.preventDefault();
    showPicture(thumb.getAttribute('href') ?? '', calm.matches ? 'auto' : 'smooth');
  }),
);
