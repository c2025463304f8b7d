import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Observable } from 'rxjs';

/** A page of the guide, as `docs/guide/pages.json` names it. */
export interface GuidePage {
  /** Of its file, without ".md". */
  readonly name: string;
  readonly title: string;
  /** The places of the Desk that it explains: addresses in which "*" stands for one part. */
  readonly explains: readonly string[];
  /** Words by which it is found too. */
  readonly words: string;
}

/** The folder of the guide, from where the Desk is. */
export const GUIDE_FOLDER = 'guide';

/** The guide, which ships beside the Desk as files. */
@Injectable({ providedIn: 'root' })
export class GuideApi {
  private readonly http = inject(HttpClient);

  pages(): Observable<GuidePage[]> {
    return this.http.get<GuidePage[]>(`${GUIDE_FOLDER}/pages.json`);
  }

  /** The text of a page, in Markdown. */
  text(name: string): Observable<string> {
    return this.http.get(`${GUIDE_FOLDER}/${name}.md`, { responseType: 'text' });
  }
}
