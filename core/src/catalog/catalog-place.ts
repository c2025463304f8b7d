/** The locale that puts texts in order, and the time zone by which listings leave. */
export interface CatalogPlace {
  /** BCP 47. */
  readonly locale: string;
  /** IANA time zone. */
  readonly zone: string;
}
