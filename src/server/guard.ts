/**
 * Who may ask what: this machine under its own names, from pages of this server, by the methods that there are. A page from elsewhere
 * that has its own name point here (DNS rebinding) is turned away by the Host that it sends.
 */
import type { ErrorRequestHandler, NextFunction, Request, RequestHandler, Response } from 'express';

/** Names of this machine; others are said when the server is started. */
const HERE = ['localhost', '127.0.0.1', '[::1]'];
/** A plan in a link stands behind the # and is never sent: no address that is asked for is long. */
const LONGEST_ADDRESS = 2000;
const READ: readonly string[] = ['GET', 'HEAD'];
const ASKED: readonly string[] = [...READ, 'POST'];
/** Streams of one client at a time. */
const MOST_STREAMS = 8;

const refuse = (response: Response, status: number, message: string) => response.status(status).json({ message });

/** Without its port. */
const nameOf = (host: string) => host.replace(/:\d+$/, '').toLowerCase();

/** @param hosts names that the server goes by beside those of this machine */
export function guard(hosts: readonly string[] = []): RequestHandler {
  const known = new Set([...HERE, ...hosts.map((h) => h.toLowerCase())]);
  return (request: Request, response: Response, next: NextFunction) => {
    const { host = '', origin } = request.headers;
    if (!known.has(nameOf(host))) return refuse(response, 421, 'Meshwork does not go by this name here.');
    if (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`)
      return refuse(response, 403, 'Only pages of Meshwork itself may ask.');
    if (request.originalUrl.length > LONGEST_ADDRESS) return refuse(response, 414, 'This address is far too long.');
    const may = request.path.startsWith('/api/') ? ASKED : READ;
    if (!may.includes(request.method)) {
      response.set('allow', may.join(', '));
      return refuse(response, 405, 'That can’t be done here.');
    }
    next();
  };
}

/** So many streams of a client and no more, until one of them ends. */
export function limitedStreams(): RequestHandler {
  const open = new Map<string, number>();
  return (request: Request, response: Response, next: NextFunction) => {
    const client = request.socket.remoteAddress ?? '';
    const count = open.get(client) ?? 0;
    if (count >= MOST_STREAMS) {
      refuse(response, 429, 'There are too many streams open: close a page of Meshwork.');
      return;
    }
    open.set(client, count + 1);
    response.on('close', () => {
      const left = (open.get(client) ?? 1) - 1;
      if (left > 0) open.set(client, left);
      else open.delete(client);
    });
    next();
  };
}

/** One sentence in place of a trace of what went wrong inside. */
export const sentences: ErrorRequestHandler = (error, _request, response, next) => {
  if (response.headersSent) return next(error);
  const status = Number(error?.status);
  if (status === 413) refuse(response, 413, 'That is far too much at once.');
  else if (status >= 400 && status < 500) refuse(response, status, 'That can’t be read.');
  else refuse(response, 500, 'That did not work.');
};
