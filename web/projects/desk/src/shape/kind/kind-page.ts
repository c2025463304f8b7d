import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatMenuModule } from '@angular/material/menu';
import { Router, RouterLink } from '@angular/router';
import { CatalogApi, SessionStore, issuesOf } from '@plindo/api';
import { fieldsOnCard } from '@plindo/core/design';
import type { Changed } from '@plindo/core/contract';
import type { Field, FieldTypeName, Kind, KindDefinition, Link } from '@plindo/core/structure';
import {
  checkKind,
  fieldByKey,
  fieldType,
  hasSubfields,
  makeField,
  makeKindDefinition,
  withoutField,
} from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import { firstFreeSlug, issue, keyOf } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import type { Observable } from 'rxjs';
import { DesignsStore } from '../../shared/designs-store';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import type { MayHoldWork } from '../../shared/may-hold-work';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { CopyFieldDialog } from './copy-field-dialog';
import { FieldEditor } from './field-editor';
import { FieldList } from './field-list';
import { KindActs } from './kind-acts';
import { KindSettings } from './kind-settings';
import type { LinkDialogData } from './link-dialog';
import { LinkDialog } from './link-dialog';
import { TypeChangeDialog } from './type-change-dialog';
import type { PickedField } from './type-picker';
import { TypePicker } from './type-picker';

const BLANK = makeKindDefinition({ slug: '', one: '', many: '' });

