import { Injectable, inject, signal } from '@angular/core';
import { CatalogApi, issuesOf } from '@plindo/api';
import type { DeskChange } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import type { Subscription } from 'rxjs';
import { Notices } from '../../shared/notices';
import type { Draft } from './form-draft';
import { draftOf, mergedDraft, newDraft } from './form-draft';
import { UnsavedWork } from './unsaved-work';

const KEEPING_PAUSE_IN_MS = 400;

/**
 * The work on the listing of a form: as the server keeps it, as it stands in the form, and what others have done to it
 * meanwhile. Whatever the server answers, and however late, nothing that was typed is replaced.
 */
@Injectable()
export class ListingWork {
  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly unsaved = inject(UnsavedWork);

  /** As the server keeps it; null for a new one. */
  readonly listing = signal<Listing | null>(null);
  readonly draft = signal<Draft | null>(null);
  /** Issues that are shown: of what was touched, and after a try to save all of them. */
  readonly issues = signal<readonly Issue[]>([]);
  readonly changed = signal(false);
  /** Whether what is shown was found in the browser, from before a reload. */
  readonly isRecovered = signal(false);
  /** What somebody else has changed of it while somebody typed here; null for nothing. */
  readonly othersChange = signal<DeskChange | null>(null);
  private readonly touched = new Set<string>();
  private keeping: ReturnType<typeof setTimeout> | undefined;
  /** What was asked for last: its kind, its id or "new", and the request. */
  private asked = '';
  private opening: Subscription | undefined;
  /** The kind and the id of what is shown. */
  private shown: readonly [kindId: string, listingId: string] | null = null;

  /** Opens a listing or a new one. Asked again for the same one, it leaves what is shown, or on its way, alone. */
  open(kind: Kind, id: string): void {
    const wanted = `${kind.id} ${id}`;
    if (this.asked === wanted) return;
    this.asked = wanted;
    this.opening?.unsubscribe();
    this.keepUnsaved();
    if (id === 'new') {
      this.recover(String(kind.id), null, newDraft(kind));
      return;
    }
    this.opening = this.api.listing(Number(id)).subscribe({
      next: (listing) => {
        this.keepUnsaved();
        this.recover(String(kind.id), listing, draftOf(listing));
      },
      error: (error: unknown) => {
        this.asked = '';
        this.refuse(issuesOf(error));
      },
    });
  }

  /** Says what stands in the form now, and which of its parts was touched; `issues` are all that it has. */
  type(draft: Draft, part: string, issuesNow: () => readonly Issue[]): void {
    this.draft.set(draft);
    this.changed.set(true);
    this.touched.add(part);
    this.issues.set(issuesNow().filter(({ field = '' }) => this.touched.has(partOf(field))));
    clearTimeout(this.keeping);
    this.keeping = setTimeout(() => this.keepUnsaved(), KEEPING_PAUSE_IN_MS);
  }

  /**
   * `sent`, typed over `before`, was saved as `result`; what was typed while it was on its way is still not saved.
   * Gives whether it is still the one that is shown.
   */
  saved(before: Listing | null, sent: Draft, result: Listing): boolean {
    this.unsaved.forget(String(result.kindId), before ? String(before.id) : 'new');
    const mine = this.draft();
    if (!mine || this.listing()?.id !== before?.id) return false;
    if (!before) this.asked = `${result.kindId} ${result.id}`;
    if (mine === sent) {
      this.show(result, draftOf(result));
    } else {
      this.put(result, mergedDraft(mine, sent, draftOf(result)).draft);
      this.keepUnsaved();
    }
    return true;
  }

  /** Shows the listing as it is by now; what was typed here stays. `onGone` is called where it is there no more. */
  takeIn(onGone?: () => void): void {
    const listing = this.listing();
    if (!listing) return;
    this.api.listing(listing.id).subscribe({
      next: (now) => this.merge(listing.id, now),
      error: (error: unknown) => (onGone ? onGone() : this.notices.refused(error)),
    });
  }

  private merge(id: number, now: Listing): void {
    const [base, mine] = [this.listing(), this.draft()];
    if (base?.id !== id || !mine || base.version >= now.version) return;
    if (!this.changed()) {
      this.show(now, draftOf(now));
      return;
    }
    const { draft, clashes } = mergedDraft(mine, draftOf(base), draftOf(now));
    this.put(now, draft);
    this.notices.said(
      clashes.length > 0
        ? `You have both changed ${clashes.map((key) => this.labelOf(key)).join(', ')}; yours stands in the form.`
        : 'What was changed is in the form, beside what you have typed.',
    );
  }

  /** Names a part of a listing; the form knows its kind. */
  labelOf: (key: string) => string = (key) => key;

  /**
   * It may have been changed elsewhere: it is shown as it is by now where nothing was typed, else they are asked. What was
   * saved here is heard of too, and is known already.
   */
  hear(change: DeskChange, onGone: () => void): void {
    const heard = this.listing();
    if (!heard) return;
    if (!this.changed()) {
      this.takeIn(onGone);
      return;
    }
    this.api.listing(heard.id).subscribe(({ id, version }) => {
      const known = this.listing();
      if (known?.id === id && version > known.version && this.changed()) this.othersChange.set(change);
    });
  }

  refuse(issues: readonly Issue[]): void {
    for (const { field } of issues) if (field) this.touched.add(partOf(field));
    this.issues.set(issues);
  }

  /** Shows a version without anything that was typed since. */
  restore(listing: Listing): void {
    this.forgetUnsaved();
    this.show(listing, draftOf(listing));
  }

  dropUnsaved(kind: Kind): void {
    const listing = this.listing();
    this.forgetUnsaved();
    this.show(listing, listing ? draftOf(listing) : newDraft(kind));
  }

  /** Keeps in the browser what is not saved. */
  keepUnsaved(): void {
    const [draft, listing] = [this.draft(), this.listing()];
    if (!draft || !this.changed() || !this.shown) return;
    this.unsaved.keep(...this.shown, { draft, base: listing && draftOf(listing) });
  }

  private forgetUnsaved(): void {
    if (this.shown) this.unsaved.forget(...this.shown);
  }

  /** Shows a listing, with the work on it that was not saved; what others changed since stays theirs. */
  private recover(kindId: string, listing: Listing | null, draft: Draft): void {
    this.show(listing, draft);
    this.shown = [kindId, listing ? String(listing.id) : 'new'];
    const kept = this.unsaved.find(...this.shown);
    if (!kept) return;
    this.draft.set(mergedDraft({ ...draft, ...kept.draft }, kept.base ?? draft, draft).draft);
    this.changed.set(true);
    this.isRecovered.set(true);
  }

  private show(listing: Listing | null, draft: Draft): void {
    clearTimeout(this.keeping);
    this.put(listing, draft);
    this.touched.clear();
    this.changed.set(false);
    this.isRecovered.set(false);
  }

  private put(listing: Listing | null, draft: Draft): void {
    if (listing) this.shown = [String(listing.kindId), String(listing.id)];
    this.listing.set(listing);
    this.draft.set(draft);
    this.issues.set([]);
    this.othersChange.set(null);
  }
}

/** The part of a listing in which a field of an issue lies. */
function partOf(field: string): string {
  return field.split('.')[0] ?? '';
}
