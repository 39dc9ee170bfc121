import type { ManifestPiece } from '~/core/lane';
import type { MountedPiece, OpenAbout, PieceHost, Views } from './piece-host';

export interface Mounts {
  /** Mounts what is seen, updates what is there, and takes away the rest. */
  show(seen: readonly ManifestPiece[], host: PieceHost): Promise<void>;
  open(piece: ManifestPiece, about: OpenAbout): Promise<void>;
  /** Fetches what is only shown when it is asked for. */
  fetchAsked(): void;
}

/** The pieces mounted on this page. */
export function createMounts(views: Views): Mounts {
  const mounted = new Map<string, MountedPiece>();
  let seen: readonly ManifestPiece[] = [];
  let host: PieceHost;

  function isWanted({ id, kind }: ManifestPiece): boolean {
    const view = views[kind];
    return mounted.has(id) || (!!view && !view.isAsked && (!view.at || !!document.querySelector(view.at)));
  }

  function remove(id: string): void {
    mounted.get(id)?.destroy();
    mounted.delete(id);
  }

  /** A piece that fails is left out: a fault of ours must never be the host page's. */
  async function mount(piece: ManifestPiece): Promise<MountedPiece | undefined> {
    try {
      const there = mounted.get(piece.id);
      if (there) there.update(piece, host);
      else {
        const view = await views[piece.kind]?.load();
        // Meanwhile the visit may have been judged again: the piece may be gone, or mounted already.
        if (seen.includes(piece) && view && !mounted.has(piece.id)) mounted.set(piece.id, view.mount(piece, host));
      }
    } catch (error) {
      console.error(piece.kind, error);
      remove(piece.id);
    }
    return mounted.get(piece.id);
  }

  return {
    async show(nextSeen, nextHost) {
      seen = nextSeen;
      host = nextHost;
      for (const id of mounted.keys()) if (!seen.some((piece) => piece.id === id)) remove(id);
      await Promise.all(seen.filter(isWanted).map(mount));
    },
    async open(piece, about) {
      const there = mounted.get(piece.id) ?? (await mount(piece));
      if (there) there.open?.(about);
      // A link that could not be followed by a piece is followed by the browser; without a connection the page says so itself.
      else if (navigator.onLine && about.opener instanceof HTMLAnchorElement) location.assign(about.opener.href);
    },
    fetchAsked() {
      // Mounted when the browser is idle, so that a press only has to show it.
      const whenIdle = globalThis.requestIdleCallback ?? setTimeout;
      for (const piece of seen.filter(({ kind }) => views[kind]?.isAsked))
        void views[piece.kind]!.load().then(
          () => whenIdle(() => mounted.has(piece.id) || void mount(piece)),
          () => undefined,
        );
    },
  };
}
