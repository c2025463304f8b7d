import { readFileSync } from 'node:fs';
import openapiTS, { astToString } from 'openapi-typescript';
import ts from 'typescript';
import type { Sender } from '../../testing/test-api.js';
import { BERTHS, TestApi } from '../../testing/test-api.js';

/** A program as somebody else would write it, by nothing but the document of the API. */
const PROGRAM = `
import type { paths } from './api.js';

type Ok<Path extends keyof paths, Method extends keyof paths[Path]> = paths[Path][Method] extends {
  responses: { 200: { content: { 'application/json': infer Answer } } };
}
  ? Answer
  : never;

export async function run(address: string, token: string): Promise<string[]> {
  const headers = { Authorization: \`Bearer \${token}\`, 'Content-Type': 'application/json' };
  const ask = async <Answer>(path: string, body?: unknown): Promise<Answer> => {
    const request = body === undefined ? { headers } : { headers, method: 'POST', body: JSON.stringify(body) };
    return (await (await fetch(address + path, request)).json()) as Answer;
  };
  const [summary] = await ask<Ok<'/api/kinds', 'get'>>('/api/kinds');
  if (!summary) throw new Error('There is no kind.');
  const { id } = summary.kind;
  const input: paths['/api/kinds/{id}/listings']['post']['requestBody']['content']['application/json'] = {
    title: 'By a program',
    status: 'live',
  };
  const added = await ask<Ok<'/api/kinds/{id}/listings', 'post'>>(\`/api/kinds/\${id}/listings\`, input);
  const window = await ask<Ok<'/api/kinds/{id}/listings', 'get'>>(\`/api/kinds/\${id}/listings\`);
  return [summary.kind.many, added.result.title, ...window.listings.map(({ slug }) => slug)];
}
`;

describe('A program that is written by the document of the API', () => {
  let api: TestApi;
  let owner: Sender;

  beforeAll(async () => {
    api = await TestApi.start();
    await api.addUser('owner');
    owner = await api.signIn('owner');
    await owner.send('POST', '/api/kinds', BERTHS);
  });
  // Compiling takes so long that the server closes what rests; whoever asks next has to hear of it first.
  const pause = (): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, 100));
  beforeEach(pause);
  afterAll(() => api.stop());

  it('compiles without a fault, and runs', async () => {
    const { json: document } = await api.anyone.send('GET', '/api/openapi.json');
    const types = astToString(await openapiTS(document));
    expect(faultsOf({ 'api.ts': types, 'program.ts': PROGRAM })).toEqual([]);
    const { outputText } = ts.transpileModule(PROGRAM, {
      compilerOptions: { module: ts.ModuleKind.ESNext, target: ts.ScriptTarget.ES2022 },
    });
    const program = (await import(`data:text/javascript,${encodeURIComponent(outputText)}`)) as {
      run(address: string, token: string): Promise<string[]>;
    };
    await pause();
    const { secret } = (await owner.send('POST', '/api/tokens', { name: 'program' })).json;
    expect(await program.run(api.address, secret as string)).toEqual(['Berths', 'By a program', 'by-a-program']);
  }, 60_000);

  it('is told what every route answers', async () => {
    const { json: document } = await api.anyone.send('GET', '/api/openapi.json');
    const without: string[] = [];
    for (const [path, operations] of Object.entries<Record<string, { responses: Record<string, unknown> }>>(
      document.paths,
    )) {
      for (const [method, { responses }] of Object.entries(operations)) {
        const { content } = (responses['200'] ?? {}) as { content?: Record<string, { schema?: object }> };
        const isFile = content && !('application/json' in content);
        if (!responses['204'] && !isFile && !content?.['application/json']?.schema) without.push(`${method} ${path}`);
      }
    }
    expect(without).toEqual([]);
    const refs = JSON.stringify(document).matchAll(/#\/components\/schemas\/(\w+)/g);
    for (const [, name = ''] of refs) expect(document.components.schemas[name]).withContext(name).toBeDefined();
  });

  it('finds a reference to read, whose files all come from here', async () => {
    const page = await api.anyone.download('/api/docs/');
    expect(page.toString()).toContain('The API of Plindo');
    for (const [, path = ''] of page.toString().matchAll(/(?:src|href)="([^"]+)"/g)) {
      expect(path).toMatch(/^\/api\/docs\//);
      expect((await fetch(api.address + path)).status)
        .withContext(path)
        .toBe(200);
    }
  });

  it('is described by schemas that are made of the types', async () => {
    const tool = (await import(new URL('../../../../tools/answer-schemas.mjs', import.meta.url).href)) as {
      answerSchemasText(): string;
    };
    const kept = readFileSync(new URL('../../../src/http/answer-schemas.json', import.meta.url), 'utf8');
    // Written by node tools/answer-schemas.mjs.
    expect(JSON.parse(kept)).toEqual(JSON.parse(tool.answerSchemasText()));
  }, 60_000);
});

/** What a strict compiler says of some files that know nothing of this repository. */
function faultsOf(files: Readonly<Record<string, string>>): string[] {
  const options: ts.CompilerOptions = {
    ...{ strict: true, noEmit: true, target: ts.ScriptTarget.ES2022, module: ts.ModuleKind.ESNext },
    ...{ moduleResolution: ts.ModuleResolutionKind.Bundler, lib: ['lib.es2022.d.ts', 'lib.dom.d.ts'], types: [] },
  };
  const host = ts.createCompilerHost(options);
  const { fileExists, readFile, getSourceFile } = host;
  const own = (name: string): string | undefined => files[name.replace(/^.*\//, '')];
  host.fileExists = (name) => own(name) !== undefined || fileExists(name);
  host.readFile = (name) => own(name) ?? readFile(name);
  host.getSourceFile = (name, version) => {
    const text = own(name);
    return text === undefined ? getSourceFile.call(host, name, version) : ts.createSourceFile(name, text, version);
  };
  const program = ts.createProgram(Object.keys(files), options, host);
  return ts.getPreEmitDiagnostics(program).map(({ messageText }) => ts.flattenDiagnosticMessageText(messageText, ' '));
}
