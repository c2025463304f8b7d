import type { Result } from '../../values/index.js';
import { issue, ok, refuse } from '../../values/index.js';
import type { RedirectsDesign } from '../redirects/redirects-design.js';
import { REDIRECTS_FORM } from '../redirects/redirects-design.js';
import type { FormDesign } from '../forms/form-design.js';
import { FORM_FORM } from '../forms/form-design.js';
import type { FrameDesign } from '../frames/frame-design.js';
import { FRAME_FORM } from '../frames/frame-design.js';
import type { LookDesign } from '../looks/look.js';
import { LOOK_FORM } from '../looks/look.js';
import { isPieceTypeName, pieceTypeOf } from '../pieces/registry.js';
import {
  SettingFault,
  conditionSetting,
  flag,
  group,
  listOf,
  numberFrom,
  oneOf,
  pictureSetting,
  readSettings,
  setting,
  words,
} from '../settings/setting.js';
import { textSetting } from '../settings/text-settings.js';
import type { WordsDesign } from '../words/words-design.js';
import { WORDS_FORM } from '../words/words-design.js';
import type { PageDesign, Piece } from './page-design.js';
import { STRIP_SPACES, STRIP_TONES, STRIP_WIDTHS } from './page-design.js';
import { PAGE_PURPOSES } from './page-purpose.js';
import { SHOWN_FORM } from './shown-when.js';

const MOST_STRIPS = 40;
const MOST_COLUMNS = 4;
const MOST_PIECES = 40;

const FRAME = { key: words(80), nothing: words(300), ...SHOWN_FORM };

const pieceSetting = setting<Piece | null>(null, 'a piece {key, type, settings}', (input, place) => {
  if (typeof input !== 'object' || input === null) return undefined;
  const { type, settings = {}, ...frame } = input as Record<string, unknown>;
  if (!isPieceTypeName(type)) throw new SettingFault(`${place}.type`, 'the name of a sort of piece');
  const read = readSettings(pieceTypeOf(type).form, settings, `${place}.settings`);
  return { ...readSettings(FRAME, frame, place), type, settings: read } as Piece;
});

const COLUMN = group({
  key: words(80),
  share: numberFrom(1, 12, 1),
  rem: numberFrom(0, 60, 0),
  order: numberFrom(1, 12, 1),
  pieces: listOf(pieceSetting, MOST_PIECES),
});

const STRIP = group({
  key: words(80),
  name: words(80),
  width: oneOf(STRIP_WIDTHS, 'content'),
  tone: oneOf(STRIP_TONES, 'plain'),
  picture: pictureSetting,
  space: oneOf(STRIP_SPACES, 'normal'),
  anchor: words(60),
  ...SHOWN_FORM,
  columns: listOf(COLUMN, MOST_COLUMNS),
});

const PAGE = {
  name: words(80),
  purpose: words(300),
  serves: oneOf(PAGE_PURPOSES, 'free'),
  address: words(120),
  inMenu: flag(),
  title: textSetting,
  description: textSetting,
  when: conditionSetting,
  categories: listOf(words(100), 50),
  selection: numberFrom(0, Number.MAX_SAFE_INTEGER, 0),
  strips: listOf(STRIP, MOST_STRIPS),
};

/** Reads a page from JSON. What is left out has its default; what cannot be is refused with its place. */
export function readPage(input: unknown): Result<PageDesign> {
  return read(() => readSettings(PAGE, input, 'page') as PageDesign);
}

/** The same of a look. */
export function readLook(input: unknown): Result<LookDesign> {
  return read(() => readSettings(LOOK_FORM, input, 'look'));
}

/** The same of the words of a site. */
export function readWords(input: unknown): Result<WordsDesign> {
  return read(() => readSettings(WORDS_FORM, input, 'words'));
}

/** The same of header and footer. */
export function readFrame(input: unknown): Result<FrameDesign> {
  return read(() => readSettings(FRAME_FORM, input, 'frame'));
}

/** The same of redirects. */
export function readRedirectsDesign(input: unknown): Result<RedirectsDesign> {
  return read(() => readSettings(REDIRECTS_FORM, input, 'redirects'));
}

/** The same of a form of visitors. */
export function readForm(input: unknown): Result<FormDesign> {
  return read(() => readSettings(FORM_FORM, input, 'form'));
}

function read<Of>(settings: () => Of): Result<Of> {
  try {
    return ok(settings());
  } catch (error) {
    if (!(error instanceof SettingFault)) throw error;
    const { place, wanted } = error;
    return refuse(issue('design.form', { place, wanted }, { field: place }));
  }
}
