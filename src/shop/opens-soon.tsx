/** @jsxImportSource preact */
import { render } from 'preact-render-to-string';
import { themeCss } from '~/core/lane';
import { sayIn } from '~/core/words';
import { directionOf } from '~/core/words';
import type { LiveLane } from '~/services/lane/live-lane';
import { securityPolicy } from '~/services/accounts/security-policy';
import { styleHtml } from './style-html';

const AGAIN_S = 3600;
const CSS = `body{margin:0;min-height:100vh;display:grid;place-content:center;justify-items:center;text-align:center;padding:24px;
background:var(--pl-paper);color:var(--pl-ink);font:1.125rem/1.5 system-ui,sans-serif}h1{font-size:2rem;margin:0 0 8px}p{margin:0;color:var(--pl-muted)}`;

/** What strangers see of a shop that has not been published yet (503: it is for now, and search engines look again). */
export function opensSoon({ lane }: LiveLane, language: string): Response {
  const say = sayIn(lane, language);
  const page = (
    <html lang={language} dir={directionOf(language)}>
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex" />
        <title>{lane.shop.name}</title>
        <link rel="icon" href="/shop-icon.svg" type="image/svg+xml" />
      </head>
      <body>
        <main>
          <h1>{say('soon', { shop: lane.shop.name })}</h1>
          <p>{say('soonText')}</p>
        </main>
      </body>
    </html>
  );
  const style = styleHtml(themeCss(lane.theme, ':root') + CSS);
  return new Response(`<!doctype html>${render(page).replace('</head>', () => `${style}</head>`)}`, {
    status: 503,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'retry-after': String(AGAIN_S),
      'cache-control': 'no-store',
      'content-security-policy': securityPolicy(),
    },
  });
}
