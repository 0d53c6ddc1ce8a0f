import 'server-only';
import Bowser from 'bowser';
import { headers } from 'next/headers';

/** What a coach knows a browser by: "Safari on iPhone, iOS". */
export function nameOfBrowser(agent: string): string {
  const { browser, os, platform } = Bowser.parse(agent);
  const where = [platform.model, os.name].filter(Boolean);
  const on = [...new Set(where)].join(', ');
  return `${browser.name || 'Unknown browser'}${on ? ` on ${on}` : ''}`.slice(0, 80);
}

/** The name of the browser that asks. */
export const askingBrowser = async (): Promise<string> =>
  nameOfBrowser((await headers()).get('user-agent') || 'unknown');
