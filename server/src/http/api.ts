import { Refusal, hasNul } from '@plindo/core/values';
import { rm } from 'node:fs/promises';
import { Router } from 'express';
import type { Request, RequestHandler, Response } from 'express';
import type { Budget } from './budget.js';
import { questionBudget } from './budget.js';
import { docsRouter } from './docs-router.js';
import { DOCUMENTS, documentSchema } from './document-schemas.js';
import { readDto, readLongDto } from './dto/read-dto.js';
import { fileUpload } from './file-upload.js';
import { jsonBody } from './json-body.js';
import { openApiDocument } from './openapi.js';
import { WITH_SESSION, isAllowed, waitsForStep } from '../services/people/permissions.js';
import type { Call, Route } from './route.js';
import { allRoutes } from './routes/index.js';
import type { Services } from './services.js';
import { fromOf, identify, senderOf } from './session.js';

const LARGEST_BODY = '4mb';
const NO_CONTENT = 204;

/** The API below /api: for each route, who may use it, what it must be sent, and its handler. */
export function apiRouter(services: Services, budget: Budget | null): Router {
  const router = Router();
  router.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  router.use('/docs', docsRouter());
  router.use(identify(services.accounts, services.tokens), questionBudget(budget, services.throttles));
  const routes = allRoutes(services);
  const document = openApiDocument(routes);
  router.get('/openapi.json', (_request, response) => void response.json(document));
  for (const name of Object.keys(DOCUMENTS) as (keyof typeof DOCUMENTS)[]) {
    const schema = documentSchema(name, routes);
    router.get(`/${name}.schema.json`, (_request, response) => void response.json(schema));
  }
  for (const route of routes) mount(router, route, services);
  router.use(() => {
    throw Refusal.of('request.not-found');
  });
  return router;
}

function mount(router: Router, route: Route, services: Services): void {
  const steps: RequestHandler[] = [permissionCheck(route, services)];
  if (route.before) steps.push(route.before);
  if (route.body) steps.push(...jsonBody(route.largestBody ?? LARGEST_BODY));
  if (route.file) {
    steps.push(fileUpload(route.file, route.largestFileOnDisk ?? null));
    if (route.largestFileOnDisk) steps.push(removeFileAfterwards);
  }
  router[route.method](route.path, ...steps, async (request: Request, response: Response) => {
    const call = await callOf(route, request, response);
    const begunAt = performance.now();
    const answer = await route.handle(call);
    if (response.headersSent) return;
    // W3C Server Timing: what the answer took to make, without reading the request and writing the answer.
    response.set('Server-Timing', `made;dur=${(performance.now() - begunAt).toFixed(2)}`);
    if (answer === undefined) response.status(NO_CONTENT).end();
    else response.json(answer);
  });
}

/** Whatever becomes of the request, the file that came with it doesn't stay. */
const removeFileAfterwards: RequestHandler = (request, response, next) => {
  const path = request.file?.path;
  response.on('close', () => {
    if (path) void rm(path, { force: true });
  });
  next();
};

function permissionCheck(
  { method, path, permission, changesNothing }: Route,
  { doorLog, live }: Services,
): RequestHandler {
  const reads = method === 'get' || changesNothing === true;
  return async (request, _response, next) => {
    const sender = senderOf(request);
    if (!isAllowed(sender?.user.role ?? null, permission)) {
      if (!sender) throw Refusal.of('auth.required');
      await doorLog.note('forbidden', sender.user, fromOf(request), `${method.toUpperCase()} ${path}`);
      throw Refusal.of('auth.forbidden');
    }
    const waits = sender && waitsForStep(permission, sender.user.role, sender.hasSecondStep, live.site());
    if (waits) throw Refusal.of('auth.step-needed');
    if (sender?.readOnly && !reads) throw Refusal.of('auth.read-only');
    if (sender?.by === 'token' && WITH_SESSION.has(permission)) throw Refusal.of('auth.session-only');
    next();
  };
}

async function callOf(route: Route, request: Request, response: Response): Promise<Call<never, never>> {
  const isUnkeepable = (!route.checksTexts && hasNul(request.body)) || hasNul(request.query);
  if (isUnkeepable) throw Refusal.of('value.nul', { label: 'The request' });
  return {
    body: (route.body ? await readLongDto(route.body, request.body) : undefined) as never,
    query: (route.query ? readDto(route.query, request.query) : undefined) as never,
    user: senderOf(request)?.user ?? null,
    request,
    response,
    id(name = 'id') {
      const id = Number(request.params[name]);
      if (!Number.isSafeInteger(id) || id < 1) throw Refusal.of('request.not-found');
      return id;
    },
  };
}
