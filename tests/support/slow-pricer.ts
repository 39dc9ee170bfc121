// A second pricer, written from the rules of pricing alone (docs/pricing.md) to judge the first. It tries every combination and
// every unit, one after the other, and imports nothing of the program (`npm run depcruise` holds it to that).

type Maybe<T> = T | null | undefined;

interface Named {
  readonly products?: Maybe<readonly string[]>;
  readonly variants?: Maybe<readonly string[]>;
  readonly categories?: Maybe<readonly string[]>;
  readonly tags?: Maybe<readonly string[]>;
}
interface Selection {
  readonly only?: Maybe<Named>;
  readonly except?: Maybe<Named>;
}
interface Line {
  readonly id: string;
  readonly product: string;
  readonly variant: string;
  readonly categories?: readonly string[];
  readonly tags?: readonly string[];
  readonly quantity: number;
  readonly unitMinor: number;
  readonly unitOptionsMinor?: Maybe<number>;
  readonly onceOptionsMinor?: Maybe<number>;
  readonly taxBasisPoints?: Maybe<number>;
}
interface Break {
  readonly from: number;
  readonly basisPoints?: number;
  readonly unitMinor?: number;
}
/** Any offer: which fields it has hangs on its kind. */
interface Offer {
  readonly id: string;
  readonly kind: string;
  readonly on?: Maybe<boolean>;
  readonly rank?: Maybe<number>;
  readonly when?: Maybe<{
    readonly code?: Maybe<string>;
    readonly from?: Maybe<string>;
    readonly until?: Maybe<string>;
    readonly shopper?: Maybe<string>;
    readonly birthdayDays?: Maybe<number>;
    readonly countries?: Maybe<readonly string[]>;
    readonly sources?: Maybe<readonly string[]>;
    readonly minGoodsMinor?: Maybe<number>;
    readonly minQuantity?: Maybe<number>;
    readonly counts?: Maybe<Selection>;
  }>;
  readonly combine?: Maybe<{
    readonly group?: Maybe<string>;
    readonly per?: Maybe<string>;
    readonly alone?: Maybe<boolean>;
  }>;
  readonly limits?: Maybe<{ readonly total?: Maybe<number>; readonly perShopper?: Maybe<number> }>;
  readonly target?: string;
  readonly selection?: Maybe<Selection>;
  readonly maxMinor?: Maybe<number>;
  readonly basisPoints?: Maybe<number>;
  readonly amountMinor?: Maybe<number>;
  readonly unitMinor?: number;
  readonly flatMinor?: Maybe<number>;
  readonly count?: Maybe<string>;
  readonly breaks?: readonly Break[];
  readonly buy?: Maybe<Selection>;
  readonly get?: Maybe<Selection>;
  readonly buyQuantity?: number;
  readonly getQuantity?: number;
  readonly choose?: Maybe<string>;
  readonly most?: Maybe<number>;
  readonly items?: readonly { readonly selection?: Maybe<Selection>; readonly quantity: number }[];
  readonly priceMinor?: number;
  readonly methods?: Maybe<readonly string[]>;
  readonly variant?: string;
  readonly quantity?: number;
}
export interface SlowInput {
  readonly lines: readonly Line[];
  readonly offers?: Maybe<readonly Offer[]>;
  readonly codes?: Maybe<readonly string[]>;
  readonly at: string;
  readonly today?: Maybe<string>;
  readonly shopper?: Maybe<string>;
  readonly country?: Maybe<string>;
  readonly source?: Maybe<string>;
  readonly birthday?: Maybe<string>;
  readonly used?: Maybe<Readonly<Record<string, { readonly total: number; readonly byShopper: number }>>>;
  readonly deliveryMinor?: Maybe<number>;
  readonly deliveryMethod?: Maybe<string>;
  readonly tax: { readonly basisPoints: number; readonly included: boolean };
}
export interface SlowPrice {
  readonly lines: readonly number[];
  readonly deliveryMinor: number | null;
  readonly taxMinor: number;
  readonly totalMinor: number;
  readonly taken: Readonly<Record<string, number>>;
  /** The reason of each offer that is not in the price. */
  readonly refused: Readonly<Record<string, string>>;
  readonly gifts: readonly string[];
}

