import { Injectable, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { DesignsApi, issuesOf } from '@plindo/api';
import type { StarterFile } from '@plindo/core/design';
import { rolesOfFile } from '@plindo/core/design';
import type { Cast, Kind } from '@plindo/core/structure';
import { castOf } from '@plindo/core/structure';
import { slugOf } from '@plindo/core/values';
import { firstValueFrom } from 'rxjs';
import { Notices } from '../../shared/notices';
import { saveAsFile } from '../../shared/save-as-file';
import { askCast } from './starter-cast';

/** Cards and pages as files: saved, and read after the server has checked them. */
@Injectable({ providedIn: 'root' })
export class StarterFiles {
  private readonly api = inject(DesignsApi);
  private readonly dialog = inject(MatDialog);
  private readonly notices = inject(Notices);

  save(file: StarterFile): void {
    const name = `${slugOf(file.definition.name)}-${file.type}.json`;
    saveAsFile(`${JSON.stringify(file, null, 2)}\n`, name, 'application/json');
  }

  /** Asks what goes where for a design in a file; `then` is told unless the file can't be taken, or somebody leaves it. */
  async begin(chosen: File, kind: Kind, then: (file: StarterFile, cast: Cast) => void): Promise<void> {
    const file = await this.read(chosen);
    if (!file) return;
    const roles = rolesOfFile(file);
    const label = file.definition.name;
    askCast(this.dialog, { label, roles, kind, cast: castOf(roles, kind) }, (cast) => then(file, cast));
  }

  private async read(chosen: File): Promise<StarterFile | null> {
    let document: unknown;
    try {
      document = JSON.parse(await chosen.text());
    } catch {
      this.notices.said(`${chosen.name} is not a JSON document. Choose a file that a designer of Plindo has saved.`);
      return null;
    }
    try {
      return await firstValueFrom(this.api.checkStarterFile(document));
    } catch (error) {
      // The first one says that there is something wrong; the others say what.
      const [, reason] = issuesOf(error);
      if (reason) this.notices.said(`${chosen.name} cannot be taken. ${reason.message}`);
      else this.notices.refused(error);
      return null;
    }
  }
}
