import type { Changed, KeptDraft, User } from '@plindo/core/contract';
import type { Design, Draft } from '@plindo/core/design';
import { isPart } from '@plindo/core/design';
import type { UnplacedDesign } from '@plindo/core/plans';
import { DESIGN_WORDS, designIssues } from '@plindo/core/plans';
import { Refusal, refuseIfAny } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store, Unit } from '../../store/index.js';
import type { Editing } from '../editing.js';
import { refuseOutdated } from '../editing.js';

/** Designs that visitors do not see yet: kept as they are, with whatever is still wrong; what is published has to be sound. */
export class Drafts {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly editing: Editing,
  ) {}

  /** All of them with who changed each last, the oldest first. */
  async all(): Promise<KeptDraft[]> {
    const users = await this.store.accounts.users();
    const names = new Map(users.map(({ id, name }) => [id, name]));
    return Promise.all(
      this.live.drafts().map(async (design) => {
        const [latest] = await this.store.log.historyOfDesign(design.id);
        const at = latest ? new Date(latest.change.at).toISOString() : null;
        return { design, at, who: names.get(latest?.change.userId ?? 0) ?? 'Plindo' };
      }),
    );
  }

  /**
   * Begins a draft of a design, or of a new one. Refused by `change.conflict` where
   * another draft of it was begun meanwhile, and by `request.not-found`.
   */
  add(user: User, sketch: UnplacedDesign, of: number | null): Promise<Changed<Design>> {
    return this.editing.change(user, async (unit) => {
      const { allDesigns, drafts } = unit.structure;
      const { name } = sketch.definition;
      if (of !== null && drafts.some(({ draft }) => draft?.of === of))
        throw Refusal.of('change.conflict', { title: name });
      const original = of === null ? null : originalOf(of, unit);
      if (original && original.type !== sketch.type) throw Refusal.of('request.not-found');
      const last = Math.max(0, ...allDesigns.map(({ position }) => position));
      const result = await unit.insertDesign({
        ...sketch,
        kindId: original ? original.kindId : sketch.kindId,
        position: original?.position ?? last + 1,
        draft: { of, basedOn: original?.version ?? 0, publishAt: null, fault: '' },
      } as Parameters<Unit['insertDesign']>[0]);
      return { sentence: `Began a draft of the ${DESIGN_WORDS[sketch.type]} ${name}`, result };
    });
  }

  /** Keeps what a draft has become; it is based on what visitors see now. */
  update(user: User, id: number, version: number, definition: Design['definition']): Promise<Changed<Design>> {
    return this.editing.change(user, async (unit) => {
      const before = draftOf(id, unit);
      refuseOutdated(before, version, before.definition.name);
      const { of } = before.draft;
      const basedOn = of === null ? 0 : originalOf(of, unit).version;
      const result = await unit.updateDesign(before, { definition, draft: { ...before.draft, basedOn, fault: '' } });
      return { sentence: `Changed the draft of the ${DESIGN_WORDS[before.type]} ${definition.name}`, result };
    });
  }

  remove(user: User, id: number): Promise<Changed<null>> {
    return this.editing.change(user, async (unit) => {
      const before = draftOf(id, unit);
      await unit.remove('design', id, before);
      return {
        sentence: `Threw away the draft of the ${DESIGN_WORDS[before.type]} ${before.definition.name}`,
        result: null,
      };
    });
  }

  /** Makes visitors see drafts, all or none of them. */
  publish(user: User | null, ids: readonly number[]): Promise<Changed<Design[]>> {
    return this.editing.change(user, async (unit) => {
      const drafts = ids.map((id) => draftOf(id, unit));
      // Parts first: other pages embed them.
      const inOrder = [...drafts.filter(isPart), ...drafts.filter((draft) => !isPart(draft))];
      const result: Design[] = [];
      for (const draft of inOrder) result.push(await publishOne(draft as DraftedDesign, unit));
      const names = drafts.map(({ definition }) => definition.name).join(', ');
      return { sentence: `Published ${drafts.length === 1 ? 'the draft' : 'the drafts'} ${names}`, result };
    });
  }

  /** Lets drafts be published by themselves at a moment (ISO 8601), or no more with null. */
  schedule(user: User, ids: readonly number[], publishAt: string | null): Promise<Changed<Design[]>> {
    return this.editing.change(user, async (unit) => {
      const result: Design[] = [];
      for (const draft of ids.map((id) => draftOf(id, unit))) {
        result.push(await unit.updateDesign(draft, { draft: { ...draft.draft, publishAt, fault: '' } }));
      }
      const names = result.map(({ definition }) => definition.name).join(', ');
      return { sentence: publishAt === null ? `Took the moment from ${names}` : `Set a moment for ${names}`, result };
    });
  }

  /** Publishes drafts whose moment has come, together; where that is refused, each says why. */
  async publishDue(): Promise<void> {
    const due = this.live.drafts().filter(({ draft }) => isDue(draft, this.live.nowInMs()));
    if (due.length === 0) return;
    const ids = due.map(({ id }) => id);
    try {
      await this.publish(null, ids);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      await this.tellWhyNot(ids, error.issues.map(({ message }) => message).join(' '));
    }
  }

  private async tellWhyNot(ids: readonly number[], fault: string): Promise<void> {
    await this.editing.change(null, async (unit) => {
      const due = unit.structure.drafts.filter(({ id }) => ids.includes(id)) as DraftedDesign[];
      for (const draft of due) await unit.updateDesign(draft, { draft: { ...draft.draft, publishAt: null, fault } });
      return { sentence: 'Drafts whose moment had come could not be published', result: null };
    });
  }
}

type DraftedDesign = Design & { readonly draft: Draft };

function isDue(draft: Draft | undefined, nowInMs: number): boolean {
  const at = draft?.publishAt ?? null;
  return at !== null && Date.parse(at) <= nowInMs;
}

function draftOf(id: number, { structure }: Unit): DraftedDesign {
  const found = structure.drafts.find((design) => design.id === id);
  if (!found?.draft) throw Refusal.of('request.not-found');
  return found as DraftedDesign;
}

function originalOf(id: number, { structure }: Unit): Design {
  const found = structure.designs.find((design) => design.id === id);
  if (!found) throw Refusal.of('request.not-found');
  return found;
}

/** A draft takes the place of its design, if that has not changed since; a new design is seen from now on. */
async function publishOne(draft: DraftedDesign, unit: Unit): Promise<Design> {
  const { of, basedOn } = draft.draft;
  refuseIfAny(designIssues(draft, of ?? draft.id, unit.structure, unit.context()));
  if (of === null) return unit.updateDesign(draft, { draft: null });
  const original = originalOf(of, unit);
  refuseOutdated(original, basedOn, original.definition.name);
  await unit.remove('design', draft.id, draft);
  return unit.updateDesign(original, { definition: draft.definition });
}
