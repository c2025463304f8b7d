import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { BlueprintFile } from '@plindo/api';
import { CatalogApi, issuesOf } from '@plindo/api';
import type { PreviewedPage } from '@plindo/core/contract';
import type { BlueprintPlan } from '@plindo/core/exchange';
import type { Issue } from '@plindo/core/values';
import { CategorySetsStore } from '../shared/category-sets-store';
import { KindList } from '../shared/kind-list';
import { KindsStore } from '../shared/kinds-store';
import { Notices } from '../shared/notices';
import { saveAsFile } from '../shared/save-as-file';
import { SitePreview } from '../shared/site-preview';

/** Saves the structure as a file, and applies one after showing what it would do. */
@Component({
  selector: 'pl-blueprint-page',
  imports: [KindList, MatButtonModule, SitePreview],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './blueprint-page.html',
  styles: `
    .stage {
      display: grid;
      grid-template-columns: 13rem minmax(0, 1fr);
    }
    .report {
      display: grid;
      gap: 0.75rem;
    }
    ul {
      margin: 0.25rem 0 0;
      padding-inline-start: 1.25rem;
    }
    @media (max-width: 52rem) {
      .stage {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class BlueprintPage {
  private readonly api = inject(CatalogApi);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly sets = inject(CategorySetsStore);

  protected readonly fileName = signal('');
  protected readonly plan = signal<BlueprintPlan | null>(null);
  protected readonly pages = signal<readonly PreviewedPage[]>([]);
  protected readonly issues = signal<readonly Issue[]>([]);
  protected readonly working = signal(false);
  private chosen: BlueprintFile | null = null;

  constructor() {
    void this.kinds.reload();
  }

  protected save(withListings: boolean): void {
    this.api.blueprint(withListings).subscribe({
      next: (blueprint) => {
        const name = blueprint.site.name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
        const text = `${JSON.stringify(blueprint, null, 2)}\n`;
        saveAsFile(text, `${name}-blueprint.json`, 'application/json');
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  /** Shows what a chosen file would do: a document, or a zip with pictures and files. */
  protected async choose(file: File | undefined): Promise<void> {
    if (!file) return;
    this.fileName.set(file.name);
    this.plan.set(null);
    this.pages.set([]);
    this.issues.set([]);
    this.chosen = await this.read(file);
    if (this.chosen === null) return;
    this.working.set(true);
    this.api.planBlueprint(this.chosen).subscribe({
      next: (plan) => {
        this.working.set(false);
        this.plan.set(plan);
        this.preview();
      },
      error: (error: unknown) => this.refuse(error),
    });
  }

  /** What it shows is worth a look, but no reason not to apply it. */
  private preview(): void {
    const of = this.chosen;
    if (!of) return;
    this.api.previewBlueprint(of).subscribe({
      next: (pages) => {
        if (of === this.chosen) this.pages.set(pages);
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private async read(file: File): Promise<BlueprintFile | null> {
    if (/\.zip$/i.test(file.name)) return { zip: file };
    try {
      return { document: JSON.parse(await file.text()) as unknown };
    } catch {
      const message = `${file.name} is not a JSON document. Choose a blueprint that was saved by Plindo.`;
      this.issues.set([{ code: 'request.malformed', message }]);
      return null;
    }
  }

  protected apply(): void {
    if (!this.chosen) return;
    this.working.set(true);
    this.api.applyBlueprint(this.chosen).subscribe({
      next: ({ changeId }) => {
        this.working.set(false);
        this.plan.set(null);
        this.reload();
        this.notices.changed(`Applied ${this.fileName()}`, changeId, () => this.reload());
      },
      error: (error: unknown) => this.refuse(error),
    });
  }

  private refuse(error: unknown): void {
    this.working.set(false);
    this.issues.set(issuesOf(error));
  }

  private reload(): void {
    void this.kinds.reload();
    void this.sets.reload();
  }
}