const halfUp = (amount: number, times: number, over: number): number => {
  const [twice, under] = [2n * BigInt(amount) * BigInt(times) + BigInt(over), 2n * BigInt(over)];
  return Number(twice / under);
};
const part = (amount: number, basisPoints: number) => halfUp(amount, basisPoints, 10_000);
const sum = (amounts: readonly number[]) => amounts.reduce((all, one) => all + one, 0);

function share(amount: number, weights: readonly number[]): number[] {
  const all = BigInt(sum(weights));
  if (all === 0n) return weights.map(() => 0);
  const products = weights.map((weight) => BigInt(weight) * BigInt(amount));
  const shares = products.map((product) => Number(product / all));
  const byRemainder = products
    .map((product, at) => ({ at, remainder: product % all }))
    .sort((a, b) => (a.remainder === b.remainder ? a.at - b.at : a.remainder > b.remainder ? -1 : 1));
  for (const { at } of byRemainder.slice(0, amount - sum(shares))) shares[at]! += 1;
  return shares;
}

function matches(line: Line, named: Named): boolean {
  return (
    (named.products ?? []).includes(line.product) ||
    (named.variants ?? []).includes(line.variant) ||
    (line.categories ?? []).some((one) => (named.categories ?? []).includes(one)) ||
    (line.tags ?? []).some((one) => (named.tags ?? []).includes(one))
  );
}
function fits(line: Line, selection: Maybe<Selection>): boolean {
  if (selection?.only && !matches(line, selection.only)) return false;
  return !(selection?.except && matches(line, selection.except));
}
function isWrittenAlike(a: Maybe<Selection>, b: Maybe<Selection>): boolean {
  const sorted = (value: unknown): unknown => {
    if (Array.isArray(value) || typeof value !== 'object' || value === null) return value;
    return Object.entries(value)
      .filter(([, own]) => own !== undefined)
      .sort(([one], [other]) => (one < other ? -1 : 1))
      .map(([key, own]) => [key, sorted(own)]);
  };
  const written = (one: Maybe<Selection>) => JSON.stringify(sorted(one ?? {}));
  return written(a) === written(b);
}

const fullUnit = (line: Line) => Math.max(0, line.unitMinor + (line.unitOptionsMinor ?? 0));
const fullPrice = (line: Line) => fullUnit(line) * line.quantity + (line.onceOptionsMinor ?? 0);
const plain = (code: string) => code.trim().toLowerCase();

function daysToBirthday(today: string, birthday: string): number {
  const [month, day] = birthday.split('-').map(Number) as [number, number];
  const now = Date.parse(`${today}T00:00:00Z`);
  const year = Number(today.slice(0, 4));
  return Math.min(
    ...[year - 1, year, year + 1].map((of) => {
      const isLeap = new Date(Date.UTC(of, 1, 29)).getUTCMonth() === 1;
      const [m, d] = month === 2 && day === 29 && !isLeap ? [3, 1] : [month, day];
      return Math.round(Math.abs(Date.UTC(of, m - 1, d) - now) / 86_400_000);
    }),
  );
}

