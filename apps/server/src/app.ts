import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';
import { openApi } from './api/openApi';
import { linkRoutes } from './features/links/links.routes';
import type { LinkStore } from './features/links/LinkStore';
import { photoRoutes } from './features/photos/photos.routes';
import type { PhotoStore } from './features/photos/PhotoStore';
import { recordRoutes } from './features/records/records.routes';
import type { RecordStore } from './features/records/RecordStore';
import type { CompanyOf } from './features/session/CompanyOf';
import { sessionRoutes } from './features/session/session.routes';
import { ApiError } from './http/errors';
import { handleErrors } from './http/handleErrors';
import { sameOrigin } from './http/sameOrigin';

export interface AppParts {
  records: RecordStore;
  links: LinkStore;
  photos: PhotoStore;
  companyOf: CompanyOf;
  companyName: (companyId: string) => Promise<string>;
  /** Throws when the database does not answer. */
  ping: () => Promise<void>;
  /** Folder of the exported web app; left out, only the API is served. */
  webDir?: string;
  log: Logger;
}

/** The whole HTTP side, with everything it needs handed in. */
export function createApp(parts: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: parts.log, autoLogging: false }));
  app.use(
    helmet({
      // Served on loopback over plain HTTP: no upgrade to https, no HSTS.
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'", 'data:'],
          workerSrc: ["'self'", 'blob:'],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
    }),
  );
  app.use('/api', sameOrigin, express.json({ limit: '16mb' }), api(parts));
  if (parts.webDir) serveWeb(app, parts.webDir);
  app.use((_request, _response, next) => next(new ApiError('not-found')));
  app.use(handleErrors);
  return app;
}

function api(parts: AppParts): express.Router {
  const router = express.Router();
  const description = openApi();
  router.get('/health', async (_request, response) => {
    await parts.ping();
    response.json({ ok: true });
  });
  router.get('/openapi.json', (_request, response) => {
    response.json(description);
  });
  router.use(sessionRoutes(parts.companyOf, parts.companyName));
  router.use(recordRoutes(parts.records, parts.companyOf));
  router.use(linkRoutes(parts.links, parts.companyOf));
  router.use(photoRoutes(parts.photos, parts.companyOf));
  router.use((_request, _response, next) => next(new ApiError('not-found')));
  return router;
}

/** Files with a content hash in their name may be kept for ever; the page and the service worker are asked for each time. */
function serveWeb(app: Express, webDir: string): void {
  app.use(
    express.static(webDir, {
      index: false,
      setHeaders: (response, path) => {
        response.set('Cache-Control', /(-|\.)[0-9a-f]{32}\./.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    }),
  );
  app.get('/{*path}', (request, response, next) => {
    if (/\.[^/]+$/.test(request.path) || !existsSync(join(webDir, 'index.html'))) return next();
    response.set('Cache-Control', 'no-cache').sendFile(join(webDir, 'index.html'));
  });
}
