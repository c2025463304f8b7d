/** A picture that was drawn and kept, as listings and pages have it. */
export interface KeptPicture {
  readonly hash: string;
  readonly width: number;
  readonly height: number;
  readonly alt: string;
  readonly focus: { readonly x: number; readonly y: number };
}

/** Numbers of the kinds of the guide, and of the selections that its pages list. */
export interface GuideNumbers {
  readonly harbour: number;
  readonly berth: number;
  readonly yard: number;
  readonly course: number;
  readonly instructor: number;
  readonly guide: number;
  readonly channel: number;
  /** Of the part with a word from the office. */
  readonly office: number;
  /** Of the form with which skippers send in boatyards. */
  readonly form: number;
  /** By slug. */
  readonly selections: ReadonlyMap<string, number>;
}
