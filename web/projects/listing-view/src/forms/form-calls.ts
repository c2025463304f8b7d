import type { FormFault, SendingState } from '@plindo/core/page';
import type { Picture } from '@plindo/core/structure';

/** What a form asks of the server. */
export interface CheckedForm {
  readonly faults: readonly FormFault[];
  readonly hidden: readonly string[];
}

export interface FoundOption {
  readonly id: number;
  readonly title: string;
}

/** What came of sending: where to go, or what is still wrong. */
export type SentForm = { readonly href: string } | { readonly faults: readonly FormFault[] };

/** A refusal in a sentence. */
export class FormRefusal extends Error {}

export function checkForm(action: string, form: FormData): Promise<CheckedForm> {
  return post<CheckedForm>(`${action}/check`, withoutFiles(form));
}

export function lookOver(action: string, form: FormData): Promise<SendingState> {
  return post<SendingState>(`${action}/look`, form);
}

export function sendForm(action: string, token: string, solution: string): Promise<SentForm> {
  const form = new FormData();
  form.set('token', token);
  form.set('solution', solution);
  return post<SentForm>(`${action}/send`, form);
}

export function sendPicture(action: string, file: File): Promise<Picture> {
  const form = new FormData();
  form.set('file', file);
  return post<Picture>(`${action}/pictures`, form);
}

export async function findOptions(action: string, field: string, text: string): Promise<readonly FoundOption[]> {
  const answer = await fetch(`${action}/listings?${new URLSearchParams({ field, q: text })}`, {
    headers: { Accept: 'application/json' },
  });
  return answer.ok ? ((await answer.json()) as FoundOption[]) : [];
}

/** While answers are checked nothing is uploaded. */
function withoutFiles(form: FormData): FormData {
  const plain = new FormData();
  for (const [name, value] of form) if (typeof value === 'string') plain.append(name, value);
  return plain;
}

async function post<Answer>(address: string, body: FormData): Promise<Answer> {
  const answer = await fetch(address, { method: 'POST', body, headers: { Accept: 'application/json' } });
  const said = (await answer.json()) as Answer & { readonly title?: string };
  if (!answer.ok) throw new FormRefusal(said.title ?? '');
  return said;
}
