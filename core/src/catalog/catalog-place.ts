/** By whose manner texts are ordered, and by whose clocks listings leave. */
export interface CatalogPlace {
  /** BCP 47. */
  readonly locale: string;
  /** IANA time zone. */
  readonly zone: string;
}
