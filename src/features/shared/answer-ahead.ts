import 'server-only';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { parseCookie } from 'cookie';
import { connection, type CoachPrincipal } from '@/data';
import { coachBy } from './asking';
import { guarding, type Asked } from './border';
import { COOKIE } from './cookie';

/** A header of a request that is answered ahead of the framework; null where it is missing. */
export const header = ({ headers }: IncomingMessage, name: string): string | null => {
  const value = headers[name];
  return typeof value === 'string' ? value : null;
};

/** What of such a request says where it comes from. */
export const askedBy = (request: IncomingMessage, path: string): Asked => ({
  method: request.method ?? 'GET',
  path,
  host: header(request, 'host') ?? '',
  origin: header(request, 'origin'),
  site: header(request, 'sec-fetch-site'),
});

/** Its path, without what stands behind the question mark. */
export const pathOf = ({ url = '' }: IncomingMessage): string => url.split('?')[0]!;

/** The coach who asks, by the device; null for a stranger. */
export const coachAsking = async (request: IncomingMessage): Promise<CoachPrincipal | null> =>
  coachBy(
    await connection(),
    parseCookie(request.headers.cookie ?? '')[COOKIE.name],
    header(request, 'host') ?? '',
  );

/** The body of a request; null when it was not sent whole. */
export const bodyOf = (request: IncomingMessage): Promise<string | null> =>
  new Promise((resolve) => {
    const parts: Buffer[] = [];
    request
      .on('data', (part: Buffer) => parts.push(part))
      .once('close', () => resolve(null))
      .once('end', () => resolve(Buffer.concat(parts).toString()));
  });

/** Answers with a text of a kind, under the headers that every answer carries. */
export function tellText(
  response: ServerResponse,
  status: number,
  kind: string,
  text: string,
  headers: Record<string, string> = {},
): void {
  response.writeHead(status, {
    ...guarding(),
    ...headers,
    'content-type': kind,
    'content-length': Buffer.byteLength(text),
    'cache-control': 'no-store',
  });
  response.end(text);
}

/** The same with JSON. */
export const tellJson = (
  response: ServerResponse,
  status: number,
  body: object,
  headers?: Record<string, string>,
): void => tellText(response, status, 'application/json', JSON.stringify(body), headers);
