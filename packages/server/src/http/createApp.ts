import compression from 'compression';
import express, { type Express } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Ports } from '../application/ports.ts';
import { guardHost, guardOrigin, secureHeaders } from './guards.ts';
import { problemHandler } from './problems.ts';
import { type ApiOptions, apiRoutes } from './routes.ts';
import { webAssets } from './webAssets.ts';

export interface AppOptions extends ApiOptions {
  /** Names and ports that the server listens as, such as `127.0.0.1:4380`. */
  readonly hosts: () => readonly string[];
  readonly webFolder: string;
  readonly log: Logger;
}

export function createApp(ports: Ports, options: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  // Answers are never stored, so a hash of each would be work for nothing.
  app.disable('etag');
  app.set('query parser', 'simple');
  app.use(secureHeaders);
  app.use((request, response, next) => guardHost(options.hosts())(request, response, next));
  app.use((request, response, next) => guardOrigin(options.hosts())(request, response, next));
  app.use(
    pinoHttp({
      logger: options.log,
      autoLogging: false,
      serializers: { req: (request: { method: string; url: string }) => ({ method: request.method, url: request.url.split('?')[0] }) },
    }),
  );
  app.use('/api', compression({ level: 4 }), apiRoutes(ports, options));
  app.use(webAssets(options.webFolder));
  app.use(problemHandler(options.log));
  return app;
}
