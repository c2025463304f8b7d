import type { Locator, Page, Response } from 'playwright-core';
import type { TestServer } from './server.js';

export const OWNER = { name: 'Test owner', email: 'owner@example.org', password: 'a long password' };
export const DEMO_OWNER = { email: 'editor@merrowsound.example', password: 'merrow-sound-demo' };

/** What a person does in the Desk, in their words. */
export class Desk {
  constructor(
    private readonly page: Page,
    private readonly server: TestServer,
  ) {}

  async makeOwner(): Promise<void> {
    await this.page.goto(this.server.setupLink ?? '');
    await this.page.getByLabel('Your name').fill(OWNER.name);
    await this.page.getByLabel('E-mail').fill(OWNER.email);
    await this.page.getByLabel('Password').fill(OWNER.password);
    await this.page.getByRole('button', { name: 'Make the owner' }).click();
    await this.page.waitForURL('**/desk/shape');
  }

  async signIn({ email, password }: { email: string; password: string }): Promise<void> {
    await this.page.goto(`${this.server.address}/desk/`);
    await this.page.getByLabel('E-mail').fill(email);
    await this.page.getByLabel('Password').fill(password);
    await this.page.getByRole('button', { name: 'Sign in' }).click();
    await this.page.waitForURL('**/desk/shape');
  }

  /** Adds a field of a type, given by the type's label, to the kind that is open. */
  async addField(type: string, label: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Add a field', exact: true }).click();
    const names = this.page.locator('.name');
    await this.page
      .locator('pl-type-picker button')
      .filter({ has: names.filter({ hasText: new RegExp(`^${type}$`) }) })
      .click();
    await this.page.getByRole('heading', { name: 'New field', exact: true }).waitFor();
    await this.page.locator('pl-field-editor').getByLabel('Label', { exact: true }).fill(label);
  }

  async openField(label: string): Promise<void> {
    await this.page
      .locator('pl-field-list')
      .getByRole('button', { name: new RegExp(`^${label} `) })
      .click();
    await this.page.getByRole('heading', { name: label, exact: true }).waitFor();
  }

  /** Links a listing in the form that is open, found by typing. */
  async link(label: string, title: string): Promise<void> {
    await this.page.getByLabel(`Find a listing for ${label}`).fill(title);
    const offers = this.page.getByRole('group', { name: `Found for ${label}` });
    await offers
      .getByRole('button', { name: new RegExp(`^${title}`) })
      .first()
      .click();
    await this.page.getByRole('group', { name: label, exact: true }).getByRole('link', { name: title }).waitFor();
  }

  /** Takes the last change back by a button that says so, and waits until the server has done it. */
  async undo(button: Locator): Promise<void> {
    const isUndo = (response: Response): boolean => /\/api\/changes\/\d+\/undo$/.test(response.url());
    await Promise.all([this.page.waitForResponse(isUndo), button.click()]);
    // What was told of an undo before may be on its way out.
    await this.page.getByText('Undone', { exact: true }).last().waitFor();
  }

  async save(title: string): Promise<void> {
    await this.page.keyboard.press('Control+s');
    await this.page.getByText(`Saved ${title}`, { exact: true }).last().waitFor();
  }

  async chooseFile(file: string | { name: string; mimeType: string; buffer: Buffer }): Promise<void> {
    await this.page.goto(`${this.server.address}/desk/shape/from-file`);
    await this.page.locator('input[type=file]').setInputFiles(file);
  }

  /** Says what one row of a file is; its plural and the address of its page follow. */
  async nameKind(one: string): Promise<void> {
    await this.page.getByLabel('One of them').fill(one);
  }

  async bringIn(): Promise<void> {
    await this.page.getByRole('button', { name: /^Bring in [\d,]+ rows$/ }).click();
    await this.page.getByText(/ are in$/).waitFor({ timeout: 60_000 });
  }

  async openTable(kind: string): Promise<void> {
    await this.page.goto(`${this.server.address}/desk/fill`);
    await this.page.getByRole('link', { name: new RegExp(`^${kind}`) }).click();
    await this.page.getByRole('heading', { name: kind, level: 1 }).waitFor();
    await this.page.getByRole('gridcell').first().waitFor();
  }

  /** Narrows the table to what the words find, and waits for one listing of that title. */
  async find(title: string): Promise<void> {
    const found = this.page.waitForResponse((response) => /\/listings\?.*q=/.test(response.url()));
    await this.page.getByLabel('Find in the table').fill(title);
    await found;
    await this.page.getByRole('button', { name: title, exact: true }).first().waitFor();
  }

  async feature(title: string): Promise<void> {
    await this.page.getByRole('button', { name: `Featured: ${title}` }).click();
    await this.page.getByText(`Featured: ${title}`, { exact: true }).waitFor();
  }

  /** Types into the cell of a column, in the row of the listing with that title. */
  async typeIntoCell(title: string, column: string, text: string): Promise<void> {
    const row = this.page.getByRole('row').filter({ has: this.page.getByRole('button', { name: title, exact: true }) });
    await row
      .first()
      .getByRole('button', { name: new RegExp(`^${column}: `) })
      .click();
    const editor = row.first().getByRole('textbox', { name: column });
    await editor.fill(text);
    await editor.press('Enter');
  }
}
