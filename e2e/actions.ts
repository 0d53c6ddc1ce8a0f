import { readFileSync } from 'node:fs';
import { request } from 'node:http';

/** A server action as the build names it. */
export interface BuiltAction {
  id: string;
  name: string;
  /** The file it is written in. */
  file: string;
  /** Pages whose code can call it. */
  pages: string[];
}

/** Every server action that the built application answers to. */
export function builtActions(): BuiltAction[] {
  const { node } = JSON.parse(
    readFileSync('.next/server/server-reference-manifest.json', 'utf8'),
  ) as {
    node: Record<
      string,
      { filename: string; exportedName: string; workers: Record<string, unknown> }
    >;
  };
  return Object.entries(node).map(([id, { filename, exportedName, workers }]) => ({
    id,
    name: exportedName,
    file: filename,
    pages: Object.keys(workers),
  }));
}

export interface Answer {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  text: string;
}

/** Asks a server with the very headers that are given: what a browser would not let a page choose, too. */
export function ask(
  url: string,
  {
    method = 'GET',
    headers = {},
    body,
  }: { method?: string; headers?: Record<string, string>; body?: string } = {},
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const asked = request(
      url,
      {
        method,
        headers: {
          ...headers,
          ...(body !== undefined && { 'content-length': String(Buffer.byteLength(body)) }),
        },
      },
      (response) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () =>
          resolve({
            status: response.statusCode ?? 0,
            headers: response.headers,
            text: Buffer.concat(parts).toString('utf8'),
          }),
        );
      },
    );
    asked.once('error', reject);
    asked.end(body);
  });
}

/** Calls a server action from a page, as the framework's own client does. */
export const call = (
  base: string,
  page: string,
  action: BuiltAction,
  args: unknown[],
  headers: Record<string, string> = {},
): Promise<Answer> =>
  ask(new URL(page, base).href, {
    method: 'POST',
    headers: {
      'content-type': 'text/plain;charset=UTF-8',
      accept: 'text/x-component',
      'next-action': action.id,
      ...headers,
    },
    body: JSON.stringify(args),
  });

/** Whether an action did what it was asked: its typed result said so. */
export const ran = ({ status, text }: Answer): boolean => status === 200 && /"ok":true/.test(text);
