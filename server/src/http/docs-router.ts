import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import { Router } from 'express';
import type { Response } from 'express';

/** The files of the reader that its page fetches. */
const FILES = ['swagger-ui-bundle.js', 'swagger-ui.css'];

const PAGE = `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <title>The API of Plindo</title>
    <link rel="stylesheet" href="/api/docs/swagger-ui.css" />
  </head>
  <body>
    <main id="reference"></main>
    <script src="/api/docs/swagger-ui-bundle.js"></script>
    <script src="/api/docs/start.js"></script>
  </body>
</html>
`;
/** Questions can be tried out with the session of the browser; changes are for programs, which send a token. */
const START = `SwaggerUIBundle({
  url: '/api/openapi.json',
  dom_id: '#reference',
  deepLinking: true,
  docExpansion: 'none',
  defaultModelsExpandDepth: 0,
  supportedSubmitMethods: ['get'],
  validatorUrl: null,
});
`;

/** The reference of the API for people: the document of the API in a reader that is shipped with Plindo. */
export function docsRouter(): Router {
  const router = Router();
  const folder = dirname(createRequire(import.meta.url).resolve('swagger-ui-dist/package.json'));
  const send = (type: string, text: string) => (_request: unknown, response: Response) =>
    void response.type(type).set('Cache-Control', 'no-cache').send(text);
  router.get('/', send('html', PAGE));
  router.get('/start.js', send('js', START));
  for (const name of FILES) {
    router.get(`/${name}`, (_request, response) => {
      response.sendFile(name, { root: folder, maxAge: '1 day' });
    });
  }
  return router;
}
