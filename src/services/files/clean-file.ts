import createDOMPurify, { type DOMPurify, type WindowLike } from 'dompurify';
import { fileTypeFromBuffer } from 'file-type';
import sharp from 'sharp';
import type { FileForm } from '~/core/options';
import { fail, ok, type Result } from '~/core/problems';
import { checkDrawing, MOST_ELEMENTS } from './check-drawing';

export interface CleanFile {
  readonly form: FileForm;
  /** Media type of `bytes`. */
  readonly type: string;
  readonly bytes: Uint8Array;
}

const PICTURES = ['image/png', 'image/jpeg', 'image/webp'];
const MOST_PIXELS = 40_000_000;
const MOST_SIDE = 2400;
const MOST_DRAW_S = 1;
const FORM_NAMES: Readonly<Record<FileForm, string>> = {
  picture: 'a PNG, JPEG or WebP picture',
  drawing: 'an SVG drawing',
  pdf: 'a PDF',
};

/** What may be chosen, in words. */
export function wordForms(forms: readonly FileForm[]): string {
  return forms.map((form) => FORM_NAMES[form]).join(' or ');
}

// One file at a time per thread: the shop needs the other core, and the thread pool that SQLite reads with.
sharp.concurrency(1);
sharp.cache(false);

/**
 * Finds out what a file is by what is in it, not by its name, and makes it safe to keep: pictures are drawn anew (which
 * drops metadata, such as where they were taken), drawings lose everything that could run or be fetched.
 * Takes up to a second of one core: see `workers/clean-file.ts`.
 */
export async function cleanFile(bytes: Uint8Array, forms: readonly FileForm[]): Promise<Result<CleanFile>> {
  const wrongType = fail('file', 'upload-type', { forms: wordForms(forms) });
  const broken = (form: FileForm) => fail('file', 'upload-broken', { form: FORM_NAMES[form] });
  const found = await fileTypeFromBuffer(bytes);
  if (found && PICTURES.includes(found.mime)) {
    if (!forms.includes('picture')) return wrongType;
    const drawn = await drawPicture(bytes);
    return drawn ? ok({ form: 'picture', ...drawn }) : broken('picture');
  }
  if (found?.mime === 'application/pdf')
    return forms.includes('pdf') ? ok({ form: 'pdf', type: 'application/pdf', bytes }) : wrongType;
  // An SVG has no signature: file-type calls it XML at most.
  if (found && found.mime !== 'application/xml') return wrongType;
  const text = new TextDecoder().decode(bytes);
  const check = checkDrawing(text);
  if (check === 'not-a-drawing' || !forms.includes('drawing')) return wrongType;
  if (check === 'too-large') return fail('file', 'upload-too-complex', { limit: MOST_ELEMENTS });
  const svg = check === 'fine' ? await cleanSvg(text) : null;
  return svg ? ok({ form: 'drawing', type: 'image/svg+xml', bytes: new TextEncoder().encode(svg) }) : broken('drawing');
}

/** Photographs stay JPEGs: as PNG they would be ten times as large, and take as much longer to write. */
async function drawPicture(bytes: Uint8Array): Promise<{ type: string; bytes: Uint8Array } | null> {
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).timeout({ seconds: MOST_DRAW_S });
    const { hasAlpha, format } = await picture.metadata();
    const sized = picture
      .rotate()
      .resize(MOST_SIDE, MOST_SIDE, { fit: 'inside', withoutEnlargement: true, fastShrinkOnLoad: true });
    return format === 'jpeg' && !hasAlpha
      ? { type: 'image/jpeg', bytes: await sized.jpeg({ quality: 88 }).toBuffer() }
      : { type: 'image/png', bytes: await sized.png({ compressionLevel: 4 }).toBuffer() };
  } catch {
    return null;
  }
}

let purify: Promise<DOMPurify> | null = null;

/** What cleans drawings: it takes a second to read on a busy machine, so a thread has it before its first file. */
export function loadCleaner(): Promise<DOMPurify> {
  return (purify ??= readPurify());
}

async function readPurify(): Promise<DOMPurify> {
  const { JSDOM } = await import('jsdom');
  const made = createDOMPurify(new JSDOM('').window as WindowLike);
  // Values that point elsewhere are left out whole: `fill="url(https://…)"` would fetch.
  made.addHook('uponSanitizeAttribute', (_element, data) => {
    if (pointsElsewhere(data.attrValue)) data.keepAttr = false;
  });
  return made;
}

/** Whether a value has a `url(` that does not begin with `#`. */
function pointsElsewhere(value: string): boolean {
  const text = value.toLowerCase();
  for (let at = text.indexOf('url('); at >= 0; at = text.indexOf('url(', at + 4))
    if (!/^\s{0,8}['"]?\s{0,8}#/.test(text.slice(at + 4, at + 24))) return true;
  return false;
}

/** An SVG without scripts, handlers, styles, links, animations and anything from elsewhere; null when nothing is left. */
async function cleanSvg(source: string): Promise<string | null> {
  const clean = (await loadCleaner()).sanitize(source, {
    USE_PROFILES: { svg: true, svgFilters: true },
    FORBID_TAGS: [
      'style',
      'image',
      'feImage',
      'a',
      'foreignObject',
      'animate',
      'animateMotion',
      'animateTransform',
      'set',
      'use',
    ],
    FORBID_ATTR: ['style', 'class'],
    ALLOW_DATA_ATTR: false,
  });
  const inside = clean.trim();
  return /^<svg[\s>]/i.test(inside) ? inside : null;
}

/** An icon for the shop: a square picture of 128 px, or a cleaned drawing. */
export async function cleanIcon(bytes: Uint8Array): Promise<Result<{ bytes: Uint8Array; extension: 'png' | 'svg' }>> {
  const cleaned = await cleanFile(bytes, ['picture', 'drawing']);
  if (!cleaned.ok) return cleaned;
  if (cleaned.value.form === 'drawing') return ok({ bytes: cleaned.value.bytes, extension: 'svg' });
  const square = { width: 128, height: 128, fit: 'contain', background: { r: 0, g: 0, b: 0, alpha: 0 } } as const;
  return ok({ bytes: await sharp(cleaned.value.bytes).resize(square).png().toBuffer(), extension: 'png' });
}
