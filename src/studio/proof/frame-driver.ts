import {
  isPreviewMessage,
  type FromPreview,
  type LookState,
  type Manifest,
  type SituationMessage,
  type ToPreview,
} from '~/core/lane';
import type { ControlUse } from '~/core/proof';

/** What a frame is to show, and to measure. */
export interface Shot {
  /** A page of the shop with the draft's token. */
  readonly address: string;
  /** Of the window, in CSS px. */
  readonly width: number;
  readonly height: number;
  readonly manifest: Manifest;
  readonly situation: SituationMessage;
  readonly state: LookState;
  readonly textPercent: number;
  readonly uses: Readonly<Record<string, ControlUse>>;
}

export type Proved = Pick<Extract<FromPreview, { pl: 'proved' }>, 'page' | 'picture'>;

export interface FrameDriver {
  /** Null where the shop did not come, or did not stand still, in time. */
  measure(shot: Shot): Promise<Proved | null>;
  end(): void;
}

/** A page of the shop that has not come by then does not, in ms. */
const MOST_MS = 10_000;

/** Plays the shop in a frame: one situation after the other, each measured once it stands still. */
export function createFrameDriver(frame: HTMLIFrameElement): FrameDriver {
  let address = '';
  /** What the page in the frame plays. */
  let played: Manifest | null = null;
  let seq = 0;
  let hear: (message: FromPreview) => void = () => undefined;

  function onMessage(event: MessageEvent<FromPreview>): void {
    const isOurs = event.origin === location.origin && event.source === frame.contentWindow;
    if (isOurs && isPreviewMessage(event.data)) hear(event.data);
  }
  addEventListener('message', onMessage);

  /** The first message that is wanted; null after a while. */
  function next<Pl extends FromPreview['pl']>(
    pl: Pl,
    fits: (message: Extract<FromPreview, { pl: Pl }>) => boolean = () => true,
  ): Promise<Extract<FromPreview, { pl: Pl }> | null> {
    return new Promise((resolve) => {
      const timer = setTimeout(() => resolve(null), MOST_MS);
      hear = (message) => {
        if (message.pl !== pl || !fits(message as Extract<FromPreview, { pl: Pl }>)) return;
        clearTimeout(timer);
        resolve(message as Extract<FromPreview, { pl: Pl }>);
      };
    });
  }

  async function load(shot: Shot): Promise<boolean> {
    if (shot.address === address) return true;
    address = shot.address;
    played = null;
    const ready = next('ready');
    frame.src = shot.address;
    if (await ready) return true;
    address = '';
    return false;
  }

  return {
    async measure(shot) {
      frame.style.width = `${shot.width}px`;
      frame.style.height = `${shot.height}px`;
      if (!(await load(shot))) return null;
      const post = (message: ToPreview) => frame.contentWindow?.postMessage(message, location.origin);
      seq += 1;
      const asked = seq;
      if (shot.manifest !== played) {
        const painted = next('painted', (message) => message.seq === asked);
        post({ pl: 'manifest', manifest: shot.manifest, seq: asked });
        if (!(await painted)) return null;
        played = shot.manifest;
      }
      post(shot.situation);
      post({ pl: 'force', state: shot.state });
      const proved = next('proved', (message) => message.seq === asked);
      const { pieceId, media } = shot.situation;
      post({ pl: 'measure', seq: asked, pieceId, textPercent: shot.textPercent, uses: shot.uses, media });
      const drawn = await proved;
      return drawn?.isStill ? drawn : null;
    },
    end() {
      removeEventListener('message', onMessage);
    },
  };
}
