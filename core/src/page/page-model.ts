import type { SiteSettings } from '../structure/index.js';
import type { SentWords } from '../values/index.js';
import type { PageColumn, PagePurpose, Strip } from '../design/index.js';
import type { CardForms } from './cards/card-model.js';
import type { FooterModel, HeaderModel, PageLink } from './frame-model.js';
import type { FormModel } from './forms/form-model.js';
import type { SentState } from './forms/sent-model.js';
import type { PieceModel } from './pieces/piece-models.js';

/** Where and when a page was made, so that the browser repeats the server's words exactly. */
export interface PageFrame {
  readonly site: SiteSettings;
  /** The look of the site as declarations of a style attribute; '' where it is the one that comes with Plindo. */
  readonly look: string;
  /** The address of the publisher's own sheet; '' for none. */
  readonly ownSheet: string;
  /** What its components say. */
  readonly words: SentWords;
  /** ISO 8601 moment at which the page was made. */
  readonly now: string;
  /** For the browser's title bar and for search engines. */
  readonly title: string;
  readonly description: string;
  /** The one address of this page, without the parts that mean nothing. */
  readonly canonical: string;
  readonly header: HeaderModel;
  /** Null for a site that has none. */
  readonly footer: FooterModel | null;
}

/** A page that is made by a design: strips, columns in them, pieces in these. */
export interface DesignedPage extends PageFrame {
  readonly type: 'designed';
  readonly serves: PagePurpose;
  /** Whether it shows people who have signed in something else than visitors. */
  readonly dependsOnViewer: boolean;
  /** The listing whose page it is; null for none. */
  readonly listing: { readonly id: number; readonly kindId: number; readonly title: string } | null;
  /** That the listing is over, and since when; '' for one that is on the site, and for any other page. */
  readonly over: string;
  readonly strips: readonly StripModel[];
  readonly cardForms: CardForms;
  /** The lists on it that visitors steer. */
  readonly areas: readonly AreaModel[];
  readonly forMachines: ForMachines;
}

/** What stands in a page beside what people see. */
export interface ForMachines {
  /** The text of a script of JSON-LD; '' for none. */
  readonly data: string;
  /** The whole address of a picture to show the page by elsewhere; '' for none. */
  readonly picture: string;
}

/** A list that visitors steer, whose controls stand in pieces here and there: they are parts of one form. */
export interface AreaModel {
  readonly key: string;
  /** The id of the form. */
  readonly form: string;
  /** Where the form leads. */
  readonly path: string;
  /** What the address says of the other lists. */
  readonly others: readonly (readonly [name: string, value: string])[];
  /** What the sort choice is called in the form, and which one the list has by itself. */
  readonly sort: { readonly name: string; readonly byItself: string | null };
}

/** The screens that something is for, where it isn't for all. */
export interface OnScreens {
  readonly screens?: 'narrow' | 'wide';
}

export interface StripModel extends OnScreens, Pick<Strip, 'key' | 'width' | 'tone' | 'picture' | 'space' | 'anchor'> {
  readonly columns: readonly ColumnModel[];
}

export interface ColumnModel extends Pick<PageColumn, 'key' | 'share' | 'rem' | 'order'> {
  readonly pieces: readonly PieceModel[];
}

export interface NotFoundPage extends PageFrame {
  readonly type: 'not-found';
  /** Where its search leads, and what it is called; null for a site that shows no list. */
  readonly search: PageLink | null;
}

/** The page to which the link of a sender leads. */
export interface SentPage extends PageFrame {
  readonly type: 'sent';
  readonly sent: SentState;
  /** With which it can be changed; null when it can't. */
  readonly form: FormModel | null;
}

export type PageModel = DesignedPage | NotFoundPage | SentPage;