/** The first reason that holds; null: the offer is able. */
function reasonAgainst(offer: Offer, input: SlowInput): string | null {
  const when = offer.when ?? {};
  const at = Date.parse(input.at);
  const used = input.used?.[offer.id] ?? { total: 0, byShopper: 0 };
  const [total, perShopper] = [offer.limits?.total ?? Infinity, offer.limits?.perShopper ?? Infinity];
  if (offer.on === false) return 'off';
  if (when.code && !(input.codes ?? []).some((code) => plain(code) === plain(when.code!))) return 'needs-code';
  if (when.from && at < Date.parse(when.from)) return 'not-started';
  if (when.until && at >= Date.parse(when.until)) return 'ended';
  if ((when.shopper ?? 'any') !== 'any' && when.shopper !== (input.shopper ?? 'new')) return 'wrong-shopper';
  if (when.birthdayDays !== null && when.birthdayDays !== undefined) {
    const today = input.today ?? new Date(at).toISOString().slice(0, 10);
    if (!input.birthday || daysToBirthday(today, input.birthday) > when.birthdayDays) return 'not-birthday';
  }
  if (used.total >= total || used.byShopper >= perShopper) return 'used-up';
  if ((when.countries ?? []).length > 0 && !(input.country && when.countries!.includes(input.country)))
    return 'wrong-country';
  if ((when.sources ?? []).length > 0 && !(input.source && when.sources!.includes(input.source))) return 'wrong-source';
  const counted = input.lines.filter((line) => fits(line, when.counts));
  if (sum(counted.map(fullPrice)) < (when.minGoodsMinor ?? 0)) return 'needs-more';
  if (sum(counted.map(({ quantity }) => quantity)) < (when.minQuantity ?? 0)) return 'needs-items';
  return null;
}

function stage(offer: Offer): number {
  if (offer.kind === 'priceIs' || offer.kind === 'quantityBreaks') return 1;
  if (offer.kind === 'buyGet' || offer.kind === 'bundle') return 2;
  if (offer.kind === 'deliveryOff') return 5;
  return offer.target === 'lines' ? 3 : 4;
}
const inTurn = (a: Offer, b: Offer) => (a.rank ?? 0) - (b.rank ?? 0) || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
const groupOf = (offer: Offer) => offer.combine?.group ?? null;
const isAlone = (offer: Offer) => offer.combine?.alone ?? false;
/** The group in which an offer stands item by item; null: none. */
const itemGroup = (offer: Offer) => (offer.combine?.per === 'item' && !isAlone(offer) ? groupOf(offer) : null);
const isLineOffer = (offer: Offer) =>
  stage(offer) === 1 || (stage(offer) === 3 && (offer.maxMinor === null || offer.maxMinor === undefined));

/** Whether the better of two equal lists of offers is the first: fewer offers, then the smaller list of rank and id. */
function isBefore(a: readonly Offer[], b: readonly Offer[]): boolean {
  if (a.length !== b.length) return a.length < b.length;
  const [own, others] = [[...a].sort(inTurn), [...b].sort(inTurn)];
  const at = own.findIndex((offer, i) => offer.id !== others[i]!.id);
  return at >= 0 && inTurn(own[at]!, others[at]!) < 0;
}

function isLegal(offers: readonly Offer[]): boolean {
  if (offers.length > 1 && offers.some(isAlone)) return false;
  return offers.every((a, i) =>
    offers.slice(i + 1).every((b) => {
      if (groupOf(a) === null || groupOf(a) !== groupOf(b)) return true;
      return itemGroup(a) !== null && itemGroup(b) !== null && !(stage(a) === 5 && stage(b) === 5);
    }),
  );
}

/** What a unit of a line costs by one offer of stage 1; null: it gives none. */
function newUnit(offer: Offer, line: Line, lines: readonly Line[]): number | null {
  const options = line.unitOptionsMinor ?? 0;
  if (offer.kind === 'priceIs') return Math.max(0, offer.unitMinor! + options);
  const together = lines.filter((one) => fits(one, offer.selection)).map(({ quantity }) => quantity);
  const count = offer.count === 'selection' ? sum(together) : line.quantity;
  const reached = offer.breaks!.filter(({ from }) => from <= count).sort((a, b) => b.from - a.from)[0];
  if (!reached) return null;
  if (reached.unitMinor !== undefined) return Math.max(0, reached.unitMinor + options);
  return Math.max(0, fullUnit(line) - part(fullUnit(line), reached.basisPoints!));
}

