import {
  compileManifest,
  diffLanes,
  mendsFor,
  proofSituations,
  slotUses,
  type CategoryTexts,
  type Lane,
  type Manifest,
  type Mend,
  type Situation,
} from '~/core/lane';
import {
  findProblems,
  problemKey,
  textsByPlace,
  type Compared,
  type PageMeasure,
  type ProofProblem,
} from '~/core/proof';
import { deviceOf } from '~/core/where';
import { definitionOf, definitions, situationsOf } from '~/pieces/definitions';
import { ask } from '~/studio/data/api';
import { frameAddress, isPossible, languageOf, shownLane, situationMessage } from '~/studio/preview/framed';
import { previewPage } from '~/studio/preview/preview-page';
import type { Samples } from '~/studio/preview/samples';
import { produce } from 'immer';
import type { FrameDriver, Shot } from './frame-driver';

/** What a sheet is drawn from. */
export interface SheetOf {
  readonly pieceId: string;
  readonly lane: Lane;
  readonly token: string;
  /** Of the draft the lane is; null: it is one of what was published, of which nothing is tried. */
  readonly edit: number | null;
  readonly revision: number;
  readonly samples: Samples;
  readonly categories: readonly { readonly slug: string }[];
  readonly categoryTexts: CategoryTexts;
}

/** One situation, as it was drawn. */
export interface Stone {
  readonly page: PageMeasure;
  readonly situation: Situation;
  readonly height: number;
  readonly problems: readonly ProofProblem[];
  /** HTML that stands by itself. */
  readonly picture: string;
}

/** A mend that was drawn, and held. */
export interface TriedMend {
  readonly mend: Mend;
  readonly after: Stone;
}

const HEIGHTS = { phone: 844, tablet: 1024, desktop: 800 } as const;
/** Mends that are drawn for one problem, at most: fewer where each is a page of its own. */
const MOST_TRIED = { byRuntime: 24, byServer: 8 };
const USES = slotUses(definitions);

/** The situations of a piece that the shop has products and carts for. */
export function situationsFor({ lane, pieceId, samples }: SheetOf): Situation[] {
  const { kind } = lane.pieces[pieceId]!;
  return proofSituations(definitionOf(kind)!, situationsOf(kind), lane.shop.languages).filter((situation) =>
    isPossible(situation, samples),
  );
}

const compiled = new WeakMap<Lane, Map<string, Manifest>>();

/** The same for every situation of a language: a frame that plays it already need not take it again. */
function manifestOf({ pieceId, revision }: SheetOf, lane: Lane, language: string): Manifest {
  let known = compiled.get(lane);
  if (!known) compiled.set(lane, (known = new Map()));
  const key = `${pieceId} ${revision} ${language}`;
  const found = known.get(key) ?? compileManifest(shownLane(lane, pieceId), definitions, revision, language);
  known.set(key, found);
  return found;
}

function shotOf(of: SheetOf, lane: Lane, situation: Situation): Shot {
  const { pieceId, samples, categories, categoryTexts, token } = of;
  const definition = definitionOf(lane.pieces[pieceId]!.kind)!;
  const device = deviceOf(situation.width);
  const message = situationMessage(pieceId, situation, samples);
  const product = message.product ?? samples.products['plain'] ?? null;
  const asked = { lane, pieceId, definition, categories, categoryTexts, product };
  const lang = languageOf(situation, lane.shop.languages);
  return {
    address: frameAddress(previewPage(asked, definition.preview.path, device).path, {
      draft: token,
      lang,
      ...(definition.spots && { shape: pieceId }),
      ...(situation.suggestions !== undefined && { suggestions: String(situation.suggestions) }),
    }),
    width: situation.width,
    height: HEIGHTS[device],
    manifest: manifestOf(of, lane, lang),
    situation: message,
    state: situation.state ?? 'rest',
    textPercent: situation.textPercent ?? 100,
    uses: USES,
  };
}

/** What texts are in the shop's own language, as far as it has been drawn. */
function comparedWith(stones: Iterable<Stone>, { lane }: SheetOf): Compared {
  const own = lane.shop.languages[0];
  return { source: textsByPlace([...stones].map(({ page }) => page).filter(({ language }) => language === own)) };
}

