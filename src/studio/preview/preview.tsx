import type { PieceDefinition } from '~/core/lane';
import { useEffect, useRef, useState } from 'react';
import {
  compileManifest,
  isPreviewMessage,
  type FromPreview,
  type LookState,
  type Situation,
  type ToPreview,
} from '~/core/lane';
import { deviceOf } from '~/core/where';
import { definitionOf, definitions } from '~/pieces/definitions';
import { useDraft } from '~/studio/data/draft-store';
import { frameAddress, shownLane, situationMessage } from './framed';
import { previewPage, whyUnseen } from './preview-page';
import type { Samples } from './samples';

const WIDTHS = [360, 390, 768, 1280] as const;

interface Props {
  readonly pieceId: string;
  /** Where pieces of its kind are usually looked at; `{product}` stands for one. */
  readonly path: string;
  readonly categories: readonly { readonly slug: string }[];
  readonly situation: Situation;
  readonly samples: Samples;
  readonly language: string;
  readonly width: number;
  readonly onWidth: (width: number) => void;
  readonly part: string | null;
  readonly force: LookState;
  readonly onSelect: (part: string | null) => void;
  readonly onWord: (word: string, text: string) => void;
  /** A setting changed by hand in the preview, such as a place by dragging. */
  readonly onSetting: (setting: string, value: string) => void;
  readonly onMeasured: (measured: Measured) => void;
}

/** How the piece stands in the preview, in one of its states. */
export type Measured = Pick<Extract<FromPreview, { pl: 'measured' }>, 'state' | 'slots'>;

/** The real shop in a frame. Every change of the draft is compiled and posted to it; nothing is saved or reloaded for that. */
export function Preview(props: Props) {
  const { pieceId, path, categories, situation, samples, language, width, onWidth, part, force } = props;
  const { onSelect, onWord, onSetting, onMeasured } = props;
  const { lane: whole, token, live, edit, categoryTexts } = useDraft();
  // One that was just removed is shown once more, until the page is left.
  const last = useRef(whole);
  const lane = whole.pieces[pieceId] ? whole : last.current;
  last.current = lane;
  const frame = useRef<HTMLIFrameElement>(null);
  const stage = useRef<HTMLDivElement>(null);
  const seq = useRef(0);
  const [ready, setReady] = useState(0);
  const [scale, setScale] = useState({ by: 1, height: 0 });
  const listeners = useRef({ onSelect, onWord, onSetting, onMeasured });
  listeners.current = { onSelect, onWord, onSetting, onMeasured };
  const product = situation.product ? (samples.products[situation.product] ?? null) : null;
  const definition = definitionOf(lane.pieces[pieceId]!.kind)!;
  const isServerDrawn = definition.spots !== undefined;
  const opens = 'panel' in definition.looks;
  const asked = {
    lane,
    pieceId,
    definition,
    categories,
    categoryTexts,
    product: product ?? samples.products['plain'] ?? null,
  };
  const page = previewPage(asked, path, deviceOf(width));
  const unseen = whyUnseen(asked, page, deviceOf(width));
  const address = frameAddress(page.path, {
    draft: token,
    lang: isServerDrawn ? language : whole.shop.languages[0]!,
    ...(isServerDrawn && { shape: pieceId }),
  });
  const post = (message: ToPreview) => frame.current?.contentWindow?.postMessage(message, location.origin);

  useEffect(() => {
    const hear = (event: MessageEvent<FromPreview>) => {
      if (
        event.origin !== location.origin ||
        event.source !== frame.current?.contentWindow ||
        !isPreviewMessage(event.data)
      )
        return;
      const message = event.data;
      if (message.pl === 'ready') setReady((count) => count + 1);
      if (message.pl === 'selected' && message.pieceId === pieceId) listeners.current.onSelect(message.part);
      if (message.pl === 'word' && message.pieceId === pieceId) listeners.current.onWord(message.word, message.text);
      if (message.pl === 'setting' && message.pieceId === pieceId)
        listeners.current.onSetting(message.setting, message.value);
      if (message.pl === 'measured' && message.pieceId === pieceId) listeners.current.onMeasured(message);
      if (message.pl === 'painted') frame.current.dataset['painted'] = String(message.seq);
    };
    addEventListener('message', hear);
    return () => removeEventListener('message', hear);
  }, [pieceId]);

  useEffect(() => {
    if (ready === 0) return;
    seq.current += 1;
    post({
      pl: 'manifest',
      manifest: compileManifest(shownLane(lane, pieceId), definitions, live.revision, language),
      seq: seq.current,
    });
  }, [ready, lane, language]);

  const putAnew = () => post(situationMessage(pieceId, situation, samples));
  useEffect(() => {
    if (ready > 0) putAnew();
  }, [ready, situation, pieceId, samples, product]);

  useEffect(() => {
    if (ready > 0 && isServerDrawn) post({ pl: 'redraw' });
  }, [edit]);

  useEffect(() => {
    if (ready > 0) post({ pl: 'select', pieceId, part });
  }, [ready, part, pieceId, lane]);

  useEffect(() => {
    if (ready > 0) post({ pl: 'force', state: force });
  }, [ready, force, lane]);

  useEffect(() => {
    const fit = () => {
      const box = stage.current!.getBoundingClientRect();
      const by = Math.min(1, (box.width - 24) / width);
      setScale({ by, height: (box.height - 12) / by });
    };
    const watch = new ResizeObserver(fit);
    watch.observe(stage.current!);
    return () => watch.disconnect();
  }, [width]);

  return (
    <section aria-label="Live preview" className="col-start-2 row-start-2 flex min-h-0 flex-col bg-[#d8d2c5]">
      <PreviewBar
        width={width}
        onWidth={onWidth}
        opens={opens}
        putAnew={putAnew}
        definition={definition}
        post={post}
        pieceId={pieceId}
        scale={scale}
      />
      {unseen && (
        <p className="bg-slab px-4 py-1 text-center text-[12.5px]" data-testid="shown-anyway">
          {unseen} It is shown here all the same, to be shaped.
        </p>
      )}
      <div ref={stage} className="grid min-h-0 flex-1 place-items-start justify-center overflow-hidden px-3 pb-3">
        <div
          style={{ width: width * scale.by, height: scale.height * scale.by }}
          className="overflow-hidden border border-mortar bg-white"
        >
          <iframe
            ref={frame}
            title="The shop with the draft"
            src={address}
            style={{ width, height: scale.height, transform: `scale(${scale.by})`, transformOrigin: '0 0' }}
            data-testid="preview"
          />
        </div>
      </div>
    </section>
  );
}

