import type { Design } from './design.js';

/** The designs as visitors would see them if all drafts were published. */
export function withDrafts(designs: readonly Design[], drafts: readonly Design[]): Design[] {
  const byOriginal = new Map(drafts.flatMap((draft) => (draft.draft?.of ? [[draft.draft.of, draft] as const] : [])));
  const changed = designs.map((design) => {
    const draft = byOriginal.get(design.id);
    return draft ? ({ ...design, definition: draft.definition } as Design) : design;
  });
  return [...changed, ...drafts.filter(({ draft }) => draft?.of === null)];
}

/** Whether a design is what visitors see, and no draft. */
export function isPublished({ draft }: Design): boolean {
  return !draft;
}