/** What is wrong in a situation, beside the others of its sheet: what is not translated is not found alone. */
function judged(stones: readonly Stone[], of: SheetOf): Stone[] {
  const [own] = of.lane.shop.languages;
  const compared = comparedWith(stones, of);
  return stones.map((stone) =>
    stone.page.language === own ? stone : { ...stone, problems: findProblems(stone.page, of.pieceId, compared) },
  );
}

/** Draws a piece in a situation and looks what is wrong; null where the shop did not answer. */
async function layOnce(
  driver: FrameDriver,
  of: SheetOf,
  { lane, situation, compared }: { lane: Lane; situation: Situation; compared?: Compared },
): Promise<Stone | null> {
  const shot = shotOf(of, lane, situation);
  const proved = await driver.measure(shot);
  if (!proved) return null;
  return {
    situation,
    page: proved.page,
    height: shot.height,
    problems: findProblems(proved.page, of.pieceId, compared),
    picture: proved.picture,
  };
}

/** Draws every situation of a piece, in as many frames at once as there are, tells each as it is there, and answers all. */
export async function laySheet(
  drivers: readonly FrameDriver[],
  of: SheetOf,
  onLaid: (stone: Stone) => void,
  signal: AbortSignal,
): Promise<Stone[]> {
  const stones: Stone[] = [];
  // Those of one page one after the other: it is loaded once.
  const byPage = new Map<string, Situation[]>();
  for (const situation of situationsFor(of)) {
    const { address } = shotOf(of, of.lane, situation);
    byPage.set(address, [...(byPage.get(address) ?? []), situation]);
  }
  const waiting = [...byPage.values()];
  await Promise.all(
    drivers.map(async (driver) => {
      for (let page = takeWork(waiting); page && !signal.aborted; page = takeWork(waiting))
        for (const situation of page) {
          if (signal.aborted) return;
          const asked = { lane: of.lane, situation };
          // A busy machine may not have come to rest in time: once more.
          const stone = (await layOnce(driver, of, asked)) ?? (await layOnce(driver, of, asked));
          if (!stone || signal.aborted) continue;
          stones.push(stone);
          onLaid(stone);
        }
    }),
  );
  return judged(stones, of);
}

const isServerDrawn = ({ lane, pieceId }: SheetOf) => definitionOf(lane.pieces[pieceId]!.kind)!.spots !== undefined;

/** The token by which the shop draws a changed draft: what the server draws it has to know before. */
async function tokenFor(of: SheetOf, changed: Lane): Promise<string> {
  const { lane, token, edit } = of;
  if (!isServerDrawn(of) || edit === null) return token;
  const { key } = await ask('POST /api/studio/draft/tries', { body: { edit, patch: diffLanes(lane, changed) } });
  return `${token}.t${key}`;
}

/** The next page to draw; where only a long one is left, half of it. */
function takeWork(waiting: Situation[][]): Situation[] | undefined {
  if (waiting.length !== 1) return waiting.shift();
  const [last] = waiting;
  const half = last!.splice(0, Math.ceil(last!.length / 2));
  if (last!.length === 0) waiting.pop();
  return half;
}

/** The likeliest change that, when it is drawn, leaves the problem out and brings no new one; null where none does. */
export async function tryMends(
  driver: FrameDriver,
  of: SheetOf,
  {
    problem,
    stone,
    stones,
  }: { readonly problem: ProofProblem; readonly stone: Stone; readonly stones: Iterable<Stone> },
  signal: AbortSignal,
): Promise<TriedMend | null> {
  const { situation } = stone;
  const before = new Set(stone.problems.map(problemKey));
  const mends = mendsFor({ problem, situation, lane: of.lane, definitions }, of.pieceId).slice(
    0,
    isServerDrawn(of) ? MOST_TRIED.byServer : MOST_TRIED.byRuntime,
  );
  // A translation that is missing is missing beside what the shop's own language says.
  const compared = problem.check === 'untranslated' ? comparedWith(stones, of) : undefined;
  for (const mend of mends) {
    if (signal.aborted) return null;
    const lane = produce(of.lane, mend.change);
    const after = await layOnce(
      driver,
      { ...of, token: await tokenFor(of, lane) },
      { lane, situation, ...(compared && { compared }) },
    );
    const left = after?.problems.map(problemKey) ?? [problemKey(problem)];
    if (after && !left.includes(problemKey(problem)) && left.every((key) => before.has(key))) return { mend, after };
  }
  return null;
}
