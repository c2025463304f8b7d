import type { User } from '@plindo/core/contract';
import { askedField, questionsOf } from '@plindo/core/design';
import type { FormFault } from '@plindo/core/page';
import { sentPath } from '@plindo/core/page';
import { fieldType } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { Refusal, sizeWords, toldToVisitors } from '@plindo/core/values';
import type { ErrorRequestHandler, NextFunction, Request, RequestHandler, Response } from 'express';
import { Router } from 'express';
import multer from 'multer';
import { LARGEST_PICTURE_IN_BYTES } from '../services/media/pictures.js';
import { partOfComeBack } from '../site/come-back.js';
import { publicAddressForAnyone } from './public-address.js';
import { plainPage } from '../site/plain-page.js';
import { statusOf } from './problem.js';
import { nameInUtf8 } from './routes/files.js';
import type { SentForm, SentTold } from '../services/submissions/attempts.js';
import type { FormParts } from './sent-form.js';
import { partOf, partsOf, senderIn, sentFormOf } from './sent-form.js';
import type { Services } from './services.js';
import { sessionSecret } from './session.js';
import { throttleBy } from './throttle.js';

const TEN_MINUTES = { stretchInMs: 600_000, wait: 'ten minutes' };
const SEE_OTHER = 303;
const MOST_FILES = 12;
const MOST_LISTINGS = 8;
const LONGEST_MESSAGE = 4_000;
/** Rows have as many parts as fields in them. */
const MOST_PARTS = 4000;
const LARGEST_PART_IN_BYTES = 200_000;

/** What visitors do with forms: they look over what they have answered, send it, see what became of it. Works without scripts. */
export function formsRouter(services: Services): Router {
  const router = Router();
  const { throttles } = services;
  const limited = (what: string, most: number): RequestHandler => throttleBy(throttles, { what, most, ...TEN_MINUTES });
  router.use(['/forms', '/tell', '/sent'], (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  router.post('/forms/:id/look', limited('form-look', 60), readForm, handled(services, look));
  router.post('/forms/:id/check', limited('form-check', 300), readForm, handled(services, check));
  router.post('/forms/:id/send', limited('form-send', 15), readForm, handled(services, send));
  router.post('/forms/:id/pictures', limited('form-picture', 60), readForm, handled(services, keepPicture));
  router.get('/forms/:id/listings', limited('form-search', 300), handled(services, listings));
  router.post('/tell/:id/look', limited('form-look', 60), readForm, handled(services, tell));
  router.post('/tell/:id/send', limited('form-send', 15), readForm, handled(services, send));
  router.post('/sent/:secret/message', limited('form-send', 15), readForm, handled(services, writeAgain));
  router.post('/sent/:secret/withdraw', limited('form-send', 15), readForm, handled(services, withdraw));
  router.use(inWords(services));
  return router;
}

/** Refusals in the words of the site; as a page for whoever sends a form without scripts. */
function inWords({ live }: Services): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (!(error instanceof Refusal)) return next(error);
    const { words } = live.context().formats;
    const told = (refused: Issue): Issue => ({ ...refused, message: toldToVisitors(words, refused) });
    const [first, ...others] = error.issues;
    if (request.accepts(['html', 'json']) === 'json') return next(new Refusal([told(first), ...others.map(told)]));
    response
      .status(statusOf(first.code))
      .type('html')
      .send(plainPage(words.locale, words.say('form.back-title'), told(first).message));
  };
}

interface FormCall {
  readonly services: Services;
  readonly request: Request;
  readonly response: Response;
  readonly parts: FormParts;
}

function handled(services: Services, work: (call: FormCall) => Promise<void> | void): RequestHandler {
  return async (request, response) => {
    await work({ services, request, response, parts: partsOf(request.body) });
  };
}

const upload = multer({
  storage: multer.memoryStorage(),
  limits: {
    fileSize: LARGEST_PICTURE_IN_BYTES,
    files: MOST_FILES,
    fieldSize: LARGEST_PART_IN_BYTES,
    fields: MOST_PARTS,
  },
}).any();

function readForm(request: Request, response: Response, next: NextFunction): void {
  upload(request, response, (error: unknown) => {
    if (!(error instanceof multer.MulterError)) return next(error);
    const isSize = error.code === 'LIMIT_FILE_SIZE';
    next(
      isSize
        ? Refusal.of('request.too-large', { greatest: sizeWords(LARGEST_PICTURE_IN_BYTES) })
        : Refusal.of('request.malformed', { reason: `${error.message.toLowerCase()}.` }),
    );
  });
}

/** Reads and keeps what was answered, and shows what is missing, or all of it to be looked over. */
async function look(call: FormCall): Promise<void> {
  const { services, response } = call;
  const sent = read(call, await keepFiles(call));
  const looked = services.attempts.look(sent);
  const token = await services.attempts.keep(looked.sent);
  if (wantsJson(call)) return void response.json(services.attempts.stateOf(looked, token));
  back(call, token);
}

/** Reads and keeps what is told of a listing; a browser with scripts does so with nothing in it when somebody begins to write. */
async function tell(call: FormCall): Promise<void> {
  const { services, request, response, parts } = call;
  const told: SentTold = {
    ...{ listingId: numberIn(request), intent: partOf(parts, 'intent') === 'mine' ? 'mine' : 'wrong' },
    ...{ message: messageIn(parts), trap: partOf(parts, 'fax') },
    sender: senderIn(parts),
  };
  services.attempts.toldFaults(told);
  const token = await services.attempts.keepTold(told, partOf(parts, 'token'));
  if (wantsJson(call)) response.json(services.attempts.toldState(told, token));
  else back(call, token, [], 'tell');
}

