/** Serves the built application and, in demo mode, the invented wearer's records. Nothing leaves the machine. */
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express, type RequestHandler, type Response } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { basePlans } from '../demo/bases.ts';
import { demoBundle } from '../demo/demo.ts';
import { installPlans } from '../demo/installs.ts';
import { routePlans } from '../demo/routes.ts';
import { camera } from './camera.ts';
import { guard, limitedStreams, sentences } from './guard.ts';
import { scale } from './scale.ts';
import { scan } from './scan.ts';
import { openShop, shopRoutes } from './shop/shop.ts';

export interface ServerOptions {
  readonly dist: string;
  readonly demo: boolean;
  readonly now: () => number;
  /** Names that it goes by beside those of this machine. */
  readonly hosts?: readonly string[];
}

/** The one page, whatever address is asked for. */
const pageOf =
  (dist: string): RequestHandler =>
  (_request, response) => {
    const page = join(dist, 'index.html');
    const { nonce } = response.locals;
    // One that is kept would carry an old sign.
    if (existsSync(page))
      response.set('cache-control', 'no-store').type('html').send(readFileSync(page, 'utf8').replace('%NONCE%', nonce));
    else response.status(503).type('text').send('Meshwork is not built yet: run npm start.');
  };

/** These are asked for anew each time: an old one would keep an old Meshwork. */
const NEVER_OLD = /(sw\.js|\.webmanifest)$/;

export function createServer(options: ServerOptions): Express {
  const page = pageOf(options.dist);
  const app = express();
  app.disable('x-powered-by');
  app.use((_request, response, next) => {
    response.locals.nonce = randomBytes(16).toString('base64url');
    next();
  });
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          baseUri: ["'none'"],
          objectSrc: ["'none'"],
          frameAncestors: ["'none'"],
          formAction: ["'none'"],
          // What to buy is worked out by a solver in WebAssembly.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          workerSrc: ["'self'"],
          // Sheets over the page hold it still by a style of their own: it carries the sign of this answer.
          styleSrc: ["'self'", (_request, response) => `'nonce-${(response as Response).locals.nonce}'`],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'", 'blob:'],
          manifestSrc: ["'self'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(guard(options.hosts));
  app.get('/api/start', (_request, response) => {
    response.json({ demo: options.demo });
  });
  app.get('/api/demo', (_request, response) => {
    response.json(demoBundle(options.now()));
  });
  app.get('/api/examples', (_request, response) => {
    const of = (group: string, plans: readonly object[]) => plans.map((plan) => ({ group, plan }));
    response.json([...of('base', basePlans), ...of('route', routePlans), ...of('install', installPlans)]);
  });
  app.use('/api/shop', shopRoutes(openShop(options.now)));
  app.get('/api/scan', scan);
  app.get('/api/scale', limitedStreams(), scale);
  app.post('/api/camera', express.json({ limit: '2mb' }), camera);
  app.use('/api', (_request, response) => {
    response.status(404).json({ message: 'There is nothing at this address.' });
  });
  // By its own name too: the service worker keeps the page under it, with the sign of the answer that it came with.
  app.get('/index.html', page);
  // Files come with a Brotli copy from the build.
  app.use(
    expressStaticGzip(options.dist, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: {
        maxAge: '1h',
        setHeaders: (response, path) => NEVER_OLD.test(path) && response.setHeader('cache-control', 'no-cache'),
      },
    }),
  );
  app.get('/{*rest}', page);
  app.use(sentences);
  return app;
}
