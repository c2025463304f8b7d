import { ChangeDetectionStrategy, Component } from '@angular/core';
import { KindList } from '../shared/kind-list';
import { ChangeLogPanel } from './change-log';
import { SitePanel } from './site-panel';
import { ViewsPanel } from './views-panel';

/** What was changed and by whom, with a way back; the site's settings. */
@Component({
  selector: 'pl-run-page',
  imports: [ChangeLogPanel, KindList, SitePanel, ViewsPanel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="desk-stage">
      <pl-kind-list stage="run" />
      <div class="desk-page">
        <h1>Run</h1>
        <pl-change-log />
        <pl-site-panel />
        <pl-views-panel />
      </div>
    </div>
  `,
})
export class RunPage {}
