/** @jsxImportSource preact */
import { renderToString } from 'preact-render-to-string';
import { drawnByServer } from '../shop-reader';
import type { TextPiece } from './definition';

export default drawnByServer({
  load: (reader, { words }: TextPiece) => reader.textHtml(words.body),
  draw(html, { settings }) {
    return renderToString(
      <div
        class="rich"
        data-slot="body"
        data-word="body"
        data-width={settings.width}
        data-align={settings.align}
        data-framed={settings.framed}
        dangerouslySetInnerHTML={{ __html: html }}
      />,
    );
  },
});
