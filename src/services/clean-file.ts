import createDOMPurify, { type WindowLike } from 'dompurify';
import { fileTypeFromBuffer } from 'file-type';
import sharp from 'sharp';
import type { FileForm } from '~/core/options';
import { fail, ok, type Result } from '~/core/problems';

export interface CleanFile {
  readonly form: FileForm;
  /** Media type of `bytes`. */
  readonly type: string;
  readonly bytes: Uint8Array;
}

const PICTURES = ['image/png', 'image/jpeg', 'image/webp'];
const MOST_PIXELS = 40_000_000;
const MOST_SIDE = 4000;
const FORM_NAMES: Readonly<Record<FileForm, string>> = {
  picture: 'a PNG, JPEG or WebP picture',
  drawing: 'an SVG drawing',
  pdf: 'a PDF',
};

/** What may be chosen, in words. */
export function wordForms(forms: readonly FileForm[]): string {
  return forms.map((form) => FORM_NAMES[form]).join(' or ');
}

/**
 * Finds out what a file is by what is in it, not by its name, and makes it safe to keep: pictures are drawn anew (which
 * drops whatever else they carry, places of their making among it), drawings lose everything that could run or be fetched.
 */
export async function cleanFile(bytes: Uint8Array, forms: readonly FileForm[]): Promise<Result<CleanFile>> {
  const form = await formOf(bytes);
  if (!form || !forms.includes(form)) return fail('file', 'upload-type', { forms: wordForms(forms) });
  const broken = fail('file', 'upload-broken', { form: FORM_NAMES[form] });
  switch (form) {
    case 'picture': {
      const drawn = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
        .rotate()
        .resize(MOST_SIDE, MOST_SIDE, { fit: 'inside', withoutEnlargement: true })
        .png({ compressionLevel: 8 })
        .toBuffer()
        .catch(() => null);
      return drawn ? ok({ form, type: 'image/png', bytes: drawn }) : broken;
    }
    case 'drawing': {
      const svg = await cleanSvg(new TextDecoder().decode(bytes));
      return svg ? ok({ form, type: 'image/svg+xml', bytes: new TextEncoder().encode(svg) }) : broken;
    }
    case 'pdf':
      return ok({ form, type: 'application/pdf', bytes });
  }
}

async function formOf(bytes: Uint8Array): Promise<FileForm | null> {
  const found = await fileTypeFromBuffer(bytes);
  if (found && PICTURES.includes(found.mime)) return 'picture';
  if (found?.mime === 'application/pdf') return 'pdf';
  // An SVG has no mark of its own: file-type calls it XML at most.
  if (found && found.mime !== 'application/xml') return null;
  const start = new TextDecoder().decode(bytes.slice(0, 4000)).replace(/^\ufeff/, '');
  return /^\s*(<\?xml[^>]*>\s*)?(<!--[\s\S]*?-->\s*)*(<!DOCTYPE svg[^>]*>\s*)?<svg[\s>]/i.test(start)
    ? 'drawing'
    : null;
}

let purify: Promise<ReturnType<typeof createDOMPurify>> | null = null;

/** Loaded with the first drawing: a whole page in memory is much for a server that may never see one. */
async function loadPurify(): Promise<ReturnType<typeof createDOMPurify>> {
  const { JSDOM } = await import('jsdom');
  return createDOMPurify(new JSDOM('').window as unknown as WindowLike);
}

/** An SVG without scripts, handlers, styles, links, animations and anything from elsewhere; null when nothing is left. */
export async function cleanSvg(source: string): Promise<string | null> {
  const clean = (await (purify ??= loadPurify())).sanitize(source, {
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
  // What points elsewhere is left out whole: `fill="url(https://…)"` would fetch.
  const inside = clean.replace(/\s[\w:-]+="[^"]*url\((?!\s*['"]?#)[^"]*"/gi, '');
  return /^<svg[\s>]/i.test(inside.trim()) ? inside.trim() : null;
}

/** An icon for the shop: a square picture of 128 px, or a cleaned drawing. */
export async function cleanIcon(bytes: Uint8Array): Promise<Result<{ bytes: Uint8Array; extension: 'png' | 'svg' }>> {
  const cleaned = await cleanFile(bytes, ['picture', 'drawing']);
  if (!cleaned.ok) return cleaned;
  if (cleaned.value.form === 'drawing') return ok({ bytes: cleaned.value.bytes, extension: 'svg' });
  const square = { width: 128, height: 128, fit: 'contain', background: { r: 0, g: 0, b: 0, alpha: 0 } } as const;
  return ok({ bytes: await sharp(cleaned.value.bytes).resize(square).png().toBuffer(), extension: 'png' });
}