/** The lowest unit price and the offer that makes it. */
function stageOne(line: Line, lines: readonly Line[], offers: readonly Offer[]): { unit: number; by: Offer | null } {
  let [unit, by]: [number, Offer | null] = [fullUnit(line), null];
  for (const offer of [...offers].sort(inTurn)) {
    const own = newUnit(offer, line, lines);
    if (own !== null && own < unit) [unit, by] = [own, offer];
  }
  return { unit, by };
}

function offLine(offer: Offer, cost: number, units: number): number {
  const off = offer.kind === 'percentOff' ? part(cost, offer.basisPoints!) : offer.amountMinor! * units;
  return Math.min(cost, off);
}

/** Which line offer of each group a line takes, in a combination. */
function chooseForLine(line: Line, lines: readonly Line[], offers: readonly Offer[]): readonly Offer[] {
  const ownLineOffers = offers.filter((offer) => isLineOffer(offer) && fits(line, offer.selection));
  const always = ownLineOffers.filter((offer) => itemGroup(offer) === null);
  const groups = [...new Set(ownLineOffers.flatMap((offer) => itemGroup(offer) ?? []))];
  let choices: Offer[][] = [[]];
  for (const group of groups) {
    const members = ownLineOffers.filter((offer) => itemGroup(offer) === group);
    choices = choices.flatMap((chosen) => [chosen, ...members.map((member) => [...chosen, member])]);
  }
  const costOf = (chosen: readonly Offer[]) => {
    const acting = [...always, ...chosen].sort(inTurn);
    const { unit } = stageOne(
      line,
      lines,
      acting.filter((offer) => stage(offer) === 1),
    );
    let cost = unit * line.quantity + (line.onceOptionsMinor ?? 0);
    for (const offer of acting) if (stage(offer) === 3) cost -= offLine(offer, cost, line.quantity);
    return cost;
  };
  return choices.reduce((best, one) => {
    const [own, least] = [costOf(one), costOf(best)];
    return own < least || (own === least && isBefore(one, best)) ? one : best;
  });
}

interface Unit {
  readonly line: number;
  readonly before: number;
  cost: number;
  isUsed: boolean;
}

/** Stage 2, one offer, unit by unit. */
function takeSet(offer: Offer, units: readonly Unit[], lines: readonly Line[]): void {
  const free = (selection: Maybe<Selection>) =>
    units.filter((unit) => !unit.isUsed && fits(lines[unit.line]!, selection));
  // Sorting is stable: equal units stay in line order.
  const dearest = (some: readonly Unit[]) => [...some].sort((a, b) => b.cost - a.cost);
  const cheapest = (some: readonly Unit[]) => [...some].sort((a, b) => a.cost - b.cost);
  const most = offer.most ?? Infinity;
  const use = (unit: Unit, isReduced: boolean) => {
    unit.isUsed = true;
    if (isReduced) unit.cost -= part(unit.cost, offer.basisPoints!);
  };
  if (offer.kind === 'bundle') {
    for (let made = 0; made < most; made += 1) {
      const items = offer
        .items!.map((item) => ({ ...item, count: free(item.selection).length }))
        .sort((a, b) => a.count - b.count);
      const taken: Unit[] = [];
      for (const item of items) {
        const found = dearest(free(item.selection).filter((unit) => !taken.includes(unit))).slice(0, item.quantity);
        if (found.length < item.quantity) return;
        taken.push(...found);
      }
      const members = units.filter((unit) => taken.includes(unit));
      const costs = members.map(({ cost }) => cost);
      if (sum(costs) <= offer.priceMinor!) return;
      const shares = share(offer.priceMinor!, costs);
      for (const [i, unit] of members.entries()) {
        unit.isUsed = true;
        unit.cost = shares[i]!;
      }
    }
    return;
  }
  const [buyQuantity, getQuantity] = [offer.buyQuantity!, offer.getQuantity!];
  if (isWrittenAlike(offer.buy, offer.get)) {
    const all = dearest(free(offer.buy));
    for (let group = 0; group < most; group += 1) {
      const members = all.slice(group * (buyQuantity + getQuantity), (group + 1) * (buyQuantity + getQuantity));
      if (members.length <= buyQuantity) return;
      for (const [i, unit] of members.entries()) use(unit, i >= buyQuantity);
    }
    return;
  }
  const gets = offer.choose === 'dearest' ? dearest(free(offer.get)) : cheapest(free(offer.get));
  const buys = free(offer.buy);
  let times = Math.min(Math.ceil(gets.length / getQuantity), Math.floor(buys.length / buyQuantity), most);
  for (; times > 0; times -= 1) {
    const reduced = gets.slice(0, Math.min(times * getQuantity, gets.length));
    const others = cheapest(buys.filter((unit) => !reduced.includes(unit)));
    if (others.length < times * buyQuantity) continue;
    for (const unit of reduced) use(unit, true);
    for (const unit of others.slice(0, times * buyQuantity)) use(unit, false);
    return;
  }
}