/** One kind: what is said of it, and its fields. Everything is changed here and saved together. */
@Component({
  selector: 'pl-kind-page',
  imports: [FieldEditor, FieldList, Icon, KindActs, KindList, KindSettings, MatButtonModule, MatMenuModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './kind-page.html',
  styleUrl: './kind-page.scss',
  host: {
    '(document:keydown.control.s)': 'save($event)',
    '(document:keydown.meta.s)': 'save($event)',
    '(window:beforeunload)': 'warn($event)',
  },
})
export class KindPage implements MayHoldWork {
  /** From the address; "new" for a kind that is being made. */
  readonly kindId = input.required<string>();

  protected readonly isOwner = inject(SessionStore).isOwner;
  private readonly api = inject(CatalogApi);
  private readonly designs = inject(DesignsStore);
  private readonly dialog = inject(MatDialog);
  private readonly notices = inject(Notices);
  protected readonly reading = inject(Reading);
  private readonly router = inject(Router);
  private readonly store = inject(KindsStore);
  private readonly summary = viewChild<ElementRef<HTMLElement>>('summary');

  /** From the address: key of the field to be shown. */
  readonly openField = input<string>();

  protected readonly kept = this.store.kindOf(this.kindId);
  protected readonly isNew = computed(() => this.kindId() === 'new');
  protected readonly draft = signal<KindDefinition | null>(null);
  protected readonly changed = signal(false);
  protected readonly saving = signal(false);
  protected readonly issues = signal<readonly Issue[]>([]);
  protected readonly selected = signal<string | null>(null);
  protected readonly field = computed(() => {
    const [draft, key] = [this.draft(), this.selected()];
    return (draft && key !== null && fieldByKey(draft, key)) || null;
  });

  protected readonly onCard = computed(() => {
    const [kept, designs] = [this.kept(), this.designs.designs()];
    return kept && designs ? fieldsOnCard(kept, designs) : [];
  });

  constructor() {
    void this.store.reload();
    void this.designs.reload();
    effect(() => {
      const [kept, isNew] = [this.kept(), this.isNew()];
      if (kept || isNew) untracked(() => this.show(kept ?? null));
    });
  }

  /** A field that the address names is shown first. */
  private readonly showAsked = effect(() => {
    const [asked, kept] = [this.openField(), this.kept()];
    if (asked && kept && fieldByKey(kept, asked)) untracked(() => this.selected.set(asked));
  });

  /** Shows a kind as it is kept; work on the same version is not thrown away. */
  private show(kept: Kind | null): void {
    if (this.changed()) return;
    this.draft.set(kept ?? BLANK);
    this.issues.set([]);
  }

  protected set(draft: KindDefinition): void {
    this.draft.set(draft);
    this.changed.set(true);
    if (this.issues().length > 0) this.issues.set(this.check());
  }

  protected addField(): void {
    this.dialog
      .open<TypePicker, unknown, PickedField>(TypePicker, { width: '60rem', maxWidth: '95vw' })
      .afterClosed()
      .subscribe((picked) => {
        if (picked) this.take('like' in picked ? this.fieldLike(picked.like) : this.fieldOf(picked.type));
      });
  }

  private take(field: Field): void {
    const draft = this.draft();
    if (!draft) return;
    this.set({ ...draft, fields: [...draft.fields, field] });
    this.selected.set(field.key);
  }

  private fieldOf(type: FieldTypeName): Field {
    const key = this.freeKey(keyOf(fieldType(type).label), null);
    const section = this.field()?.section ?? '';
    return makeField({ key, label: '', type, section, inTable: fieldType(type).short, ...startOf(type) });
  }

  /** A field with the settings of another one; what that depends on may not be there. */
  private fieldLike(like: Field): Field {
    const isTaken = this.draft()?.fields.some(({ label }) => label === like.label);
    const label = isTaken ? `${like.label} 2` : like.label;
    return { ...like, key: this.freeKey(keyOf(label), null), label, section: '', showWhen: null };
  }

  /** A new field's key follows its label; one that is kept keeps its key until it is asked for another. */
  protected relabel(field: Field, label: string): void {
    const isKept = this.kept() && fieldByKey(this.kept()!, field.key);
    const isOwn = field.label !== '' && field.key !== this.freeKey(keyOf(field.label), field.key);
    const key = isKept || isOwn ? field.key : this.freeKey(keyOf(label || fieldType(field.type).label), field.key);
    this.replace(field.key, { ...field, label, key });
  }

  protected rekey(field: Field, given: string): void {
    const kept = this.kept();
    const to = given.trim();
    if (to === field.key || to === '') return;
    if (!kept || !fieldByKey(kept, field.key)) {
      this.replace(field.key, { ...field, key: to });
      return;
    }
    if (this.changed()) {
      const reason = 'save the other changes first, then give the field another key.';
      this.refuse([issue('kind.fields', { reason }, { field: 'fields' })]);
      return;
    }
    this.run(this.api.renameKey(kept, field.key, to), `Gave ${field.label} the key “${to}”`, () =>
      this.selected.set(to),
    );
  }

  protected changeType(field: Field): void {
    const kind = this.kept();
    if (!kind) return;
    if (this.changed()) {
      const reason = 'save the other changes first, then change the type.';
      this.refuse([issue('kind.fields', { reason }, { field: 'fields' })]);
      return;
    }
    this.dialog
      .open<TypeChangeDialog, unknown, Changed<Kind>>(TypeChangeDialog, {
        data: { kind, field },
        width: '46rem',
        maxWidth: '95vw',
      })
      .afterClosed()
      .subscribe((done) => {
        if (done) this.done(done, `Changed the type of ${field.label}`);
      });
  }

  protected addLink(): void {
    const kind = this.kept();
    if (!kind || this.changed()) {
      const reason = 'save the kind first, then link it with another one.';
      this.refuse([issue('kind.fields', { reason }, { field: 'fields' })]);
      return;
    }
    this.dialog
      .open<LinkDialog, LinkDialogData, Changed<Link>>(LinkDialog, { data: { kind }, width: '40rem', maxWidth: '95vw' })
      .afterClosed()
      .subscribe((done) => {
        if (!done) return;
        void this.store.reload().then(() => this.selected.set(done.result.a.field));
        this.notices.changed('Made the link', done.changeId, () => this.afterUndo());
      });
  }

  protected removeField(field: Field): void {
    const draft = this.draft();
    if (!draft) return;
    this.set(withoutField(draft, field.key));
    this.selected.set(null);
  }

  protected copyField(field: Field): void {
    this.dialog.open(CopyFieldDialog, { data: { field, from: this.kept()?.id ?? null } });
  }

  private replace(key: string, field: Field): void {
    const draft = this.draft();
    if (!draft) return;
    this.set({ ...draft, fields: draft.fields.map((other) => (other.key === key ? field : other)) });
    this.selected.set(field.key);
  }

  private freeKey(wanted: string, own: string | null): string {
    const taken = new Set((this.draft()?.fields ?? []).map(({ key }) => key).filter((key) => key !== own));
    return firstFreeSlug(wanted, (candidate) => taken.has(candidate.replaceAll('-', '_'))).replaceAll('-', '_');
  }

  private check(): readonly Issue[] {
    const draft = this.draft();
    const others = (this.store.kinds() ?? []).map(({ kind }) => kind).filter(({ id }) => id !== this.kept()?.id);
    return draft ? checkKind(draft, others) : [];
  }

  protected save(event: Event): void {
    event.preventDefault();
    const draft = this.draft();
    if (!draft || this.saving()) return;
    const issues = this.check();
    if (issues.length > 0) {
      this.refuse(issues);
      return;
    }
    const kept = this.kept();
    const sent = kept ? this.api.saveKind({ ...draft, id: kept.id, version: kept.version }) : this.api.addKind(draft);
    this.run(sent, `Saved ${draft.many}`);
  }

  private run(sent: Observable<Changed<Kind>>, sentence: string, after: () => void = () => undefined): void {
    this.saving.set(true);
    sent.subscribe({
      next: (done) => {
        this.saving.set(false);
        this.done(done, sentence);
        after();
      },
      error: (error: unknown) => {
        this.saving.set(false);
        this.refuse(issuesOf(error));
      },
    });
  }

  private done({ changeId, result }: Changed<Kind>, sentence: string): void {
    this.changed.set(false);
    this.issues.set([]);
    void this.store.reload().then(() => {
      if (this.isNew()) void this.router.navigate(['/shape', result.id], { replaceUrl: true });
    });
    this.notices.changed(sentence, changeId, () => this.afterUndo());
  }

  private afterUndo(): void {
    this.changed.set(false);
    void this.store.reload().then((kinds) => {
      if (!kinds.some(({ kind }) => String(kind.id) === this.kindId())) void this.router.navigate(['/shape']);
    });
  }

  mayLeave(): boolean {
    return !this.changed() || confirm('Leave without saving the changes of this kind?');
  }

  protected warn(event: BeforeUnloadEvent): void {
    if (this.changed()) event.preventDefault();
  }

  private refuse(issues: readonly Issue[]): void {
    this.issues.set(issues);
    setTimeout(() => this.summary()?.nativeElement.focus());
  }
}

/** With what a new field of a type begins, so that it can be used at once. */
function startOf(type: FieldTypeName): Partial<Field> {
  const part = makeField({ key: 'name', label: 'Name', type: 'short-text' });
  if (hasSubfields({ type })) return { settings: { fields: [part] } };
  return fieldType(type).words ? { searchWeight: 1 } : {};
}
