import { getMessages } from 'next-intl/server';
import type { ReactNode } from 'react';
import type { Messages } from './english';
import { MoreMessages } from './more-messages';

type Feature = keyof Messages;

/** A feature's messages, or those of one of its screens: "session", "session.review". */
export type Part = { [F in Feature]: F | `${F}.${keyof Messages[F] & string}` }[Feature];

function pick(messages: Messages, parts: readonly Part[]) {
  const picked: Record<string, unknown> = {};
  for (const part of parts) {
    const [feature, screen] = part.split('.') as [Feature, string?];
    const all = messages[feature] as Record<string, unknown>;
    picked[feature] = screen
      ? { ...(picked[feature] as object | undefined), [screen]: all[screen] }
      : all;
  }
  return picked as Partial<Messages>;
}

/** Sends to the browser the messages that the components inside need there, beside those of the layouts around. */
export async function ClientMessages({
  of,
  children,
}: {
  of: readonly Part[];
  children: ReactNode;
}) {
  return <MoreMessages messages={pick(await getMessages(), of)}>{children}</MoreMessages>;
}

/**
 * Returns a layout that sends some messages to the browser.
 *
 * @example export default layoutWith('drills', 'greens');
 */
export const layoutWith = (...of: Part[]) =>
  function MessagesLayout({ children }: { children: ReactNode }) {
    return <ClientMessages of={of}>{children}</ClientMessages>;
  };
