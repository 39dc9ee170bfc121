import type { z } from 'zod';
import { cartRoutes } from './shop/cart';
import { productRoutes } from './shop/products';
import { visitRoutes } from './shop/visits';
import { bulkRoutes } from './studio/bulk';
import { categoryRoutes } from './studio/categories';
import { configurationRoutes } from './studio/configuration';
import { draftRoutes } from './studio/draft';
import { finderRoutes } from './studio/finder';
import { groundRoutes } from './studio/grounds';
import { importRoutes } from './studio/imports';
import { laneMapRoutes } from './studio/lane-map';
import { layoutRoutes } from './studio/layouts';
import { linkRoutes } from './studio/links';
import { offerRoutes } from './studio/offers';
import { studioOrderRoutes } from './studio/orders';
import { peopleRoutes } from './studio/people';
import { proofRoutes } from './studio/proofs';
import { publishingRoutes } from './studio/publishing';
import { studioProductRoutes } from './studio/products';
import { searchRoutes } from './studio/searches';
import { textRoutes } from './studio/texts';
import type { ReadOnly } from './tools';

/** Every route there is, with what it takes and what it answers. */
export const contract = {
  ...cartRoutes,
  ...productRoutes,
  ...visitRoutes,
  ...bulkRoutes,
  ...categoryRoutes,
  ...configurationRoutes,
  ...draftRoutes,
  ...finderRoutes,
  ...groundRoutes,
  ...importRoutes,
  ...laneMapRoutes,
  ...layoutRoutes,
  ...linkRoutes,
  ...offerRoutes,
  ...studioOrderRoutes,
  ...peopleRoutes,
  ...proofRoutes,
  ...publishingRoutes,
  ...studioProductRoutes,
  ...searchRoutes,
  ...textRoutes,
};
export type Contract = typeof contract;
export type RouteName = keyof Contract;

type Part<Name extends RouteName, Key extends string> = Contract[Name] extends { readonly [K in Key]: infer Schema }
  ? Schema
  : never;
type Sent<Schema> = [Schema] extends [never] ? undefined : Schema extends z.ZodType ? z.output<Schema> : never;
type Received<Schema> = [Schema] extends [never] ? never : Schema extends z.ZodType ? z.output<Schema> : never;

/** What a route answers as JSON; of one that answers lines, what stands in the last of them. */
export type AnswerOf<Name extends RouteName> = Received<Part<Name, 'answer'>>;
export type LinesOf<Name extends RouteName> = Received<Part<Name, 'lines'>>;

/** What a route is asked with, once it is read. */
export interface Asked<Name extends RouteName> {
  readonly params: Sent<Part<Name, 'params'>>;
  readonly query: Sent<Part<Name, 'query'>>;
  readonly body: Sent<Part<Name, 'body'>>;
  readonly form: Sent<Part<Name, 'form'>>;
}

export type BodyOf<Name extends RouteName> = Asked<Name>['body'];
export type QueryOf<Name extends RouteName> = Asked<Name>['query'];

/** What stands beside the problems of a 409. */
export type ConflictOf<Name extends RouteName> = Received<Part<Name, 'conflict'>>;

/** One thing that was refused, as it is told: where it stands, which kind it is, and a sentence for people. */
export interface ToldProblem {
  readonly path: string;
  readonly code: string;
  readonly message: string;
  readonly facts?: Readonly<Record<string, string | number>>;
}

/** What comes back from a route before it is known whether it was refused. */
export type Reply<Name extends RouteName> = Partial<AnswerOf<Name>> & { readonly problems?: readonly ToldProblem[] };

type InAddress = string | number | boolean | null | undefined;
type Given<Key extends string, Value> = [Value] extends [never] ? unknown : { readonly [K in Key]: Value };
type Keys<Schema> = [Schema] extends [z.ZodObject<infer Shape>] ? keyof Shape : never;
type Written<Schema> = [Schema] extends [never] ? never : Schema extends z.ZodType ? ReadOnly<z.input<Schema>> : never;
type Params<Schema> = [Schema] extends [never] ? never : { readonly [Key in Keys<Schema>]: string | number };

/** What whoever asks hands over: the parts of the address, what stands behind it, and what is sent. */
export type Asking<Name extends RouteName> = Given<'params', Params<Part<Name, 'params'>>> &
  Given<'body', Written<Part<Name, 'body'>>> &
  Given<'form', Written<Part<Name, 'form'>>> & {
    readonly query?: { readonly [Key in Keys<Part<Name, 'query'>>]?: InAddress | readonly string[] };
    /** A file and nothing else. */
    readonly bytes?: Blob;
  };
