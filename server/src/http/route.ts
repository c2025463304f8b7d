import type { User } from '@plindo/core/contract';
import type { Request, RequestHandler, Response } from 'express';
import type { AnswerName, Answers } from './answers.js';
import type { Act } from '../services/people/permissions.js';
import type { DtoClass } from './dto/dto-shape.js';

/** What a route's handler is given: everything checked. */
export interface Call<Body, Query> {
  readonly body: Body;
  readonly query: Query;
  /** A whole number from the path; refused as "not found" when it isn't one. */
  id(name?: string): number;
  /** Null only on routes that anyone may use. */
  readonly user: User | null;
  readonly request: Request;
  readonly response: Response;
}

/** What a handler gives back: what its route is said to answer. */
type Answered<Name> = Name extends AnswerName ? Answers[Name] | Promise<Answers[Name]> : unknown;

export interface RouteDefinition<Body, Query, Name extends AnswerName | undefined = AnswerName | undefined> {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** In Express's form, below /api: "/kinds/:id". */
  readonly path: string;
  readonly permission: Act;
  /** Whether it changes nothing though its method says that it might: such a question is too long for an address. */
  readonly changesNothing?: boolean;
  /** One sentence for the API's document. */
  readonly summary: string;
  readonly body?: DtoClass<Body & object>;
  /** The largest body, where it isn't the usual 4 MB. */
  readonly largestBody?: string;
  /** Whether the handler itself says where in the body a text can't be kept, as it does row by row. */
  readonly checksTexts?: boolean;
  readonly query?: DtoClass<Query & object>;
  /** Name of the answer's type, for the document; absent when there is no content. */
  readonly answers?: Name;
  /** The media type of an answer that isn't JSON. */
  readonly sends?: string;
  /** A file sent as multipart form data under this name. */
  readonly file?: string;
  /** For a file that is too large for memory: the most bytes; it lies in a temporary folder until the answer is sent. */
  readonly largestFileOnDisk?: number;
  /** Further checks before the handler, such as a limit of tries. */
  readonly before?: RequestHandler;
  handle(call: Call<Body, Query>): Answered<Name>;
}

/** A route whose body and query types only its own handler needs to know. */
export type Route = Omit<RouteDefinition<never, never>, 'handle'> & { handle(call: Call<never, never>): unknown };

/** Declares a route; the types of body and query come from their DTO classes. */
export function route<Body = undefined, Query = undefined, Name extends AnswerName | undefined = undefined>(
  definition: RouteDefinition<Body, Query, Name>,
): Route {
  return definition as unknown as Route;
}

/** The user of a route that only signed-in people reach. */
export function signedIn(call: { readonly user: User | null }): User {
  if (!call.user) throw new Error('This route has to ask for a permission that anonymous visitors lack.');
  return call.user;
}