function PreviewBar({
  width,
  onWidth,
  opens,
  putAnew,
  definition,
  post,
  pieceId,
  scale,
}: {
  width: number;
  onWidth: (width: number) => void;
  opens: boolean;
  putAnew: () => void | undefined;
  definition: PieceDefinition;
  post: (message: ToPreview) => void | undefined;
  pieceId: string;
  scale: { by: number; height: number };
}) {
  return (
    <div className="flex flex-wrap items-center justify-center gap-1 py-1.5 text-[12.5px] whitespace-nowrap">
      {WIDTHS.map((preset) => (
        <button
          key={preset}
          aria-pressed={width === preset}
          onClick={() => onWidth(preset)}
          className="plain min-w-9 px-2 aria-pressed:font-bold aria-pressed:underline"
        >
          {preset}
        </button>
      ))}
      <label className="ms-2 flex items-center gap-1">
        free
        <input
          type="range"
          min={320}
          max={1440}
          step={1}
          value={width}
          onChange={(event) => onWidth(Number(event.target.value))}
          className="w-28 accent-basalt"
          aria-label="Width of the preview in pixels"
        />
        <output className="w-14">{width} px</output>
      </label>
      {opens && (
        <>
          <button className="plain px-2 underline" onClick={putAnew}>
            Open it again
          </button>
          {'opener' in definition.looks && (
            <button className="plain px-2 underline" onClick={() => post({ pl: 'close', pieceId })}>
              Show its opener
            </button>
          )}
        </>
      )}
      {scale.by < 1 && <span>shown at {Math.round(scale.by * 100)} %</span>}
    </div>
  );
}