interface Run {
  readonly lines: readonly number[];
  readonly deliveryMinor: number;
  readonly taken: ReadonlyMap<string, number>;
}
const costOf = ({ lines, deliveryMinor }: Run) => sum(lines) + deliveryMinor;

/** The five stages, for one combination. */
function run(input: SlowInput, offers: readonly Offer[]): Run {
  const { lines } = input;
  const acting = [...offers].sort(inTurn);
  const of = (at: number) => acting.filter((offer) => stage(offer) === at);
  const taken = new Map<string, number>();
  const tell = (offer: Offer, amount: number) => {
    if (amount > 0) taken.set(offer.id, (taken.get(offer.id) ?? 0) + amount);
  };
  const chosen = lines.map((line) => chooseForLine(line, lines, offers));
  /** Of each line the groups whose sets, or whose offers with a cap or on the order, have lowered it. */
  const bySet = lines.map(() => new Set<string>());
  const byOther = lines.map(() => new Set<string>());
  const isOpen = (offer: Offer, at: number): boolean => {
    if (!fits(lines[at]!, offer.selection)) return false;
    const group = itemGroup(offer);
    if (group === null) return true;
    if (isLineOffer(offer)) return chosen[at]!.includes(offer) && !(stage(offer) === 3 && bySet[at]!.has(group));
    const takesOne = chosen[at]!.some((one) => itemGroup(one) === group);
    return !takesOne && !bySet[at]!.has(group) && !byOther[at]!.has(group);
  };

  const units = lines.flatMap((line, at) => {
    const { unit, by } = stageOne(
      line,
      lines,
      of(1).filter((offer) => isOpen(offer, at)),
    );
    if (by) tell(by, (fullUnit(line) - unit) * line.quantity);
    return Array.from({ length: line.quantity }, (): Unit => ({ line: at, before: unit, cost: unit, isUsed: false }));
  });
  const ofLine = (at: number) => units.filter((unit) => unit.line === at);
  const goods = (at: number) => sum(ofLine(at).map(({ cost }) => cost));
  for (const offer of of(2)) {
    const before = lines.map((_, at) => goods(at));
    takeSet(offer, units, lines);
    for (const at of lines.keys()) {
      tell(offer, before[at]! - goods(at));
      const group = itemGroup(offer);
      if (group !== null && goods(at) < before[at]!) bySet[at]!.add(group);
    }
  }
  const costs = lines.map((line, at) => goods(at) + (line.onceOptionsMinor ?? 0));
  const lessen = (offer: Offer, offs: readonly number[]) => {
    for (const [at, off] of offs.entries()) {
      costs[at]! -= off;
      tell(offer, off);
      const group = itemGroup(offer);
      if (group !== null && off > 0) byOther[at]!.add(group);
    }
  };
  for (const offer of of(3)) {
    const offs = lines.map((_, at) => {
      const paid = ofLine(at).filter(({ before, cost }) => !(before > 0 && cost === 0)).length;
      return isOpen(offer, at) ? offLine(offer, costs[at]!, paid) : 0;
    });
    const most = offer.maxMinor ?? Infinity;
    lessen(offer, sum(offs) > most ? share(most, offs) : offs);
  }
  for (const offer of of(4)) {
    const own = lines.map((_, at) => (isOpen(offer, at) ? costs[at]! : 0));
    const base = sum(own);
    const wanted = offer.kind === 'percentOff' ? part(base, offer.basisPoints!) : offer.amountMinor!;
    lessen(offer, share(Math.min(wanted, base, offer.maxMinor ?? Infinity), own));
  }
  let rest = input.deliveryMinor ?? 0;
  for (const offer of of(5)) {
    const methods = offer.methods ?? [];
    if (methods.length > 0 && !(input.deliveryMethod && methods.includes(input.deliveryMethod))) continue;
    const wanted =
      offer.flatMinor !== null && offer.flatMinor !== undefined
        ? Math.max(0, rest - offer.flatMinor)
        : (offer.amountMinor ?? part(rest, offer.basisPoints ?? 0));
    const off = Math.min(rest, wanted);
    rest -= off;
    tell(offer, off);
  }
  return { lines: costs, deliveryMinor: rest, taken };
}

