import { readdirSync } from 'node:fs';
import path from 'node:path';

/** Values that fill a route's places with something there is. */
const FILLED: Readonly<Record<string, string>> = {
  '[slug]': 'heron',
  '[piece]': 'quick-view',
  '[stretch]': 'look',
  '[line]': 'none',
  '[token]': 'none',
  '[id]': 'none',
};

export interface Route {
  /** Below the repository. */
  readonly file: string;
  /** As the framework names it: `/shop/p/[slug]`. */
  readonly pattern: string;
  readonly path: string;
}

/** Every route there is a file for. */
export function listRoutes(): Route[] {
  return readdirSync('src/pages', { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.(astro|ts)$/.test(file) && !path.basename(file).startsWith('_'))
    .map((file) => {
      const pattern = `/${file.replace(/\.(astro|ts)$/, '').replace(/(^|\/)index$/, '')}`.replace(/\/$/, '') || '/';
      return {
        file: `src/pages/${file}`,
        pattern,
        path: pattern.replace(/\[\w+\]/g, (place) => FILLED[place] ?? 'none'),
      };
    })
    .sort((a, b) => a.pattern.localeCompare(b.pattern));
}
