import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { Router } from '@angular/router';
import { SessionStore } from '@plindo/api';
import type { FormDesign, KeptForm } from '@plindo/core/design';
import { checkForm, firstForm, formsOf, looksOf, questionsOf } from '@plindo/core/design';
import type { FormModel } from '@plindo/core/page';
import { formModel, styleOf } from '@plindo/core/page';
import type { Condition, Field } from '@plindo/core/structure';
import { isGroup } from '@plindo/core/structure';
import { SiteWords } from '@plindo/core/values';
import { Icon } from '@plindo/listing-view';
import { FormPiece } from '@plindo/listing-view/form-piece';
import { ShowWhenEditor } from '../../shape/kind/show-when-editor';
import { DesignsStore } from '../../shared/designs-store';
import { KindsStore } from '../../shared/kinds-store';
import { LiveView } from '../../shared/live-view';
import { Reading } from '../../shared/reading';
import type { SendDesign } from '../design/design-session';
import { DesignSession } from '../design/design-session';
import { DesignerFrame } from '../design/designer-frame';
import { wearSiteCss } from '../design/own-sheet';
import { FormOutline } from './form-outline';
import { FormSettings } from './form-settings';
import { FormWork } from './form-work';

/** In the address: a form that is still to be made. */
const NEW = 'new';

/** The form designer: steps and questions as a tree, the form as visitors will see it, and what is said of what is chosen. */
@Component({
  selector: 'pl-form-designer',
  imports: [
    DesignerFrame,
    FormOutline,
    FormPiece,
    FormSettings,
    Icon,
    LiveView,
    MatButtonModule,
    MatMenuModule,
    ShowWhenEditor,
  ],
  providers: [DesignSession],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './form-designer.html',
  styleUrl: './form-designer.scss',
})
export class FormDesigner {
  /** From the address; the form's number, or "new" with the number of its kind. */
  readonly formId = input.required<string>();
  readonly kindId = input<string>();

  private readonly designs = inject(DesignsStore);
  private readonly kinds = inject(KindsStore);
  private readonly reading = inject(Reading);
  private readonly router = inject(Router);
  private readonly who = inject(SessionStore);
  protected readonly session = inject(DesignSession);
  protected readonly work = signal<FormWork | null>(null);

  private readonly kept = computed((): KeptForm | undefined =>
    formsOf(this.designs.designs() ?? []).find(({ id }) => String(id) === this.formId()),
  );
  protected readonly look = computed(() => styleOf(looksOf(this.designs.designs() ?? [])[0]?.definition) || null);
  protected readonly issues = computed(() => {
    const work = this.work();
    if (!work) return [];
    return checkForm(work.form(), work.kind, { kindById: this.kinds.byId, context: this.reading.context() });
  });
  /** The form as visitors will see it. */
  protected readonly model = computed((): FormModel | null => {
    const [work, site] = [this.work(), this.who.session()?.site];
    if (!work || !site) return null;
    const { kind } = work;
    const kept: KeptForm = { id: 0, version: 0, type: 'form', kindId: kind.id, position: 0, definition: work.form() };
    const context = this.reading.context();
    const page = { site, now: new Date(context.nowInMs), context, kinds: [], kindById: this.kinds.byId, designs: [] };
    return formModel(kept, kind, { page, queries: null, path: '/', sending: null });
  });

  constructor() {
    void this.designs.reloadAll();
    wearSiteCss();
    void this.kinds.reload();
    effect(() => {
      this.formId();
      if (this.designs.drafts() && this.kinds.kinds()) untracked(() => this.begin());
    });
    effect(() => {
      const work = this.work();
      if (work) this.session.remember(work.history);
    });
  }

  private begin(): void {
    if (this.work()?.history.isChanged() === true) return;
    const kept = this.kept();
    const id = this.formId();
    const draft = this.designs.draftOf(kept?.id ?? null, id);
    if (!kept && !draft && id !== NEW) return;
    const kind = this.kinds.byId(kept?.kindId ?? draft?.kindId ?? Number(this.kindId()));
    if (!kind) return;
    const name = `form-${kept?.id ?? `${id}-${kind.id}`}`;
    const begun = this.session.begin<FormDesign>({ kept, draft, name }, this.unkept(kind));
    this.work.set(new FormWork(kind, begun.work, begun.kept));
  }

  /** A first form for a kind, under a name that is free. */
  private unkept(kind: FormWork['kind']): FormDesign {
    const site = this.who.session()?.site;
    const form = firstForm(kind, new SiteWords(site?.locale ?? 'en-GB'));
    const names = new Set(formsOf(this.designs.designs() ?? []).map(({ definition }) => definition.name));
    let name = form.name;
    for (let number = 2; names.has(name); number++) name = `${form.name} ${number}`;
    return { ...form, name };
  }

  /** The fields that a question can depend on: all that are asked for but its own. */
  protected askable({ kind, form }: FormWork, field: string): Field[] {
    const asked = new Set(questionsOf(form()).map((one) => one.field));
    return kind.fields.filter(({ key, type }) => key !== field && asked.has(key) && type !== 'link');
  }

  protected setShowWhen(work: FormWork, condition: Condition | null): void {
    const showWhen = condition && (isGroup(condition) ? condition : { join: 'all' as const, of: [condition] });
    work.changeQuestion({ showWhen });
  }

  protected startOver(): void {
    this.session.forget();
    this.work.set(null);
    this.begin();
  }

  protected throwDraftAway(): void {
    this.session.throwDraftAway(() => this.startOver());
  }

  protected send(how: SendDesign): void {
    const work = this.work();
    if (!work) return;
    const definition = work.form();
    this.session[how]({ type: 'form', kindId: work.kind.id, definition }, ({ id }) => {
      work.history.keep(definition);
      if (this.formId() === NEW) void this.router.navigate(['/arrange/forms', id], { replaceUrl: true });
    });
  }
}