function taxOf({ lines, tax }: SlowInput, run: Run): number {
  const bases = new Map<number, number>([[tax.basisPoints, run.deliveryMinor]]);
  for (const [at, line] of lines.entries()) {
    const rate = line.taxBasisPoints ?? tax.basisPoints;
    bases.set(rate, (bases.get(rate) ?? 0) + run.lines[at]!);
  }
  return sum([...bases].map(([rate, base]) => halfUp(base, rate, tax.included ? 10_000 + rate : 10_000)));
}

const MOST_SEARCHED = 16;

/** The price of a cart by the rules, found by trying everything. Up to ten offers or so: 2 to the power of them are tried. */
export function slowPrice(input: SlowInput): SlowPrice {
  const offers = input.offers ?? [];
  const refused: Record<string, string> = {};
  for (const offer of offers) {
    const reason = reasonAgainst(offer, input);
    if (reason !== null) refused[offer.id] = reason;
  }
  const stands = offers.filter(({ id }) => !Object.hasOwn(refused, id));
  const able = stands.filter(({ kind }) => kind !== 'gift').sort(inTurn);
  const nothing = run(input, []);
  const alone = new Map(able.map((offer) => [offer, costOf(nothing) - costOf(run(input, [offer]))]));
  const searched = [...able].sort((a, b) => alone.get(b)! - alone.get(a)! || inTurn(a, b)).slice(0, MOST_SEARCHED);

  let [best, after]: [readonly Offer[], Run] = [[], nothing];
  for (let mask = 1; mask < 2 ** searched.length; mask += 1) {
    const combination = searched.filter((_, i) => mask & (1 << i));
    if (!isLegal(combination)) continue;
    const own = run(input, combination);
    if (own.taken.size < combination.length) continue;
    const [cost, least] = [costOf(own), costOf(after)];
    if (cost < least || (cost === least && isBefore(combination, best))) [best, after] = [combination, own];
  }

  const delivery = input.deliveryMinor ?? null;
  for (const offer of able) {
    if (best.includes(offer)) continue;
    if (!searched.includes(offer)) refused[offer.id] = 'not-searched';
    else if (offer.kind === 'deliveryOff' && delivery === null) refused[offer.id] = 'delivery-not-chosen';
    else refused[offer.id] = alone.get(offer) === 0 ? 'no-effect' : 'outdone';
  }
  const taxMinor = taxOf(input, after);
  return {
    lines: after.lines,
    deliveryMinor: delivery === null ? null : after.deliveryMinor,
    taxMinor,
    totalMinor: costOf(after) + (input.tax.included ? 0 : taxMinor),
    taken: Object.fromEntries(after.taken),
    refused,
    gifts: stands.filter(({ kind }) => kind === 'gift').map(({ id }) => id),
  };
}
