import type { ReactNode } from 'react';

/** The head of every place: what it is, a line under it, and what can be done. */
export function PlaceHead({
  title,
  sub,
  children,
}: {
  title: string;
  sub?: ReactNode;
  children?: ReactNode;
}) {
  return (
    <header className="flex flex-wrap items-end justify-between gap-x-6 gap-y-3 border-b-[length:var(--stroke)] border-ink px-4 pt-5 pb-3.5 md:px-7">
      <div className="min-w-0 flex-1 basis-64">
        <h1 className="break-words">{title}</h1>
        {sub && <p className="mt-0.5 text-[0.9375rem] text-ink2">{sub}</p>}
      </div>
      {children && <div className="flex flex-wrap gap-2.5">{children}</div>}
    </header>
  );
}

/** What an empty place says: what to do first. */
export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="grid max-w-prose gap-3 px-4 py-10 md:px-7">
      <h2 className="text-[1.25rem] num">{title}</h2>
      <div className="grid justify-items-start gap-4 text-[1rem] text-ink2">{children}</div>
    </div>
  );
}