/** What is missing or not right so far, and which questions don't apply; nothing is kept. */
function check(call: FormCall): void {
  const { faults, read: answers } = call.services.attempts.look(read(call, new Map()));
  call.response.json({ faults, hidden: answers.hidden });
}

/** Sends what was looked over. */
async function send(call: FormCall): Promise<void> {
  const { services, request, response, parts } = call;
  const token = partOf(parts, 'token');
  const by = { user: await userOf(call), base: publicAddressForAnyone(services.live.site(), request) };
  const sent = await services.sending.send(
    token,
    { solution: partOf(parts, 'solution'), sum: partOf(parts, 'sum') },
    by,
  );
  if ('secret' in sent) {
    const href = sentPath(sent.secret);
    return void (wantsJson(call) ? response.json({ href }) : response.redirect(SEE_OTHER, href));
  }
  const { faults } = sent;
  if (wantsJson(call)) response.json({ faults });
  else back(call, token, faults);
}

/** What somebody wrote, as much of it as is kept. */
function messageIn(parts: FormParts): string {
  return partOf(parts, 'message').trim().slice(0, LONGEST_MESSAGE);
}

/** Takes other words about a listing in the place of those that were sent. */
async function writeAgain({ services, request, response, parts }: FormCall): Promise<void> {
  const secret = String(request.params['secret']);
  await services.sentPages.writeAgain(secret, messageIn(parts));
  response.redirect(SEE_OTHER, sentPath(secret));
}

async function withdraw({ services, request, response }: FormCall): Promise<void> {
  const secret = String(request.params['secret']);
  await services.sentPages.withdraw(secret);
  response.redirect(SEE_OTHER, sentPath(secret));
}

/** Keeps a picture before the form is sent. */
async function keepPicture({ services, request, response }: FormCall): Promise<void> {
  services.attempts.form(formId(request));
  const [file] = filesOf(request);
  if (!file) throw Refusal.of('request.malformed', { reason: 'there is no picture in it.' });
  response.json(await keptPicture(services, file.buffer, nameInUtf8(file.originalname)));
}

/** Listings on the site that a link of the form can lead to, by words. */
function listings({ services, request, response }: FormCall): void {
  const { form, kind } = services.attempts.form(formId(request));
  const key = String(request.query['field'] ?? '');
  const isAsked = questionsOf(form.definition).some(({ field }) => field === key);
  const { linked } = (isAsked && askedField(kind, key)?.settings) || {};
  if (!linked) throw Refusal.of('request.not-found');
  response.json(services.attempts.search(linked.kindId, String(request.query['q'] ?? ''), MOST_LISTINGS));
}

function read({ services, request, parts }: FormCall, kept: ReadonlyMap<string, readonly unknown[]>): SentForm {
  const id = formId(request);
  const { form, kind } = services.attempts.form(id);
  return sentFormOf(id, { form: form.definition, kind }, parts, kept);
}

/** Keeps the pictures and files that came with a form, by the key of their field. */
async function keepFiles({ services, request }: FormCall): Promise<Map<string, unknown[]>> {
  const { kind } = services.attempts.form(formId(request));
  const kept = new Map<string, unknown[]>();
  for (const file of filesOf(request)) {
    const key = file.fieldname.replace(/\.file$/, '');
    const field = askedField(kind, key);
    if (!field || file.size === 0) continue;
    const name = nameInUtf8(file.originalname);
    const one =
      fieldType(field.type).control === 'file'
        ? await services.files.add(file.buffer, name)
        : await keptPicture(services, file.buffer, name);
    kept.set(key, [...(kept.get(key) ?? []), one]);
  }
  return kept;
}

async function keptPicture({ pictures }: Services, bytes: Buffer, name: string): Promise<object> {
  const { hash, width, height } = await pictures.add(bytes, name);
  return { hash, width, height, alt: '' };
}

function filesOf(request: Request): Express.Multer.File[] {
  return Array.isArray(request.files) ? request.files : [];
}

/** Back to the page on which the form stands, with what was answered. */
function back(
  { response, parts }: FormCall,
  token: string,
  faults: readonly FormFault[] = [],
  place = partOf(parts, 'place') || 'form',
): void {
  const path = partOf(parts, 'path');
  const [plain = '/'] = (path.startsWith('/') && !path.startsWith('//') ? path : '/').split(/[?#]/);
  const again = partOfComeBack({ token, isSumWrong: faults.some(({ field }) => field === 'sum') });
  response.redirect(SEE_OTHER, `${plain}${again}#${place === 'tell' ? 'tell' : 'form'}`);
}

function formId(request: Request): number {
  return numberIn(request, 'form.gone');
}

/** The number in an address. */
function numberIn(request: Request, code: 'form.gone' | 'request.not-found' = 'request.not-found'): number {
  const id = Number(request.params['id']);
  if (!Number.isSafeInteger(id) || id < 1) throw Refusal.of(code);
  return id;
}

function wantsJson({ request }: FormCall): boolean {
  return request.accepts(['html', 'json']) === 'json';
}

/** Whoever is signed in, when the form stands on this site; pages of other sites send for nobody. */
async function userOf({ services, request }: FormCall): Promise<User | null> {
  const from = request.headers['sec-fetch-site'];
  const secret = sessionSecret(request);
  if (secret === null || (from !== undefined && from !== 'same-origin')) return null;
  return (await services.accounts.userOfSession(secret))?.user ?? null;
}
